import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../../api/queries';
import { whenText } from '../../ui/time';

/** What was said at the bench, to be read once more. */
export function HintsLater() {
  const { data } = useQuery(queries.hints());
  if (!data || data.length === 0) return null;
  return (
    <section aria-labelledby="hints" className="mx-auto max-w-[1040px] px-6 pb-8">
      <h2 id="hints" className="border-b border-ink pb-2 text-[16px] font-semibold">
        Hints at the bench
      </h2>
      <ul>
        {data.map((hint) => (
          <li key={hint.id} className="border-b border-rule py-2.5">
            <p className="border-l-[3px] border-magenta pl-3 whitespace-pre-wrap">{hint.text}</p>
            <p className="condensed mt-1 text-[13px] text-ink2">
              {hint.by}, {whenText(hint.sentAt)}, at{' '}
              <Link className="underline" to={`/bench/${hint.assignment}`}>
                {hint.title}
              </Link>
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
