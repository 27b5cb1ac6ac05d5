import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Beside, Note, Schemas } from '../api/client';
import { queries } from '../api/queries';
import { MeshBuffers } from '../mesh/MeshBuffers';
import type { Ghost } from './GhostLines';

const NO_CHANGE: Beside = { sort: 'mend', change: { tool: 'mend', changes: [], says: '' } };

/**
 * The edges that a mended mesh has beside the hand-in, as lines.
 *
 * @param struck edges of the mesh that is drawn on, which go
 */
export function ghostOf(
  mended: MeshBuffers,
  edges: Schemas['EdgeChange'],
  struck: readonly number[],
): Ghost {
  const lines = edges.gone
    .filter((e) => mended.hasEdge(e))
    .flatMap((e) =>
      mended.ends(e).flatMap((v) => {
        const { x, y, z } = mended.toWorld(mended.local(v));
        return [x, y, z];
      }),
    );
  return { lines, goneEdges: [...struck] };
}

/** What a mend would leave of a hand-in, to be drawn over it; null while that is not known. */
export function useTried(submission: string, mend: Note['mend']): Ghost | null {
  const beside: Beside = mend ? { sort: 'mend', change: mend.change } : NO_CHANGE;
  const on = { enabled: mend !== null };
  const bytes = useQuery({ ...queries.besideMesh(submission, beside), ...on });
  const edges = useQuery({ ...queries.besideEdges(submission, beside), ...on });
  return useMemo(
    () =>
      mend && bytes.data && edges.data
        ? ghostOf(MeshBuffers.read(bytes.data), edges.data, edges.data.fresh)
        : null,
    [mend, bytes.data, edges.data],
  );
}
