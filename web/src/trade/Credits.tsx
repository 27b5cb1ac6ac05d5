import type { Schemas } from '../api/client';
import { counted, creditText } from '../ui/time';

/** What a hand-in gets by the rule of its exercise, criterion by criterion, each with its reason. */
export function Credits({ credits }: { credits: Schemas['CreditsView'] }) {
  return (
    <section
      aria-label="Credits"
      data-testid="credits"
      className="border-t border-rule px-3.5 py-2.5"
    >
      <CreditsHead credits={credits} />
      <ul className="condensed">
        {credits.lines.map((line, i) => (
          <li key={i} className="flex items-baseline gap-2 border-t border-rule py-1">
            <span className="min-w-0 flex-1">
              {line.name}
              <span className="block text-[13px] text-ink2">
                {line.byHand ? `by hand: ${line.byHand.reason}` : line.why}
              </span>
            </span>
            <span className="tabular-nums">
              {line.isOpen ? 'open' : creditText(line.gets)}
              <span className="text-ink2"> of {creditText(line.of)}</span>
            </span>
          </li>
        ))}
        {credits.daysLate > 0 && (
          <li className="flex items-baseline gap-2 border-t border-rule py-1">
            <span className="min-w-0 flex-1">{counted(credits.daysLate, 'day')} late</span>
            <span className="tabular-nums">−{creditText(credits.offForLate)}</span>
          </li>
        )}
      </ul>
    </section>
  );
}

/** What it gets of what there is to get. */
export function CreditsHead({ credits }: { credits: Schemas['CreditsView'] }) {
  return (
    <h2 className="flex items-baseline justify-between font-semibold">
      Credits
      <span className="text-[15px] tabular-nums">
        {creditText(credits.total)}
        <span className="font-normal text-ink2"> of {creditText(credits.of)}</span>
      </span>
    </h2>
  );
}
