import type { Review } from '../../api/client';
import { FindingMark } from '../../ui/FindingMark';
import { counted } from '../../ui/time';

const STEP_WIDTH = 64;

/** The recorded steps as a line, with the findings that each brought above it. */
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
        <div className="overflow-x-auto pt-2">
          <ol className="relative flex" style={{ width: steps.length * STEP_WIDTH }}>
            <span
              aria-hidden
              className="absolute top-[30px] border-t-[1.5px] border-dashed border-ink"
              style={{ left: STEP_WIDTH / 2, right: STEP_WIDTH / 2 }}
            />
            {steps.map((step) => (
              <li
                key={step.number}
                title={step.did}
                className="relative flex flex-col items-center"
                style={{ width: STEP_WIDTH }}
              >
                <span className="flex h-[22px] items-center gap-0.5">
                  {step.brought.slice(0, 3).map((b, i) => (
                    <FindingMark
                      key={i}
                      kind={b.kind}
                      severity={b.severity}
                      title={b.title}
                      size={14}
                    />
                  ))}
                  {step.brought.length > 3 && `+${step.brought.length - 3}`}
                </span>
                <span className="my-1 h-[9px] w-[9px] rounded-full border-[1.5px] border-ink bg-sheet" />
                <span>{step.tool}</span>
              </li>
            ))}
          </ol>
        </div>
      )}
    </section>
  );
}
