import type { Schemas } from '../../api/client';

export type Board = Schemas['BoardView'];
export type Row = Schemas['BoardRow'];
export type Cell = Schemas['BoardCell'];
export type Column = Schemas['BoardColumn'];

/** By what the rows are ordered: a name, a sum over the row, or one exercise. */
export type Sort = 'name' | 'credits' | 'mend' | 'waits' | `column ${string}`;

export function mendsOf(cell: Cell): number {
  return cell.must.reduce((sum, k) => sum + k.count, 0);
}

function sum(row: Row, of: (cell: Cell) => number): number {
  return row.cells.reduce((total, cell) => total + of(cell), 0);
}

/** Since when the longest waiting of a row waits; those with nothing that waits come last. */
function waitsSince(row: Row): number {
  const times = row.cells
    .filter((cell) => cell.state === 'handedIn' && cell.since)
    .map((cell) => Date.parse(cell.since!));
  return Math.min(Number.MAX_SAFE_INTEGER, ...times);
}

const COMPARES: Record<'credits' | 'mend' | 'waits', (a: Row, b: Row) => number> = {
  credits: (a, b) => sum(a, (c) => c.credits ?? 0) - sum(b, (c) => c.credits ?? 0),
  mend: (a, b) => sum(b, mendsOf) - sum(a, mendsOf),
  waits: (a, b) => waitsSince(a) - waitsSince(b),
};

/** In one exercise those first that have least: nothing in, then by credits. */
function byColumn(at: number) {
  const rank = (row: Row) => {
    const cell = row.cells[at];
    return cell?.credits ?? (cell?.attempts ? -1 : -2);
  };
  return (a: Row, b: Row) => rank(a) - rank(b);
}

/** The rows in an order; those that are equal stay by name. */
export function sorted(board: Board, sort: Sort): readonly Row[] {
  if (sort === 'name') return board.rows;
  if (sort in COMPARES) return board.rows.toSorted(COMPARES[sort as keyof typeof COMPARES]);
  const at = board.columns.findIndex((column) => `column ${column.assignment}` === sort);
  return at < 0 ? board.rows : board.rows.toSorted(byColumn(at));
}

/** The rows that have a cell in some state; all where none is asked for. */
export function having(rows: readonly Row[], state: Cell['state'] | null): readonly Row[] {
  return state ? rows.filter((row) => row.cells.some((cell) => cell.state === state)) : rows;
}

/** A cell in a sentence, for who can't see its signs. */
export function cellWords(cell: Cell, column: Column, stateName: string): string {
  const mends = mendsOf(cell);
  const of = column.most > 0 ? ` of ${column.most}` : '';
  return [
    stateName,
    cell.attempts > 0 && `attempt ${cell.attempts}`,
    cell.isLate && 'handed in late',
    mends > 0 && `${mends} to mend`,
    cell.credits !== null && `${cell.credits}${of} credits${cell.isProposed ? ', proposed' : ''}`,
  ]
    .filter(Boolean)
    .join(', ');
}
