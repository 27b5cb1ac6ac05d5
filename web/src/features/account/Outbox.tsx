import { useQuery } from '@tanstack/react-query';
import { queries } from '../../api/queries';
import { Empty, Failure, Loading } from '../../ui/States';
import { whenText } from '../../ui/time';

/** The mail of the demonstration, which leaves for nowhere. */
export function Outbox() {
  const outbox = useQuery(queries.outbox());
  if (outbox.error) return <Failure error={outbox.error} onRetry={() => void outbox.refetch()} />;
  if (!outbox.data) return <Loading stage="Looking into the outbox" />;
  return (
    <div className="mx-auto max-w-[720px] px-5 pt-5 pb-10">
      <h1 className="border-b border-ink pb-3.5 text-[22px] leading-7 font-semibold">Outbox</h1>
      <p className="py-3 text-ink2">
        A demonstration sends no mail. This is what would have gone out, the newest first.
      </p>
      {outbox.data.length === 0 ? (
        <Empty title="Nothing would have gone out yet." />
      ) : (
        <ol>
          {outbox.data.map((mail) => (
            <li key={mail.id} className="border-t border-rule py-3">
              <p className="flex flex-wrap items-baseline gap-x-3">
                <b className="text-[15px] font-semibold">{mail.subject}</b>
                <span className="text-[13px] text-ink2">
                  to {mail.address}, {whenText(mail.sentAt)}
                </span>
              </p>
              <p className="mt-1 whitespace-pre-wrap">{mail.body.trim()}</p>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}
