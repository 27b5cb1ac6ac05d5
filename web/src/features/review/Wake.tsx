import type { Review } from '../../api/client';
import { counted } from '../../ui/time';
import { WakeLine } from '../../trade/WakeLine';

/** The recorded steps of what was handed in. */
export function Wake({ review }: { review: Review }) {
  const { steps } = review;
  return (
    <section
      aria-label="Wake"
      className="condensed h-[120px] shrink-0 border-t border-ink px-4 py-2.5"
    >
      <p>
        <b className="mr-3 text-[15px] font-semibold">Wake</b>
        <span className="text-ink2">
          {steps.length > 0
            ? counted(steps.length, 'step')
            : review.fileName
              ? `Handed in as a file, ${review.fileName}: no steps are recorded.`
              : 'The starter, handed in without a step.'}
        </span>
      </p>
      {steps.length > 0 && (
        <div className="pt-2">
          <WakeLine steps={steps} />
        </div>
      )}
    </section>
  );
}
