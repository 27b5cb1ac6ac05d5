import { useCallback, useEffect, useState } from 'react';
import type { View } from '../../api/client';
import { pick, type Picked } from '../../stage/pick';
import type { StageView } from '../../stage/StageView';
import {
  anchorOf,
  finished,
  keepPoints,
  keptPoints,
  loopsOf,
  traceOf,
  usePreview,
  type PendingLoop,
  type PendingPoint,
  type Tool,
} from './pending';
import type { OpenWorkpiece, WorkpieceControl } from './useWorkpiece';

const DIVISIONS = [2, 3, 4, 5, 0];

export type PendingCut = ReturnType<typeof usePendingCut>;

interface Place {
  x: number;
  y: number;
}

/**
 * The tool in hand and the cut that it is about to make: what is aimed at, what is placed, what the
 * core says of it; and what clicks and keys do to it.
 */
export function usePendingCut(
  { state, mesh, version }: OpenWorkpiece,
  control: WorkpieceControl,
  stage: StageView | null,
) {
  const [tool, setTool] = useState<Tool>('trace');
  const [points, setPoints] = useState<PendingPoint[]>(() => keptPoints(state.id, state.revision));
  const [loop, setLoop] = useState<PendingLoop | null>(null);
  const [atCentre, setAtCentre] = useState(true);
  const [division, setDivision] = useState(2);
  const [hover, setHover] = useState<Picked | null>(null);
  const [note, setNote] = useState<string | null>(null);

  useEffect(() => {
    keepPoints(state.id, state.revision, points);
  }, [state.id, state.revision, points]);

  const view: View | null = stage?.cameraPlace
    ? { kind: 'perspective', eye: stage.cameraPlace.eye }
    : null;
  const ready = finished(points);
  const hovered: PendingLoop | null =
    tool === 'loops' && !loop && hover?.on === 'edge'
      ? { edge: hover.id, fraction: atCentre ? 0.5 : inside(hover.t) }
      : null;
  const shownLoop = loop ?? hovered;
  const traced = ready >= 2 ? traceOf(points.slice(0, ready)) : null;
  const change = tool === 'trace' ? traced : shownLoop ? loopsOf(shownLoop) : null;
  const { preview, problem, current } = usePreview(
    state.id,
    state.revision,
    control.busy ? null : change,
    view,
  );
  const pending = tool === 'trace' ? points.length > 0 : loop !== null;

  const { reload } = control;
  useEffect(() => {
    if (problem?.status === 409) void reload();
  }, [problem, reload]);

  // The ring lights up at once, from the table; where the loop will lie comes from the core.
  const ringEdge = shownLoop && !(current && preview?.refusal) ? shownLoop.edge : -1;
  useEffect(() => {
    const ring = ringEdge >= 0 ? mesh.ringThrough(ringEdge) : null;
    stage?.light(ring?.faces ?? [], ring?.edges ?? []);
  }, [stage, mesh, ringEdge, version]);

  const aim = useCallback(
    (at: Place | null): Picked | null =>
      at && stage
        ? pick(stage, at.x, at.y, {
            faces: tool === 'trace',
            vertices: tool === 'trace',
            division: tool === 'trace' ? division : 0,
          })
        : null,
    [stage, tool, division],
  );

  const drop = () => {
    setPoints([]);
    setLoop(null);
    setNote(null);
    control.forgive();
  };

  return {
    tool,
    points,
    loop,
    atCentre,
    division,
    hover,
    ready,
    change,
    preview,
    current,
    pending,
    drop,
    setLoop,
    offline: control.problem?.offline === true || problem?.offline === true,
    /** Why it can't be made yet, in words. */
    missing: missingOf(tool, points, ready) ?? note,
    point: (at: Place | null) => setHover(aim(at)),
    toggleCentre: () => setAtCentre(!atCentre),
    nextDivision: () =>
      setDivision(DIVISIONS[(DIVISIONS.indexOf(division) + 1) % DIVISIONS.length]!),

    take: (next: Tool) => {
      drop();
      setTool(next);
    },

    /** Whether the click did anything. */
    click: (at: Place): boolean => {
      const picked = aim(at);
      if (!picked || !stage?.cameraPlace) return false;
      control.forgive();
      if (tool === 'loops') {
        if (picked.on === 'edge') {
          setLoop({ edge: picked.id, fraction: atCentre ? 0.5 : inside(picked.t) });
        }
        return true;
      }
      if (picked.on === 'face' && points.length === 0) {
        setNote('A trace begins on a vertex or on an edge, not inside a face.');
        return true;
      }
      setNote(null);
      const sight: View = { kind: 'perspective', eye: stage.cameraPlace.eye };
      setPoints([...points, { anchor: anchorOf(picked), view: sight, at: picked.at }]);
      return true;
    },

    /** Whether it was made. */
    make: async (): Promise<boolean> => {
      if (!change || !view || !pending || !current) return false;
      if (!preview || preview.refusal || preview.changesNothing) return false;
      if (tool === 'trace' && ready < points.length) return false;
      if (!(await control.step(change, view))) return false;
      drop();
      setHover(null);
      return true;
    },

    /** The last pending point, without one the last step. */
    back: () => {
      if (tool === 'loops' && loop) setLoop(null);
      else if (tool === 'trace' && points.length > 0) setPoints(points.slice(0, -1));
      else if (state.canUndo) void control.undo();
    },
  };
}

function missingOf(tool: Tool, points: readonly PendingPoint[], ready: number): string | null {
  if (tool !== 'trace' || points.length === 0) return null;
  if (points.length < 2) return 'Add a second point on a vertex or an edge.';
  return ready < points.length
    ? 'The last point lies inside a face: go on to a vertex or an edge.'
    : null;
}

/** A fraction that is surely between the ends. */
function inside(t: number): number {
  return Math.min(0.999, Math.max(0.001, t));
}
