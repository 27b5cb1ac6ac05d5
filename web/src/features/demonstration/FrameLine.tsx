import { useEffect, useRef } from 'react';
import type { Demonstration, Frame } from '../../api/client';
import { FindingMark } from '../../trade/FindingMark';
import { counted } from '../../ui/time';
import { titleOf } from './frames';
import type { Playing } from './usePlaying';

const WIDTH = 84;

/** All frames on one line, with what was branched off; gone to by a click. */
export function FrameLine(props: {
  frames: readonly Frame[];
  playing: Playing;
  knowsAll: boolean;
  tries: Demonstration['tries'];
}) {
  const { frames, playing, knowsAll, tries } = props;
  const here = useRef<HTMLLIElement>(null);
  useEffect(() => {
    here.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [playing.at]);
  return (
    <div className="thin-scroll condensed overflow-x-auto" data-testid="frame-line">
      <ol className="relative flex w-max pt-5">
        <span
          aria-hidden
          className="absolute top-[33px] h-0 border-t-2 border-dashed border-ink opacity-50"
          style={{ left: WIDTH / 2, width: (frames.length - 1) * WIDTH }}
        />
        <span
          aria-hidden
          className="absolute top-[33px] h-0 border-t-2 border-ink"
          style={{ left: WIDTH / 2, width: playing.at * WIDTH }}
        />
        {frames.map((frame, i) => {
          const told = knowsAll || i <= playing.reached;
          const branch = tries.find((t) => t.frame === i);
          return (
            <li
              key={i}
              ref={i === playing.at ? here : undefined}
              style={{ width: WIDTH }}
              className="relative text-center"
            >
              <span className="absolute -top-5 right-0 left-0 flex h-5 items-center justify-center gap-0.5">
                {told &&
                  frame.brought
                    .slice(0, 3)
                    .map((b, k) => (
                      <FindingMark
                        key={k}
                        kind={b.kind}
                        severity={b.severity}
                        title={b.title}
                        size={13}
                      />
                    ))}
              </span>
              <button
                type="button"
                className="relative flex w-full flex-col items-center gap-1 outline-offset-[-2px] hover:underline"
                aria-current={i === playing.at ? 'step' : undefined}
                aria-label={told ? titleOf(frame) : `${i} of ${frames.length - 1}`}
                onClick={() => playing.go(i)}
              >
                <svg width={22} height={26} viewBox="-11 -13 22 26" aria-hidden>
                  {i === playing.at && (
                    <circle r={10} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.5} />
                  )}
                  {frame.kind === 'question' ? (
                    <rect x={-2} y={-7} width={4} height={14} fill="var(--ink)" />
                  ) : (
                    <circle
                      r={5}
                      fill={
                        i > playing.reached || frame.kind === 'takenBack'
                          ? 'var(--paper)'
                          : 'var(--ink)'
                      }
                      stroke="var(--ink)"
                      strokeWidth={1.5}
                    />
                  )}
                </svg>
                <span
                  className={`max-w-full truncate px-1 text-[13px] leading-4 ${i === playing.at ? 'font-semibold' : 'text-ink2'}`}
                >
                  {told ? shortOf(frame) : frame.kind === 'question' ? 'a question' : ' '}
                </span>
              </button>
              {branch && (
                <span className="block truncate text-[12px] leading-4 text-ink2">
                  your try, {counted(branch.steps, 'step')}
                </span>
              )}
            </li>
          );
        })}
      </ol>
    </div>
  );
}

function shortOf(frame: Frame): string {
  return frame.kind === 'question' ? 'Question' : frame.title;
}
