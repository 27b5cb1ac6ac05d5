import type { ReactNode } from 'react';
import type { Change, Preview, Schemas, View } from '../../../api/client';
import type { MeshBuffers } from '../../../mesh/MeshBuffers';
import type { Picked } from '../../../stage/pick';
import type { StageView } from '../../../stage/StageView';
import type { Chosen } from '../useChosen';

export type Scope = Schemas['Scope'];

/** A place on the stage, in pixels. */
export interface Xy {
  x: number;
  y: number;
}

/** What every tool in hand works on. */
export interface Ground {
  mesh: MeshBuffers;
  stage: StageView | null;
  unit: string;
  /** Names the state that ids belong to. */
  workpiece: string;
  revision: number;
  chosen: Chosen;
  choose: (chosen: Chosen) => void;
  scope: Scope;
  /** The hinges about which the mesh was folded last; null while they are not known. */
  hinges: Schemas['HingesView'] | null;
  /** Chooses the edges that the exercise marks as hard, as well; null where it marks none. */
  chooseMarked: (() => void) | null;
  /** Asks for a part from elsewhere. */
  bringIn: () => void;
  /** Into how many parts edges are divided for aiming; 0 for none. */
  division: number;
}

/** What goes on with the faces that a cut parts off: a tool with them chosen, or all others go. */
export type GoesOn = 'inset' | 'extrude' | 'pieces' | 'rest';

export interface Hint {
  lead: string;
  rest: string;
}

/**
 * A tool in hand: what it is about to do, and what clicks and keys do to that. It is made anew, of
 * the ground and of what its cells hold, whenever one of them changes.
 */
export interface Hand {
  /** Whether a change of it is pending. */
  pending: boolean;
  /** What is asked of the core, pending or only aimed at. */
  change: Change | null;
  /** Why it can't be made yet, in words. */
  missing: string | null;
  /** What is under the pointer. */
  hover: Picked | null;
  /** The edge whose ring lights up. */
  ring?: number;
  /** Whether a drag with the left button draws instead of turning. */
  draws?: 'stroke';
  point: (at: Xy | null) => void;
  /** Whether the click did anything. */
  click: (at: Xy) => boolean;
  stroke?: (path: readonly Xy[]) => void;
  /** Takes the last thing back; false if there was none. */
  back: () => boolean;
  drop: () => void;
  /** Whether it stays as it is after the change is made, to be used again. */
  made: () => void;
  /** What goes on with the faces that the change leaves chosen, or that its line parts off. */
  then?: GoesOn | null;
  hint: (preview: Preview | null) => Hint;
  /** What keys of its own do, for the line under the view. */
  keys: readonly { key: string; does: string; act: () => void }[];
  drawing: (preview: Preview | null) => ReactNode;
  slip: (preview: Preview | null) => ReactNode;
}

/** How the stage sees the model now. */
export function viewOf(stage: StageView | null): View | null {
  const place = stage?.cameraPlace;
  return place ? { kind: 'perspective', eye: place.eye } : null;
}
