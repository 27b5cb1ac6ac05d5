import { useState } from 'react';
import { api, type Schemas } from '../../api/client';
import type { Point } from '../../mesh/MeshBuffers';
import { inside, pick, type Picked } from '../../stage/pick';
import type { StageView } from '../../stage/StageView';
import type { EditorControl } from './useEditor';

type Sort = Schemas['MarkRequest']['sort'];

/** What a click marks; `draw`: the points of a line. */
export type Mode = Sort | 'draw';

type Xy = { x: number; y: number };

const KINDS: Record<Sort, 'edges' | 'vertices' | 'faces'> = {
  hard: 'edges',
  line: 'edges',
  covered: 'vertices',
  held: 'vertices',
  cuttable: 'faces',
};

/** What is said while a click marks. */
export const HINTS: Record<Mode, string> = {
  hard: 'Click an edge that is to count as hard; once more takes the mark off.',
  covered: 'Click the vertex in the middle of an end that something will cover.',
  cuttable: 'Click each face that may be cut. All others are locked on the bench.',
  held: 'Click a vertex that is to stay where it is.',
  line: 'Click edges along which an edge is to run; once more takes one off.',
  draw: 'Click from place to place, on vertices, edges or faces; then keep the line.',
};

export type Marking = ReturnType<typeof useMarking>;

/**
 * Marks on the stage: a click or a box names elements, and the core marks them.
 *
 * @param on hash of the reference that is shown; null: the starter
 */
export function useMarking(control: EditorControl, stage: StageView | null, on: string | null) {
  const [mode, setMode] = useState<Mode | null>(null);
  const [box, setBox] = useState(false);
  const [hover, setHover] = useState<Picked | null>(null);
  const [points, setPoints] = useState<readonly Point[]>([]);
  const { data, draft, act, change } = control;

  const mark = (sort: Sort, ids: readonly number[]) => {
    if (ids.length === 0) return;
    void act(
      (revision) => api.mark(data.id, { revision, sort, reference: on, ids: [...ids] }),
      true,
      true,
    );
  };
  const picked = (at: Xy) => (stage && mode ? pick(stage, at.x, at.y, OPTIONS[mode]) : null);
  const end = () => {
    setMode(null);
    setPoints([]);
    setHover(null);
  };
  return {
    mode,
    box: mode && mode !== 'draw' && box ? ('box' as const) : undefined,
    hover,
    points,
    begin: (next: Mode) => {
      end();
      if (next !== mode) setMode(next);
    },
    end,
    setBox,
    point: (at: Xy | null) => setHover(at ? picked(at) : null),
    click: (at: Xy) => {
      const found = picked(at);
      if (!found || !mode) return;
      if (mode === 'draw') setPoints([...points, found.at]);
      else mark(mode, [found.id]);
    },
    drawn: (path: readonly Xy[]) => {
      if (stage && mode && mode !== 'draw') mark(mode, inside(stage, path, KINDS[mode]));
    },
    keepLine: () => {
      const lines = [...draft.wanted.lines, { points: [...points] }];
      change({ wanted: { ...draft.wanted, lines } });
      setPoints([]);
    },
    dropPoint: () => setPoints(points.slice(0, -1)),
  };
}

const EDGES = { faces: false, vertices: false, division: 0 };
const VERTICES = { faces: false, vertices: true, edges: false, division: 0 };

const OPTIONS = {
  hard: EDGES,
  line: EDGES,
  covered: VERTICES,
  held: VERTICES,
  cuttable: { faces: true, vertices: false, edges: false, division: 0 },
  draw: { faces: true, vertices: true, division: 2 },
};
