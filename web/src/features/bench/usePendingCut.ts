import { useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useRef, useState, useSyncExternalStore } from 'react';
import { api, asProblem, type Change, type Finding } from '../../api/client';
import { queries } from '../../api/queries';
import type { GoesOn, Hand, Ground, Xy } from './hands/hand';
import { viewOf } from './hands/hand';
import { Cells } from './hands/cells';
import { elementHand } from './hands/elementHand';
import { foldHand } from './hands/foldHand';
import { loopsHand } from './hands/loopsHand';
import { mendHand, type MendGround } from './hands/mendHand';
import { outlineHand } from './hands/outlineHand';
import { straightHand } from './hands/straightHand';
import { traceHand } from './hands/traceHand';
import { sparedBy, usePreview } from './pending';
import { readAddress } from '../../ui/useAddressed';
import { isElementTool, type Tool } from './tools';
import { useMends } from './useMends';
import { NOTHING, othersOf, type ChosenControl } from './useChosen';
import type { OpenWorkpiece, WorkpieceControl } from './useWorkpiece';
import type { StageView } from '../../stage/StageView';

/** The hand of a tool; no other is made. */
function handOf(tool: Tool, ground: Ground, mend: MendGround, cells: Cells): Hand {
  switch (tool) {
    case 'trace':
      return traceHand(ground, cells.of(tool));
    case 'straight':
      return straightHand(ground, cells.of(tool));
    case 'loops':
      return loopsHand(ground, cells.of(tool));
    case 'outline':
      return outlineHand(ground, cells.of(tool));
    case 'mend':
      return mendHand(ground, mend, cells.of(tool));
    case 'fold':
      return foldHand(ground, cells.of(tool));
    default:
      return elementHand(ground, cells.of('clean'), tool);
  }
}

const DIVISIONS = [2, 3, 4, 5, 0];

/** Square to which axis the plane lies, through the middle of the form; null for none. */
export type EvenAcross = 'x' | 'y' | 'z' | null;

const EVEN: readonly EvenAcross[] = [null, 'x', 'y', 'z'];

/** A mirror is even by itself. */
function evenly(change: Change | null, axis: EvenAcross): Change | null {
  if (!change || !axis || change.tool === 'mirror' || change.tool === 'even') return change;
  return { tool: 'even', change, plane: { by: 'box', axis, at: 'middle' } };
}

/** What is to go on after the step from a revision. */
interface Going {
  then: GoesOn;
  after: number;
}

export type PendingCut = ReturnType<typeof usePendingCut>;

/**
 * The tool in hand and the change that it is about to make: what the core says of it, and what
 * clicks and keys do to it.
 */
export function usePendingCut(
  { state, mesh }: OpenWorkpiece,
  control: WorkpieceControl,
  stage: StageView | null,
  chosen: ChosenControl,
  bringIn: () => void,
  finding: Finding | null,
  nextFinding: () => void,
) {
  const [tool, setTool] = useState<Tool>(readAddress('mend') ? 'mend' : 'trace');
  const going = useRef<Going | null>(null);
  const [note, setNote] = useState<string | null>(null);
  const [division, setDivision] = useState(2);
  const ground: Ground = {
    mesh,
    stage,
    unit: state.task.unit,
    workpiece: state.id,
    revision: state.revision,
    chosen: chosen.chosen,
    choose: chosen.choose,
    scope: chosen.scope,
    hinges:
      useQuery({
        ...queries.workpieceHinges(state.id, state.revision),
        enabled: tool === 'fold',
      }).data ?? null,
    chooseMarked: state.task.isMarked ? () => void chosen.go('markedHard') : null,
    bringIn,
    division,
  };
  const mend = useMends(state, tool === 'mend', finding, chosen.hidden, nextFinding);
  const [cells] = useState(() => new Cells());
  useSyncExternalStore(cells.subscribe, cells.version);
  const hand = handOf(tool, ground, mend, cells);
  const ringEdge = hand.ring ?? -1;
  useEffect(() => {
    const ring = ringEdge >= 0 ? mesh.ringThrough(ringEdge) : null;
    stage?.light(ring?.faces ?? [], ring?.edges ?? []);
  }, [stage, mesh, ringEdge]);

  const [made, setMade] = useState<Change | null>(null);
  const [even, setEven] = useState<EvenAcross>(null);
  const view = viewOf(stage);
  const change = evenly(hand.change, even);
  const { preview, problem, current, key } = usePreview(
    state.id,
    state.revision,
    control.busy ? null : change,
    view,
    mesh.faceCount,
    state.task.tells === 'all',
    chosen.hidden,
  );

  const { reload } = control;
  useEffect(() => {
    if (problem?.status === 409) void reload();
  }, [problem, reload]);

  const canMake =
    change !== null &&
    hand.pending &&
    !hand.missing &&
    current &&
    preview !== null &&
    !preview.refusal &&
    !preview.changesNothing;

  const makeNow = async (): Promise<boolean> => {
    if (!canMake || !view) return false;
    setNote(null);
    if (!(await control.step(change, view, sparedBy(change, chosen.hidden)))) return false;
    setMade(change);
    hand.made();
    going.current = hand.then ? { then: hand.then, after: state.revision } : null;
    return true;
  };

  /** What is hidden counts as not meant: it is refused then. */
  const deleteAllBut = async (kept: readonly number[]) => {
    const faces = othersOf(kept, mesh);
    if (!view || kept.length === 0 || faces.length === 0) return;
    await control.step({ tool: 'delete', faces, edges: [], vertices: [] }, view, chosen.hidden);
  };

  // What goes on does so in the state after the cut.
  const goOn = useEffectEvent(async ({ then }: Going) => {
    const cutOff =
      state.chosen.length > 0
        ? state.chosen
        : (
            await api.choose(state.id, state.revision, 'partedOff', {
              faces: [],
              edges: [],
              vertices: [],
            })
          ).faces;
    if (cutOff.length === 0) {
      setNote('The cut parts nothing off, so there is nothing to go on with.');
    } else if (then === 'rest') {
      await deleteAllBut(cutOff);
    } else {
      chosen.choose({ ...NOTHING, faces: cutOff });
      setTool(then);
    }
  });
  const { revision } = state;
  useEffect(() => {
    const next = going.current;
    if (!next || next.after === revision) return;
    going.current = null;
    goOn(next).catch((e: unknown) => setNote(asProblem(e).message));
  }, [revision]);

  // Asked before the core has answered, a pending change is made as soon as it has, if it can be,
  // and if it is still the same: another was not asked for.
  const latest = useRef({ makeNow, key });
  const answered = useRef<() => void>(null);
  useEffect(() => {
    latest.current = { makeNow, key };
    if (change && !current) return;
    answered.current?.();
    answered.current = null;
  });
  const make = async (): Promise<boolean> => {
    if (!change || !hand.pending || hand.missing || answered.current) return false;
    if (!current) await new Promise<void>((go) => (answered.current = go));
    return latest.current.key === key && latest.current.makeNow();
  };

  return {
    tool,
    hand,
    change,
    preview: change ? preview : null,
    current,
    division,
    pending: hand.pending,
    /** What became of going on after a cut, where that is worth a word. */
    note,
    /** Across which axis each change is made with its image. */
    even,
    nextEven: () => setEven(EVEN[(EVEN.indexOf(even) + 1) % EVEN.length]!),
    offline: control.problem?.offline === true || problem?.offline === true,
    nextDivision: () =>
      setDivision(DIVISIONS[(DIVISIONS.indexOf(division) + 1) % DIVISIONS.length]!),

    take: (next: Tool) => {
      // What is chosen goes from one clean-up tool to the next; a cut that is pending does not.
      if (!isElementTool(tool)) hand.drop();
      control.forgive();
      setNote(null);
      setTool(next);
    },

    drop: () => {
      hand.drop();
      control.forgive();
    },

    /** Whether the click did anything. */
    click: (at: Xy): boolean => {
      control.forgive();
      setNote(null);
      return hand.click(at);
    },

    /** Whether it was made at once. */
    make,

    deleteAllBut,

    /** Makes the last change once more with its settings; null where there is none. */
    again: made && view ? () => void control.step(made, view, sparedBy(made, chosen.hidden)) : null,

    /** The last pending thing, without one the last step. */
    back: () => {
      if (!hand.back() && state.canUndo) void control.undo();
    },
  };
}
