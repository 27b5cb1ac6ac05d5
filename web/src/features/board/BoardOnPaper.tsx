import { Fragment } from 'react';
import { STATE_NAMES, StateSign } from '../../trade/StateSign';
import { creditText, wallDay } from '../../ui/time';
import { mendsOf, type Board, type Row } from './sorting';

/** So many exercises stand beside each other on a sheet. */
const ON_A_SHEET = 8;

/** The board as it is printed: a table for each few exercises, the names in each. */
export function BoardOnPaper({ board, rows }: { board: Board; rows: readonly Row[] }) {
  const starts = board.columns.map((_, i) => i).filter((i) => i % ON_A_SHEET === 0);
  return (
    <div className="hidden print:block" aria-hidden>
      {starts.map((from) => (
        <table
          key={from}
          className="condensed mb-6 w-full table-fixed break-inside-auto break-after-page last-of-type:break-after-auto"
        >
          <caption className="pb-2 text-left text-[16px] font-semibold">
            {board.course}
            {starts.length > 1 && `, ${from / ON_A_SHEET + 1} of ${starts.length}`}
          </caption>
          <thead>
            <tr className="border-b border-ink text-left align-bottom">
              <th className="w-36" />
              {board.columns.slice(from, from + ON_A_SHEET).map((column) => (
                <th key={column.assignment} className="px-1 font-semibold">
                  {column.title}
                  {column.dueAt && (
                    <span className="block text-[11px] font-normal">
                      due {wallDay(column.dueAt, board.zone)}
                    </span>
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.student} className="break-inside-avoid border-b border-rule">
                <th className="truncate pr-2 text-left font-medium">{row.name}</th>
                {row.cells.slice(from, from + ON_A_SHEET).map((cell, i) => (
                  <td key={i} className="px-1">
                    <span className="flex items-center gap-1">
                      <StateSign state={cell.state} />
                      <span className="flex-1 text-[11px]">
                        {cell.attempts > 0 && cell.attempts}
                        {mendsOf(cell) > 0 && `, ${mendsOf(cell)} to mend`}
                      </span>
                      {cell.credits !== null && (
                        <span className={cell.state === 'accepted' ? 'font-semibold' : ''}>
                          {creditText(cell.credits)}
                        </span>
                      )}
                    </span>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      ))}
      <p className="flex flex-wrap items-center gap-x-2 text-[11px]">
        {Object.entries(STATE_NAMES).map(([state, name]) => (
          <Fragment key={state}>
            <StateSign state={state as keyof typeof STATE_NAMES} /> {name}
          </Fragment>
        ))}
        <span>then attempt, must-mends, credits; bold once accepted</span>
      </p>
    </div>
  );
}
