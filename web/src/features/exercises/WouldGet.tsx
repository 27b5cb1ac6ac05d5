import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { counted, creditText } from '../../ui/time';
import { useRested } from '../../ui/useRested';

type Row = Schemas['WouldGet'];

/** What starter and hand-ins would get by the rule as it is written; those that move go first. */
export function WouldGet({
  exercise,
  rule,
  counts,
}: {
  exercise: string;
  rule: Schemas['CreditRuleView'];
  /** What counts by the draft. */
  counts: unknown;
}) {
  const asked = useRested(rule, 300);
  const tried = useQuery(queries.wouldGet(exercise, asked, counts));
  const rows = tried.data ?? [];
  const moved = rows.filter(isMoved);
  const answered = moved.filter((r) => r.isAnswered).length;
  const shown = [
    ...rows.filter((r) => r.attempt === 0),
    ...moved,
    ...rows.filter((r) => r.attempt > 0 && !isMoved(r)),
  ];
  return (
    <section aria-label="What they would get" className="px-5 py-3" data-testid="would-get">
      <h3 className="flex flex-wrap items-baseline gap-x-3 text-[15px] font-semibold">
        What they would get
        <span className="text-[13px] font-normal text-ink2">
          {tried.error
            ? tried.error.message
            : rows.length > 0
              ? `${counted(rows.filter((r) => r.attempt > 0).length, 'hand-in')}, those that move first`
              : 'Counting'}
        </span>
      </h3>
      {moved.length > 0 && (
        <p className="mt-1" role="status">
          <b className="font-semibold">
            Saving moves the credits of {counted(moved.length, 'hand-in')}.
          </b>{' '}
          {answered > 0 && `${counted(answered, 'answer')} that is out stays as it went out.`}
        </p>
      )}
      {rows.length > 0 && (
        <div className="thin-scroll overflow-x-auto" tabIndex={0}>
          <table className="condensed mt-2 w-full border-collapse">
            <thead>
              <tr className="text-[13px] text-ink2">
                <th className="py-1 text-left font-normal">Who</th>
                {rule.criteria.map((c, i) => (
                  <th key={i} className="px-2 text-right font-normal" title={c.name}>
                    {String.fromCharCode(97 + i)}
                  </th>
                ))}
                <th className="px-2 text-right font-normal">would get</th>
                <th className="text-right font-normal">so far</th>
              </tr>
            </thead>
            <tbody>
              {shown.map((row, at) => (
                <tr key={at} className="border-t border-rule">
                  <td className="py-1">
                    {row.name}
                    {row.attempt > 0 && <span className="ml-1.5 text-ink2">{row.attempt}</span>}
                  </td>
                  {row.credits.lines.map((line, i) => (
                    <td key={i} className="px-2 text-right tabular-nums" title={line.why}>
                      {line.isOpen ? 'open' : creditText(line.gets)}
                    </td>
                  ))}
                  <td className="px-2 text-right tabular-nums">
                    <b className="font-semibold">{creditText(row.credits.total)}</b>
                    <span className="text-ink2"> of {creditText(row.credits.of)}</span>
                  </td>
                  <td className="text-right text-ink2 tabular-nums">
                    {row.soFar === null
                      ? ''
                      : isMoved(row)
                        ? `was ${creditText(row.soFar)}`
                        : 'same'}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

export function isMoved(row: Row): boolean {
  return row.soFar !== null && row.soFar !== row.credits.total;
}
