import { useCallback, useMemo } from 'react';
import type { MeshBuffers } from '../mesh/MeshBuffers';
import { useAddressed } from '../ui/useAddressed';
import type { BendSettings } from './lenses';

export type BendAxis = BendSettings['along'];

const AXES: readonly BendAxis[] = ['x', 'y', 'z'];
const WAYS: readonly BendSettings['way'][] = ['bend', 'twist', 'taper'];

/** The bend that is tried, kept in the address: a quarter turn along the longest axis to begin with. */
export function useBend(mesh: MeshBuffers): [BendSettings, (settings: BendSettings) => void] {
  const [kept, keep] = useAddressed('bend');
  const usual = useMemo(() => usualFor(mesh), [mesh]);
  const settings = useMemo(() => read(kept, usual), [kept, usual]);
  const set = useCallback((s: BendSettings) => keep(written(s)), [keep]);
  return [settings, set];
}

function usualFor(mesh: MeshBuffers): BendSettings {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let v = 0; v < mesh.vertexEnd; v++) {
    if (!mesh.shown[v]) continue;
    for (let axis = 0; axis < 3; axis++) {
      const at = mesh.positions[3 * v + axis]!;
      low[axis] = Math.min(low[axis]!, at);
      high[axis] = Math.max(high[axis]!, at);
    }
  }
  const size = high.map((h, axis) => h - low[axis]!);
  const order = [...AXES].sort((a, b) => size[AXES.indexOf(b)]! - size[AXES.indexOf(a)]!);
  // Towards where it is thinnest: as one would bend a plank.
  return { way: 'bend', along: order[0]!, towards: order[2]!, amount: 90, stretch: 0.25, turn: 15 };
}

function written(s: BendSettings): string {
  return [s.way, s.along, s.towards, s.amount, s.stretch, s.turn].join('_');
}

function read(kept: string | null, usual: BendSettings): BendSettings {
  const [way, along, towards, ...rest] = (kept ?? '').split('_');
  const numbers = rest.map(Number);
  const isWhole =
    WAYS.includes(way as BendSettings['way']) &&
    AXES.includes(along as BendAxis) &&
    AXES.includes(towards as BendAxis) &&
    numbers.length === 3 &&
    numbers.every(Number.isFinite);
  if (!isWhole) return usual;
  const [amount, stretch, turn] = numbers as [number, number, number];
  return {
    way: way as BendSettings['way'],
    along: along as BendAxis,
    towards: towards as BendAxis,
    amount,
    stretch,
    turn,
  };
}
