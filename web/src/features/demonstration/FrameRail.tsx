import { useEffect, useRef } from 'react';
import type { Frame } from '../../api/client';
import { FindingMark } from '../../trade/FindingMark';
import { Button } from '../../ui/Button';
import { counted } from '../../ui/time';
import { numberOf, titleOf } from './frames';
import type { Playing } from './usePlaying';

const MOST_MARKS = 4;

/** What is said of each frame, one below the other; what was not reached yet keeps its name to itself. */
export function FrameRail(props: {
  frames: readonly Frame[];
  playing: Playing;
  /** Whether all names are known to who looks. */
  knowsAll: boolean;
}) {
  const { frames, playing, knowsAll } = props;
  const shown = knowsAll ? frames : frames.slice(0, playing.reached + 1);
  const here = useRef<HTMLLIElement>(null);
  useEffect(() => {
    // Newer browsers give back a promise, which is no way to clean up.
    here.current?.scrollIntoView({ block: 'nearest' });
  }, [playing.at, playing.isOpen]);
  const more = frames.length - shown.length;
  return (
    <ol className="thin-scroll min-h-0 flex-1 overflow-y-auto" aria-label="Steps" tabIndex={0}>
      {shown.map((frame, i) => (
        <li
          key={i}
          ref={i === playing.at ? here : undefined}
          aria-current={i === playing.at ? 'step' : undefined}
          className={`relative border-b border-rule py-2.5 pr-5 pl-[58px] ${i === playing.at ? 'bg-shoal1' : ''}`}
        >
          <Mark
            frame={frame}
            here={i === playing.at}
            last={i === frames.length - 1}
            past={i < playing.at}
          />
          {i === playing.at ? (
            <Open frame={frame} number={numberOf(frames, i)} playing={playing} />
          ) : (
            <button
              type="button"
              className="block w-full text-left hover:underline"
              onClick={() => playing.go(i)}
            >
              <Name frame={frame} number={numberOf(frames, i)} />
              <span className="line-clamp-2 text-ink2">{frame.text}</span>
            </button>
          )}
        </li>
      ))}
      {more > 0 && (
        <li className="relative py-3 pr-5 pl-[58px] text-ink2">
          <span
            aria-hidden
            className="absolute top-4 left-[27px] h-2.5 w-2.5 rounded-full border-[1.5px] border-ink bg-paper"
          />
          {counted(more, 'more step')}. Their names show when you get there.
        </li>
      )}
    </ol>
  );
}

/** The stations of the way: a disc for a step, a bar across for a question. */
function Mark(props: { frame: Frame; here: boolean; last: boolean; past: boolean }) {
  const { frame, here, last, past } = props;
  return (
    <>
      {!last && (
        <span
          aria-hidden
          className={`absolute top-5 bottom-[-20px] left-[31px] border-l-2 border-ink ${past ? '' : 'border-dashed opacity-50'}`}
        />
      )}
      <svg
        width={20}
        height={20}
        viewBox="-10 -10 20 20"
        aria-hidden
        className="absolute top-2.5 left-[22px]"
      >
        {here && <circle r={8.5} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.5} />}
        {frame.kind === 'question' ? (
          <rect x={-2} y={-6} width={4} height={12} fill="var(--ink)" />
        ) : (
          <circle
            r={4.6}
            fill={frame.kind === 'takenBack' ? 'var(--paper)' : 'var(--ink)'}
            stroke="var(--ink)"
            strokeWidth={1.5}
          />
        )}
      </svg>
    </>
  );
}

function Name({ frame, number }: { frame: Frame; number: number }) {
  return (
    <span className="condensed flex items-center gap-2">
      {number > 0 && <span className="text-ink2">{number}</span>}
      <b className="min-w-0 flex-1 truncate font-semibold">{titleOf(frame)}</b>
      <span className="flex items-center gap-0.5">
        {frame.brought.slice(0, MOST_MARKS).map((b, i) => (
          <FindingMark key={i} kind={b.kind} severity={b.severity} title={b.title} size={14} />
        ))}
        {frame.brought.length > MOST_MARKS && (
          <span className="text-[12px]">+{frame.brought.length - MOST_MARKS}</span>
        )}
      </span>
    </span>
  );
}

function Open(props: { frame: Frame; number: number; playing: Playing }) {
  const { frame, playing } = props;
  if (frame.kind !== 'question') {
    return (
      <>
        <Name frame={frame} number={props.number} />
        <p className="whitespace-pre-wrap" data-testid="caption">
          {frame.text}
        </p>
        {frame.did && <p className="condensed mt-1 text-[13px] text-ink2">{frame.did}</p>}
      </>
    );
  }
  return (
    <>
      <Name frame={frame} number={props.number} />
      <p className="text-[17px] leading-6 font-semibold" data-testid="question">
        {frame.text}
      </p>
      {playing.isOpen && (
        <p
          className="mt-2 border-t border-ink pt-2 whitespace-pre-wrap"
          data-testid="answer"
          role="status"
        >
          {frame.answer}
        </p>
      )}
      <div className="mt-2.5 flex gap-2">
        {playing.isOpen ? (
          <>
            <Button size="small" shortcut="→" onClick={playing.stepOn}>
              Step on
            </Button>
            <Button size="small" onClick={() => playing.fold(playing.at, false)}>
              Fold the answer
            </Button>
          </>
        ) : (
          <Button size="small" shortcut="→" onClick={playing.stepOn}>
            Unfold the answer
          </Button>
        )}
      </div>
    </>
  );
}
