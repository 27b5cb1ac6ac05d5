import { scalePoint } from 'd3-scale';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { FindingMark } from '../../trade/FindingMark';
import { manyOf } from '../../trade/kinds';
import type { State } from '../../trade/StateSign';
import { creditText, wallDay } from '../../ui/time';
import { BoardCell } from './BoardCell';
import type { Board, Cell, Column, Row, Sort } from './sorting';

/** Which cell is chosen: a student's row and an exercise's column, by their ids. */
export interface At {
  student: string;
  assignment: string;
}

interface Props {
  course: string;
  board: Board;
  rows: readonly Row[];
  at: At | null;
  only: State | null;
  sort: Sort;
  onSort: (sort: Sort) => void;
  onChoose: (at: At) => void;
}

/** Students by exercises; heads, names and feet stay where they are while the rest scrolls. */
export function BoardGrid(props: Props) {
  const { board, rows, at } = props;
  const frame = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const cell = frame.current?.querySelector('[data-chosen]');
    cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [at]);
  return (
    <div
      ref={frame}
      // What scrolls must be reached by keys, too.
      tabIndex={0}
      className="min-h-0 flex-1 scroll-pt-16 overflow-auto scroll-pl-44 scroll-pb-36"
      role="region"
      aria-label="Students by exercises"
    >
      <table className="condensed w-max min-w-full border-separate border-spacing-0">
        <thead className="sticky top-0 z-20 bg-paper">
          <tr>
            <th
              scope="col"
              className="sticky left-0 z-10 w-[168px] min-w-[168px] border-b border-ink bg-paper pb-1 pl-4 text-left align-bottom font-normal text-ink2"
            >
              {rows.length === board.students
                ? `${board.students} students`
                : `${rows.length} of ${board.students} students`}
            </th>
            {board.columns.map((column, i) => (
              <ColumnHead
                key={column.assignment}
                column={column}
                zone={board.zone}
                under={board.columns[i - 1]?.heading ?? null}
                sorts={props.sort === `column ${column.assignment}`}
                onSort={() => props.onSort(`column ${column.assignment}`)}
              />
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const here = row.student === at?.student;
            return (
              <tr key={row.student} className={here ? 'bg-shoal1' : ''}>
                <th
                  scope="row"
                  className={`sticky left-0 z-10 h-7 max-w-[168px] truncate border-b border-rule text-left font-medium ${here ? 'border-l-[3px] border-l-ink bg-shoal1 pl-[13px] font-semibold' : 'bg-paper pl-4'}`}
                >
                  <Link
                    className="hover:underline"
                    to={`/classes/${props.course}/students/${row.student}`}
                  >
                    {row.name}
                  </Link>
                </th>
                {row.cells.map((cell, i) => {
                  const column = board.columns[i]!;
                  return (
                    <BoardCell
                      key={column.assignment}
                      cell={cell}
                      column={column}
                      chosen={here && column.assignment === at.assignment}
                      dim={props.only !== null && cell.state !== props.only}
                      onChoose={() =>
                        props.onChoose({ student: row.student, assignment: column.assignment })
                      }
                    />
                  );
                })}
              </tr>
            );
          })}
        </tbody>
        <tfoot className="sticky bottom-0 z-20 bg-paper">
          <tr>
            <th
              scope="row"
              className="sticky left-0 z-10 border-t border-ink bg-paper py-2 pl-4 text-left align-top text-[12px] leading-4 font-normal text-ink2"
            >
              <span className="block h-[58px]">credits, one dot a student</span>
              must-mends most common now, students with it
            </th>
            {board.columns.map((column, i) => (
              <td key={column.assignment} className="border-t border-ink px-2 py-1 align-top">
                <Spread column={column} cells={rows.map((row) => row.cells[i]!)} />
                <Common column={column} />
              </td>
            ))}
          </tr>
        </tfoot>
      </table>
    </div>
  );
}

function ColumnHead(props: {
  column: Column;
  zone: string;
  under: string | null;
  sorts: boolean;
  onSort: () => void;
}) {
  const { column } = props;
  const isNew = column.heading !== null && column.heading !== props.under;
  return (
    <th
      scope="col"
      aria-sort={props.sorts ? 'ascending' : undefined}
      className="w-[123px] min-w-[123px] border-b border-ink p-0 text-left align-bottom font-normal"
    >
      <span
        className={`block h-4 truncate border-b border-rule text-[11px] leading-[15px] text-ink2 ${isNew ? 'ml-2' : ''}`}
      >
        {isNew && column.heading}
      </span>
      <button
        type="button"
        title="Put those first that have least here"
        className="block w-full px-2 pt-1 pb-1 text-left -outline-offset-2 hover:underline"
        onClick={props.onSort}
      >
        <b className="block max-w-[107px] truncate leading-[17px] font-semibold">
          {column.title}
          {props.sorts && ' ↓'}
        </b>
        <span className="block text-[12px] leading-[15px] text-ink2">
          {column.dueAt ? `due ${wallDay(column.dueAt, props.zone)}` : 'at any time'}
        </span>
      </button>
    </th>
  );
}

const WIDE = 100;
const STEP = 4.6;

/** Credits as dots over a scale: where several are alike they stand on each other. */
function Spread({ column, cells }: { column: Column; cells: readonly Cell[] }) {
  if (column.most === 0) {
    return <p className="h-[58px] text-[12px] text-ink2">no credits</p>;
  }
  const bins = 21;
  const x = scalePoint<number>()
    .domain(Array.from({ length: bins }, (_, i) => i))
    .range([2, WIDE - 2]);
  const counts = new Map<number, number>();
  for (const cell of cells) {
    if (cell.credits === null) continue;
    const bin = Math.round((Math.min(cell.credits, column.most) / column.most) * (bins - 1));
    counts.set(bin, (counts.get(bin) ?? 0) + 1);
  }
  const most = Math.max(1, ...counts.values());
  const step = Math.min(STEP, 34 / most);
  const given = [...counts.values()].reduce((sum, n) => sum + n, 0);
  return (
    <svg
      width={WIDE + 6}
      height={58}
      viewBox={`-3 0 ${WIDE + 6} 58`}
      role="img"
      aria-label={spreadWords(column, cells)}
    >
      {[...counts].map(([bin, n]) =>
        Array.from({ length: n }, (_, k) => (
          <circle key={`${bin} ${k}`} cx={x(bin)} cy={36 - k * step} r={2.1} fill="var(--ink)" />
        )),
      )}
      <path
        d={`M0 40.500H${WIDE}M.500 40V43M${WIDE / 2} 40V43M${WIDE - 0.5} 40V43`}
        stroke="var(--ctl)"
      />
      <text x={0} y={55} fontSize={12} fill="var(--ink2)">
        0
      </text>
      <text x={WIDE} y={55} fontSize={12} textAnchor="end" fill="var(--ink2)">
        of {creditText(column.most)}
      </text>
      {given === 0 && (
        <text x={0} y={30} fontSize={12} fill="var(--ink2)">
          none yet
        </text>
      )}
    </svg>
  );
}

function spreadWords(column: Column, cells: readonly Cell[]): string {
  const credits = cells
    .flatMap((c) => (c.credits === null ? [] : [c.credits]))
    .toSorted((a, b) => a - b);
  if (credits.length === 0) return `${column.title}: no credits yet`;
  const middle = credits[Math.floor(credits.length / 2)]!;
  return `${column.title}: ${credits.length} students have ${creditText(credits[0]!)} to ${creditText(credits.at(-1)!)} of ${creditText(column.most)}, the middle one ${creditText(middle)}`;
}

function Common({ column }: { column: Column }) {
  if (column.common.length === 0) {
    return <p className="h-[57px] text-[13px] leading-[19px]">nothing standing</p>;
  }
  return (
    <ul className="h-[57px]">
      {column.common.map((k) => (
        <li key={k.kind} className="flex h-[19px] w-[107px] items-center gap-1.5 text-[13px]">
          <FindingMark kind={k.kind} severity="must" title={manyOf(k.kind)} size={11} />
          <span className="min-w-0 flex-1 truncate">{manyOf(k.kind)}</span>
          <span className="text-ink2">{k.count}</span>
        </li>
      ))}
    </ul>
  );
}
