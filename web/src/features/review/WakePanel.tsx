import type { Review } from '../../api/client';
import { SpeedChoice } from '../../trade/SpeedChoice';
import { nameOf, WakeLine } from '../../trade/WakeLine';
import { Button } from '../../ui/Button';
import { counted } from '../../ui/time';
import type { Wake } from './useWake';

/** The recorded steps of what was handed in: played, or gone to one by one. */
export function WakePanel({ review, wake }: { review: Review; wake: Wake }) {
  const { steps } = review;
  const step = steps[wake.at - 1];
  return (
    <section
      aria-label="Wake"
      className={`condensed shrink-0 border-t border-ink px-3 py-2 ${steps.length > 0 ? 'h-[168px]' : 'h-12'}`}
    >
      {steps.length === 0 ? (
        <p>
          <b className="mr-3 text-[15px] font-semibold">Wake</b>
          <span className="text-ink2">
            {review.fileName
              ? `Handed in as a file, ${review.fileName}: no steps are recorded.`
              : 'The starter, handed in without a step.'}
          </span>
        </p>
      ) : (
        <>
          <div className="flex items-center gap-3">
            <Button size="small" shortcut="Space" aria-pressed={wake.playing} onClick={wake.toggle}>
              {wake.playing ? 'Pause' : 'Play'}
            </Button>
            <SpeedChoice speed={wake.speed} onSpeed={wake.setSpeed} />
            <p className="min-w-0 flex-1 truncate" data-testid="wake-words">
              {wake.at === wake.last ? (
                <span className="text-ink2">{counted(steps.length, 'step')}, all shown</span>
              ) : step ? (
                <>
                  <b className="mr-2 font-semibold">Step {wake.at}</b>
                  {nameOf(step)}
                  <span className="text-ink2">: {broughtText(step)}</span>
                </>
              ) : (
                <b className="font-semibold">Starter</b>
              )}
            </p>
            <span className="text-[12px] text-ink2">depth: must-mends standing</span>
          </div>
          <WakeLine
            steps={steps}
            at={step?.id ?? null}
            depth
            onGo={(id) => {
              wake.stop();
              wake.go(id === null ? 0 : steps.findIndex((s) => s.id === id) + 1);
            }}
          />
        </>
      )}
    </section>
  );
}

/** What a step brought and mended, in words. */
function broughtText(step: Review['steps'][number]): string {
  const titles = step.brought.map((b) => b.title);
  const shown = titles.slice(0, 2).join('; ');
  const more = titles.length > 2 ? ` and ${titles.length - 2} more` : '';
  const mended = step.mended > 0 ? `${counted(step.mended, 'finding')} gone` : '';
  if (!shown) return mended || 'nothing to mend came';
  return `brought ${shown}${more}${mended ? `; ${mended}` : ''}`;
}
