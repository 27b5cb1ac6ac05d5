import { useState, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { MeshPicture } from '../../trade/MeshPicture';

type Row = Schemas['Row'];

/** Some hand-ins, of which any can be left out. */
export function usePicks(rows: readonly Row[]) {
  const [out, setOut] = useState<readonly string[]>([]);
  return {
    /** Those that are not left out. */
    some: rows.filter((row) => !out.includes(row.id)),
    isTaken: (row: Row) => !out.includes(row.id),
    take: (row: Row, taken: boolean) =>
      setOut(taken ? out.filter((id) => id !== row.id) : [...out, row.id]),
  };
}

/** Hand-ins with their pictures, each taken or left out. */
export function PickGrid(props: {
  rows: readonly Row[];
  picks: ReturnType<typeof usePicks>;
  /** What stands below each. */
  below?: (row: Row) => ReactNode;
}) {
  const { rows, picks, below } = props;
  return (
    <ul className="grid grid-cols-3 gap-2">
      {rows.map((row) => (
        <li key={row.id}>
          <label className={`block ${picks.isTaken(row) ? '' : 'opacity-60'}`}>
            <MeshPicture
              submission={row.id}
              size="row"
              of={`${row.exercise} by ${row.student}`}
              report={row.report}
            />
            <span className="condensed mt-0.5 flex items-center gap-1.5">
              <input
                type="checkbox"
                checked={picks.isTaken(row)}
                onChange={(e) => picks.take(row, e.target.checked)}
              />
              <span className="truncate">{row.student}</span>
            </span>
          </label>
          {below?.(row)}
        </li>
      ))}
    </ul>
  );
}
