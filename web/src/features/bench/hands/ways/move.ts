import type { Change } from '../../../../api/client';
import { verticesOf, type Kind } from '../../useChosen';
import { ORIGIN } from '../measure';
import { likelyLength } from './likely';
import { someVertices, type Field, type Values, type Way } from './way';

const ONE = { x: 1, y: 1, z: 1 };
const PULL: readonly Field[] = [
  {
    key: 'pull',
    name: 'What is about them',
    options: ['Stays', 'Pulled over the surface', 'Pulled through the air'],
  },
  { key: 'reach', name: 'Within', unit: 'unit', counts: (v) => (v.pull ?? 0) > 0 },
];
const ANY: readonly Kind[] = ['vertices', 'edges', 'faces'];

function motion(
  id: string,
  name: string,
  fields: readonly Field[],
  initial: Values,
  of: (v: Values) => Partial<Motion>,
): Way {
  return {
    id,
    name,
    does: `${name.toLowerCase()}s what is chosen, by its grips or by number: click vertices, edges or faces.`,
    picks: ANY,
    fields: [...fields, ...PULL],
    initial: (radius) => ({ pull: 0, reach: likelyLength(radius / 4), ...initial }),
    missing: someVertices(1, 'Choose vertices, edges or faces.'),
    change: (chosen, v, { mesh }) => ({
      tool: 'move',
      vertices: verticesOf(chosen, mesh),
      motion: {
        by: ORIGIN,
        along: 0,
        axis: { x: 0, y: 0, z: 1 },
        degrees: 0,
        scale: ONE,
        pivot: null,
        ...of(v),
      },
      pull: v.pull ? { radius: v.reach ?? 0, overSurface: v.pull === 1 } : null,
    }),
    vertices: verticesOf,
  };
}

type Motion = Extract<Change, { tool: 'move' }>['motion'];
const AXES = [
  { x: 1, y: 0, z: 0 },
  { x: 0, y: 1, z: 0 },
  { x: 0, y: 0, z: 1 },
];

export const MOVE: readonly Way[] = [
  motion(
    'move',
    'Move',
    [
      { key: 'x', name: 'Along X', unit: 'unit' },
      { key: 'y', name: 'Along Y', unit: 'unit' },
      { key: 'z', name: 'Along Z', unit: 'unit' },
      { key: 'n', name: 'Along normals', unit: 'unit' },
      { key: 'grid', name: 'Drawn in steps of', unit: 'unit' },
    ],
    { x: 0, y: 0, z: 0, n: 0, grid: 0 },
    (v) => ({ by: { x: v.x ?? 0, y: v.y ?? 0, z: v.z ?? 0 }, along: v.n ?? 0 }),
  ),
  motion(
    'turn',
    'Turn',
    [
      { key: 'degrees', name: 'By', unit: '°' },
      { key: 'axis', name: 'About', options: ['X', 'Y', 'Z'] },
      { key: 'grid', name: 'Drawn in steps of', unit: '°' },
    ],
    { degrees: 0, axis: 2, grid: 15 },
    (v) => ({ degrees: v.degrees ?? 0, axis: AXES[v.axis ?? 2] ?? AXES[2]! }),
  ),
  motion(
    'scale',
    'Scale',
    [
      { key: 'x', name: 'Along X', unit: '%' },
      { key: 'y', name: 'Along Y', unit: '%' },
      { key: 'z', name: 'Along Z', unit: '%' },
      { key: 'grid', name: 'Drawn in steps of', unit: '%' },
    ],
    { x: 1, y: 1, z: 1, grid: 0 },
    (v) => ({ scale: { x: v.x ?? 1, y: v.y ?? 1, z: v.z ?? 1 } }),
  ),
  {
    id: 'relax',
    name: 'Relax',
    does: 'evens the distances out within the surface: click vertices, edges or faces.',
    picks: ANY,
    fields: [
      { key: 'way', name: 'What comes out even', options: ['Distances', 'Run of loops'] },
      { key: 'rounds', name: 'Rounds', unit: 'x', digits: 0 },
      { key: 'strength', name: 'Strength', unit: '%' },
    ],
    initial: () => ({ way: 0, rounds: 5, strength: 0.5 }),
    missing: someVertices(1, 'Choose vertices, edges or faces.'),
    change: (chosen, v, { mesh }) => ({
      tool: 'relax',
      vertices: verticesOf(chosen, mesh),
      rounds: Math.round(v.rounds ?? 5),
      strength: v.strength ?? 0.5,
      way: v.way === 1 ? 'flow' : 'even',
    }),
  },
];
