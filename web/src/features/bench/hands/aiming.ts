import type { MeshBuffers, Point } from '../../../mesh/MeshBuffers';
import type { Picked } from '../../../stage/pick';
import type { StageView } from '../../../stage/StageView';
import type { Xy } from './hand';
import { along, angle, dot, edgeVector, length, minus, zeroNear } from './measure';

/** What the aimed place on an edge is drawn to. */
export type AimBy = 'parts' | 'distance' | 'square' | 'steps';

/** What the direction of a piece is measured against. */
export type Against = 'screen' | 'last' | 'edge';

export interface Aiming {
  by: AimBy;
  /** From the nearer end of the edge. */
  distance: number;
  /** In degrees. */
  step: number;
  against: Against;
}

export const USUAL: Aiming = { by: 'parts', distance: 10, step: 15, against: 'screen' };

export const AIM_NAMES: Record<AimBy, string> = {
  parts: 'parts of the edge',
  distance: 'distance from an end',
  square: 'a right angle',
  steps: 'steps of direction',
};

/** The piece that is being aimed: where it comes from, and what came before. */
export interface Coming {
  from: Point | null;
  before: Point | null;
  /** The direction of the edge on which it begins. */
  leaving: Point | null;
}

/** Draws an aimed place on an edge to what is asked for; others stay as they are. */
export function aimed(
  picked: Picked,
  aiming: Aiming,
  coming: Coming,
  mesh: MeshBuffers,
  unit: string,
): Picked {
  if (picked.on !== 'edge') return picked;
  const found = share(picked.id, picked.t, aiming, coming, mesh, unit);
  if (!found) return picked;
  const { t, words } = found;
  return { ...picked, t, at: along(mesh, picked.id, t), snapped: words };
}

function share(
  edge: number,
  t: number,
  { by, distance, step, against }: Aiming,
  { from, before, leaving }: Coming,
  mesh: MeshBuffers,
  unit: string,
): { t: number; words: string } | null {
  const ahead = edgeVector(mesh, edge);
  switch (by) {
    case 'parts':
      return null;
    case 'distance': {
      const part = distance / length(ahead);
      if (!(part > 0 && part < 1)) return null;
      return { t: t < 0.5 ? part : 1 - part, words: `${distance} ${unit} from the end of` };
    }
    case 'square': {
      if (!from) return null;
      const foot = dot(minus(from, along(mesh, edge, 0)), ahead) / dot(ahead, ahead);
      return foot > 0 && foot < 1 ? { t: foot, words: 'square to' } : null;
    }
    case 'steps': {
      const base = against === 'last' ? before && from && minus(from, before) : leaving;
      if (!from || !base || against === 'screen') return null;
      const turned = (share: number) => angle(base, minus(along(mesh, edge, share), from));
      const wanted = Math.round(turned(t) / step) * step;
      const found = zeroNear(t, (share) => turned(share) - wanted);
      return found === null ? null : { t: found, words: `at ${wanted}°, on` };
    }
  }
}

/** The pixel at which a piece has a direction on the screen in whole steps. */
export function stepped(stage: StageView, aiming: Aiming, coming: Coming, at: Xy): Xy {
  if (aiming.by !== 'steps' || aiming.against !== 'screen' || !coming.from) return at;
  const from = stage.project(coming.from);
  const [dx, dy] = [at.x - from.x, at.y - from.y];
  const step = (aiming.step * Math.PI) / 180;
  const turned = Math.round(Math.atan2(dy, dx) / step) * step;
  const far = dx * Math.cos(turned) + dy * Math.sin(turned);
  return { x: from.x + far * Math.cos(turned), y: from.y + far * Math.sin(turned) };
}
