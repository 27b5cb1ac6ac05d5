import type { Finding } from '../api/client';

/** So many findings of a kind, alike severe, stand by themselves; more fold into one row. */
const MOST_ALONE = 3;

/** A row for findings of a kind that follow each other, folded or not. */
export interface Fold<T> {
  fold: string;
  first: T;
  count: number;
  isOpen: boolean;
}

function keyOf(f: Finding): string {
  return `${f.kind} ${f.severity}`;
}

/**
 * Rows of a list of findings, those of a kind folded where they are many.
 *
 * @param open what somebody unfolded
 * @param chosen the finding that is chosen: what it is in stands open
 */
export function foldedRows<T>(
  rows: readonly T[],
  findingOf: (row: T) => Finding,
  open: readonly string[],
  chosen: string | null,
): (T | Fold<T>)[] {
  const all: (T | Fold<T>)[] = [];
  for (let i = 0; i < rows.length;) {
    const first = findingOf(rows[i]!);
    let end = i + 1;
    while (end < rows.length && keyOf(findingOf(rows[end]!)) === keyOf(first)) end++;
    const run = rows.slice(i, end);
    if (run.length <= MOST_ALONE) {
      all.push(...run);
    } else {
      const isOpen =
        open.includes(keyOf(first)) || run.some((row) => findingOf(row).key === chosen);
      all.push({ fold: keyOf(first), first: run[0]!, count: run.length, isOpen });
      if (isOpen) all.push(...run);
    }
    i = end;
  }
  return all;
}

export function isFold<T extends object>(row: T | Fold<T>): row is Fold<T> {
  return 'fold' in row;
}
