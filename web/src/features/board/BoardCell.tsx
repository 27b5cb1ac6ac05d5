import { memo } from 'react';
import { FindingMark } from '../../trade/FindingMark';
import { manyOf } from '../../trade/kinds';
import { STATE_NAMES, StateSign } from '../../trade/StateSign';
import { creditText, shortNumber, waitText } from '../../ui/time';
import { cellWords, mendsOf, type Cell, type Column } from './sorting';

/** So many marks stand in a cell; where there are more, one gives way to their number. */
const MARKS = 3;

interface Props {
  cell: Cell;
  column: Column;
  chosen: boolean;
  dim: boolean;
  onChoose: () => void;
}

/** A student in an exercise: state, attempt, must-mends, credits. */
export const BoardCell = memo(function BoardCell(props: Props) {
  const { cell, column, chosen } = props;
  const words = cellWords(cell, column, STATE_NAMES[cell.state]);
  return (
    <td
      className={`h-7 border-b border-rule p-0 ${chosen ? 'bg-sheet outline-2 -outline-offset-2 outline-ink' : ''} ${props.dim ? 'opacity-35' : ''}`}
      data-chosen={chosen || undefined}
      aria-current={chosen || undefined}
      onClick={props.onChoose}
    >
      <span className="sr-only">{words}</span>
      <span
        aria-hidden
        className="grid h-[27px] cursor-default grid-cols-[16px_10px_minmax(0,1fr)_auto] items-center gap-1 pr-3 pl-2"
      >
        <span className="relative">
          <StateSign state={cell.state} />
          {cell.isLate && (
            <svg width={5} height={5} viewBox="0 0 5 5" className="absolute -top-0.5 -right-1">
              <path d="M0 2.500H5" stroke="var(--ink)" strokeWidth={2.4} />
            </svg>
          )}
        </span>
        {cell.state === 'late' ? (
          <span className="col-span-3 text-[12px] text-ink2">
            {cell.since && `${shortWait(cell.since)} late`}
          </span>
        ) : (
          <>
            <span className="text-[12px] text-ink2">{cell.attempts > 0 && cell.attempts}</span>
            <Marks cell={cell} />
            <span className={cell.state === 'accepted' ? 'font-semibold' : 'text-ink2'}>
              {cell.credits !== null && creditText(cell.credits)}
            </span>
          </>
        )}
      </span>
    </td>
  );
});

/** "5 d", "3 h": without what a day has beyond it. */
function shortWait(since: string): string {
  return waitText(since).replace(/ d .*/, ' d');
}

function Marks({ cell }: { cell: Cell }) {
  const kinds = cell.must.flatMap((k) => Array<string>(Math.min(k.count, MARKS)).fill(k.kind));
  const shown = mendsOf(cell) > MARKS ? MARKS - 1 : MARKS;
  const more = mendsOf(cell) - shown;
  return (
    <span className="flex items-center gap-0.5 text-[12px] text-ink2">
      {kinds.slice(0, shown).map((kind, i) => (
        <FindingMark key={i} kind={kind} severity="must" title={manyOf(kind)} size={11} />
      ))}
      {more > 0 && `+${shortNumber(more)}`}
    </span>
  );
}
