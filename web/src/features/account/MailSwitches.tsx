import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';

type About = Schemas['SwitchesRequest']['about'][number];

const ABOUT: readonly [About, string][] = [
  ['answer', 'An answer was returned'],
  ['opened', 'An exercise was opened'],
  ['due', 'An exercise is due tomorrow, and you have not handed in'],
];

/** What one gets mail about; nothing at all where no mail is sent. */
export function MailSwitches({ hasAddress }: { hasAddress: boolean }) {
  const mail = useQuery(queries.mailSwitches());
  const demo = useQuery(queries.demoPeople());
  const client = useQueryClient();
  if (!mail.data?.isSent) return null;
  const about = mail.data.about as About[];
  const change = async (one: About, on: boolean) => {
    await api.setMailSwitches(on ? [...about, one] : about.filter((a) => a !== one));
    await client.invalidateQueries({ queryKey: ['mail-switches'] });
  };
  return (
    <section className="space-y-3">
      <h2 className="text-[16px] font-semibold">Mail</h2>
      <p className="text-ink2">
        {hasAddress
          ? 'At most one an hour, and never what an answer says.'
          : 'None comes until you give a mail address above.'}
      </p>
      <ul className="space-y-1.5">
        {ABOUT.map(([one, text]) => (
          <li key={one}>
            <label className="flex items-start gap-2.5">
              <input
                type="checkbox"
                className="mt-1 accent-[var(--ink)]"
                checked={about.includes(one)}
                onChange={(e) => void change(one, e.target.checked)}
              />
              {text}
            </label>
          </li>
        ))}
      </ul>
      {(demo.data?.length ?? 0) > 0 && (
        <p className="text-ink2">
          This is a demonstration: no mail leaves it. What would have gone is in the{' '}
          <Link to="/outbox" className="font-medium text-ink underline">
            outbox
          </Link>
          .
        </p>
      )}
    </section>
  );
}
