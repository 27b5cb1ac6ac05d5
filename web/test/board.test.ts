import { describe, expect, it } from 'vitest';
import {
  cellWords,
  having,
  mendsOf,
  sorted,
  type Board,
  type Cell,
  type Row,
} from '../src/features/board/sorting';

function cell(more: Partial<Cell>): Cell {
  return {
    state: 'notBegun',
    attempts: 0,
    submission: null,
    isLate: false,
    must: [],
    credits: null,
    isProposed: false,
    since: null,
    before: [],
    ...more,
  };
}

function row(name: string, ...cells: Partial<Cell>[]): Row {
  return { student: name, name, group: null, cells: cells.map(cell) };
}

const rows = [
  row('Ada', { state: 'accepted', attempts: 1, credits: 9 }, { state: 'late' }),
  row('Bo', { state: 'handedIn', attempts: 2, credits: 4, since: '2026-11-20' }, {}),
  row(
    'Cato',
    { state: 'tryAgain', attempts: 1, credits: 2, must: [{ kind: 'ngon', count: 5 }] },
    { state: 'handedIn', attempts: 1, since: '2026-11-10' },
  ),
];

const column = { assignment: 'a', title: 'Lid', heading: null, dueAt: null, most: 10, common: [] };
const board: Board = {
  course: 'Props',
  zone: 'UTC',
  groups: [],
  columns: [column, { ...column, assignment: 'b' }],
  rows,
  trips: [],
  students: 3,
};

const names = (some: readonly Row[]) => some.map((r) => r.name).join(' ');

describe('the order of the board', () => {
  it('is by name unless somebody says otherwise', () => {
    expect(names(sorted(board, 'name'))).toBe('Ada Bo Cato');
    expect(names(sorted(board, 'column nothing'))).toBe('Ada Bo Cato');
  });

  it('puts those first that have least, most to mend, or wait longest', () => {
    expect(names(sorted(board, 'credits'))).toBe('Cato Bo Ada');
    expect(names(sorted(board, 'mend'))).toBe('Cato Ada Bo');
    expect(names(sorted(board, 'waits'))).toBe('Cato Bo Ada');
  });

  it('in one exercise puts those first that have nothing in', () => {
    expect(names(sorted(board, 'column a'))).toBe('Cato Bo Ada');
    expect(names(sorted(board, 'column b'))).toBe('Ada Bo Cato');
  });
});

describe('what is shown', () => {
  it('is who has one state somewhere', () => {
    expect(names(having(rows, 'handedIn'))).toBe('Bo Cato');
    expect(names(having(rows, 'late'))).toBe('Ada');
    expect(names(having(rows, null))).toBe('Ada Bo Cato');
  });

  it('is told in words to who sees no signs', () => {
    const bo = rows[1]!.cells[0]!;
    expect(cellWords({ ...bo, isProposed: true, isLate: true }, column, 'handed in')).toBe(
      'handed in, attempt 2, handed in late, 4 of 10 credits, proposed',
    );
    expect(cellWords(rows[2]!.cells[0]!, column, 'try again')).toContain('5 to mend');
    expect(mendsOf(rows[2]!.cells[0]!)).toBe(5);
    expect(cellWords(cell({}), column, 'not begun')).toBe('not begun');
  });
});
