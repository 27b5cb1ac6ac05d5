import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { queries } from '../../api/queries';
import { BoardHead } from '../../trade/BoardHead';
import type { State } from '../../trade/StateSign';
import { Select } from '../../ui/Select';
import { Empty, Failure, Loading, StaleBand } from '../../ui/States';
import { useAddressed } from '../../ui/useAddressed';
import { useKeys } from '../../ui/useKeys';
import { BoardGrid, type At } from './BoardGrid';
import { BoardOnPaper } from './BoardOnPaper';
import { BoardSide } from './BoardSide';
import { having, sorted, type Board as BoardData, type Row, type Sort } from './sorting';

/** The class board: how far everybody is with everything. */
export function Board({ course }: { course: string }) {
  const [group, setGroup] = useAddressed('group');
  const board = useQuery(queries.board(course, group));
  if (board.error && !board.data)
    return <Failure error={board.error} onRetry={() => void board.refetch()} />;
  if (!board.data) return <Loading stage="Reading the term" />;
  return (
    <>
      {board.error && <StaleBand onRetry={() => void board.refetch()} />}
      <Whole course={course} board={board.data} group={group} onGroup={setGroup} />
    </>
  );
}

const SORTS: readonly (readonly [Sort, string])[] = [
  ['name', 'Sort: name'],
  ['waits', 'Sort: longest waiting'],
  ['mend', 'Sort: most to mend'],
  ['credits', 'Sort: least credits'],
];

function Whole(props: {
  course: string;
  board: BoardData;
  group: string | null;
  onGroup: (group: string | null) => void;
}) {
  const { course, board } = props;
  const navigate = useNavigate();
  const [sort, setSort] = useAddressed('sort');
  const [only, setOnly] = useAddressed('only');
  const [at, setAt] = useAt();
  const order = (sort ?? 'name') as Sort;
  const state = only as State | null;
  const rows = having(sorted(board, order), state);
  const chosen = chosenOf(board, rows, at);
  const move = (down: number, right: number) => {
    const next = moved(board, rows, at, down, right);
    if (next) setAt(next);
  };
  const review = () => {
    if (chosen?.cell.submission) void navigate(`/review/${chosen.cell.submission}`);
  };
  useKeys({
    ArrowDown: () => move(1, 0),
    ArrowUp: () => move(-1, 0),
    ArrowRight: () => move(0, 1),
    ArrowLeft: () => move(0, -1),
    Home: () => move(0, -Infinity),
    End: () => move(0, Infinity),
    Enter: review,
  });
  const onColumn = order.startsWith('column ')
    ? board.columns.find((c) => `column ${c.assignment}` === order)
    : undefined;
  return (
    <>
      <div className="flex h-full max-lg:flex-col max-lg:overflow-y-auto print:hidden">
        <div className="flex min-h-0 min-w-0 flex-1 flex-col max-lg:min-h-[560px]">
          <BoardHead
            course={course}
            at="board"
            groups={board.groups}
            group={props.group}
            onGroup={props.onGroup}
            tables={[['board', 'Board']]}
          >
            <Select
              label="Order of the students"
              value={order}
              options={onColumn ? [...SORTS, [order, `Sort: least in ${onColumn.title}`]] : SORTS}
              onChange={(v) => setSort(v === 'name' ? null : v)}
            />
          </BoardHead>
          <Inside
            {...{ course, board, rows, at, state, order }}
            onSort={(s) => setSort(s === order || s === 'name' ? null : s)}
            onAll={() => setOnly(null)}
            onChoose={setAt}
          />
        </div>
        <BoardSide
          course={course}
          board={board}
          chosen={chosen}
          only={state}
          onOnly={setOnly}
          onReview={review}
        />
      </div>
      <BoardOnPaper board={board} rows={rows} />
    </>
  );
}

function Inside(props: {
  course: string;
  board: BoardData;
  rows: readonly Row[];
  at: At | null;
  state: State | null;
  order: Sort;
  onSort: (sort: Sort) => void;
  onAll: () => void;
  onChoose: (at: At) => void;
}) {
  const { board, rows } = props;
  if (board.students === 0) {
    return <Empty title="Nobody is here yet.">Bring your students in: People, in the head.</Empty>;
  }
  if (board.columns.length === 0) {
    return <Empty title="Nothing is set yet.">An exercise that is set and open stands here.</Empty>;
  }
  if (rows.length === 0) {
    return (
      <Empty title="Nobody has this.">
        <button type="button" className="underline" onClick={props.onAll}>
          Show everybody
        </button>
      </Empty>
    );
  }
  return (
    <BoardGrid
      course={props.course}
      board={board}
      rows={rows}
      at={props.at}
      only={props.state}
      sort={props.order}
      onSort={props.onSort}
      onChoose={props.onChoose}
    />
  );
}

/** The chosen cell, in the address. */
function useAt(): [At | null, (at: At) => void] {
  const [value, setValue] = useAddressed('at');
  const [student, assignment] = (value ?? '').split(' ');
  return [
    student && assignment ? { student, assignment } : null,
    (at) => setValue(`${at.student} ${at.assignment}`),
  ];
}

function chosenOf(board: BoardData, rows: readonly Row[], at: At | null) {
  const row = rows.find((r) => r.student === at?.student);
  const i = board.columns.findIndex((c) => c.assignment === at?.assignment);
  const column = board.columns[i];
  const cell = row?.cells[i];
  return row && column && cell ? { row, column, cell } : null;
}

/** Where one comes from a cell; from none to the first. */
function moved(
  board: BoardData,
  rows: readonly Row[],
  at: At | null,
  down: number,
  right: number,
): At | null {
  const row = rows.findIndex((r) => r.student === at?.student);
  const column = board.columns.findIndex((c) => c.assignment === at?.assignment);
  const begins = row < 0 || column < 0;
  const clamp = (n: number, count: number) => Math.min(Math.max(n, 0), count - 1);
  const student = rows[begins ? 0 : clamp(row + down, rows.length)]?.student;
  const assignment =
    board.columns[begins ? 0 : clamp(column + right, board.columns.length)]?.assignment;
  return student && assignment ? { student, assignment } : null;
}
