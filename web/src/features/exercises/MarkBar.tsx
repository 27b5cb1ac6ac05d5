import { Button } from '../../ui/Button';
import { counted } from '../../ui/time';
import { HINTS, type Marking, type Mode } from './useMarking';
import type { Wanted } from './wanted';

/** What is marked, each a button that begins to mark more; and what a click does then. */
export function MarkBar(props: {
  marking: Marking;
  modes: readonly Mode[];
  wanted: Wanted;
  /** Faces that are marked, and not only places. */
  cuttable: number;
}) {
  const { marking, wanted } = props;
  const { mode, points } = marking;
  return (
    <footer className="condensed border-t border-ink px-3 py-2" data-testid="mark-bar">
      <div className="flex flex-wrap items-center gap-1">
        <span className="mr-1 text-ink2">Mark</span>
        {props.modes.map((m) => (
          <button
            key={m}
            type="button"
            aria-pressed={m === mode}
            data-mode={m}
            className={`h-[26px] rounded-ctl border px-2 text-[13px] ${m === mode ? 'border-ink bg-shoal2 font-semibold' : 'border-ctl bg-sheet hover:bg-shoal1'}`}
            onClick={() => marking.begin(m)}
          >
            {nameOf(m, wanted, props.cuttable)}
          </button>
        ))}
      </div>
      {mode && (
        <div className="mt-1.5 flex flex-wrap items-center gap-2 text-[13px]" role="status">
          <span className="min-w-0 flex-1">{HINTS[mode]}</span>
          {mode === 'draw' ? (
            <>
              <Button size="small" disabled={points.length === 0} onClick={marking.dropPoint}>
                Last point off
              </Button>
              <Button
                size="small"
                look="main"
                disabled={points.length < 2}
                onClick={marking.keepLine}
              >
                Keep the line
              </Button>
            </>
          ) : (
            <label className="flex items-center gap-1.5">
              <input
                type="checkbox"
                checked={marking.box !== undefined}
                onChange={(e) => marking.setBox(e.target.checked)}
              />
              draw a box
            </label>
          )}
          <Button size="small" onClick={marking.end}>
            Done
          </Button>
        </div>
      )}
    </footer>
  );
}

function nameOf(mode: Mode, wanted: Wanted, cuttable: number): string {
  const pieces = (lines: Wanted['lines']) =>
    lines.reduce((sum, line) => sum + line.points.length - 1, 0);
  switch (mode) {
    case 'hard':
      return wanted.hardLines.length
        ? counted(pieces(wanted.hardLines), 'hard edge')
        : 'hard edges';
    case 'covered':
      return wanted.coveredEnds.length
        ? counted(wanted.coveredEnds.length, 'covered end')
        : 'covered ends';
    case 'cuttable':
      return cuttable ? `${counted(cuttable, 'face')} may be cut` : 'faces to cut';
    case 'held':
      return wanted.held.length ? `${wanted.held.length} held still` : 'held still';
    case 'line':
      return wanted.lines.length
        ? `${counted(wanted.lines.length, 'line')} required`
        : 'required edges';
    case 'draw':
      return 'draw a line';
  }
}
