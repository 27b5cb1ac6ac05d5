import type { Change } from '../../../api/client';
import type { MeshBuffers } from '../../../mesh/MeshBuffers';
import { verticesOf, type Chosen, type Kind } from '../useChosen';
import type { Scope } from './hand';
import { ORIGIN } from './measure';

export type CleanTool = 'lift' | 'weld' | 'connect' | 'face' | 'cap' | 'slide' | 'move';
export type Values = Record<string, number>;

/** A number in the slip; with options one of several. */
export interface Field {
  key: string;
  name: string;
  unit?: 'unit' | '%' | '°' | 'x';
  digits?: number;
  options?: readonly string[];
}

export interface Rail {
  first: number;
  towards: number;
}

interface Context {
  mesh: MeshBuffers;
  scope: Scope;
  rail: Rail | null;
}

/** One of the things that a clean-up tool does. */
export interface Way {
  id: string;
  name: string;
  /** In a sentence, for the line under the view. */
  does: string;
  /** What kinds of element clicks choose; none where it works on the whole mesh. */
  picks: readonly Kind[];
  fields: readonly Field[];
  initial: (radius: number) => Values;
  missing: (chosen: Chosen, mesh: MeshBuffers, rail: Rail | null) => string | null;
  change: (chosen: Chosen, values: Values, context: Context) => Change | null;
  vertices?: (chosen: Chosen, mesh: MeshBuffers) => number[];
  /** How a slide measures its way. */
  slides?: 'fraction' | 'length' | 'fromEnd';
}

const NONE = () => ({});
const never = () => null;

function atLeast(kind: Kind, count: number, words: string): Way['missing'] {
  return (chosen) => (chosen[kind].length < count ? words : null);
}

function someVertices(count: number, words: string): Way['missing'] {
  return (chosen, mesh) => (verticesOf(chosen, mesh).length < count ? words : null);
}

const LIFT: readonly Way[] = [
  {
    id: 'lift',
    name: 'Lift',
    does: 'takes edges or vertices out, the faces heal: click the edges or vertices.',
    picks: ['edges', 'vertices'],
    fields: [{ key: 'ends', name: 'Straight ends', options: ['Ends stay', 'Straight ends go'] }],
    initial: () => ({ ends: 1 }),
    missing: (c) => (c.edges.length + c.vertices.length ? null : 'Choose edges or vertices.'),
    change: (c, v) => ({
      tool: 'lift',
      edges: [...c.edges],
      vertices: [...c.vertices],
      straightEnds: v.ends === 1,
    }),
  },
  {
    id: 'delete',
    name: 'Delete',
    does: 'takes elements out and leaves a hole: click faces, edges or vertices.',
    picks: ['faces', 'edges', 'vertices'],
    fields: [],
    initial: NONE,
    missing: (c) =>
      c.faces.length + c.edges.length + c.vertices.length ? null : 'Choose what shall go.',
    change: (c) => ({
      tool: 'delete',
      faces: [...c.faces],
      edges: [...c.edges],
      vertices: [...c.vertices],
    }),
  },
  {
    id: 'looseParts',
    name: 'Loose parts out',
    does: 'takes out every edge and vertex that is in no face.',
    picks: [],
    fields: [],
    initial: NONE,
    missing: never,
    change: () => ({ tool: 'looseParts' }),
  },
];

const AT = ['first', 'last', 'middle'] as const;

const WELD: readonly Way[] = [
  {
    id: 'weld',
    name: 'Weld',
    does: 'makes one vertex of several: click the vertices.',
    picks: ['vertices'],
    fields: [{ key: 'at', name: 'Where', options: ['At first', 'At last', 'Middle'] }],
    initial: () => ({ at: 0 }),
    missing: atLeast('vertices', 2, 'Choose at least two vertices.'),
    change: (c, v) => ({ tool: 'weld', vertices: [...c.vertices], at: AT[v.at ?? 0] ?? 'first' }),
  },
  {
    id: 'collapse',
    name: 'Collapse edges',
    does: 'draws edges together into their middles: click the edges.',
    picks: ['edges'],
    fields: [],
    initial: NONE,
    missing: atLeast('edges', 1, 'Choose edges.'),
    change: (c) => ({ tool: 'collapse', edges: [...c.edges] }),
  },
  {
    id: 'weldNear',
    name: 'By distance',
    does: 'welds all vertices nearer to each other than a distance.',
    picks: [],
    fields: [{ key: 'distance', name: 'Nearer than', unit: 'unit', digits: 4 }],
    initial: (radius) => ({ distance: Number((radius * 1e-4).toPrecision(1)) }),
    missing: never,
    change: (_, v, { scope }) => ({ tool: 'weldNear', distance: v.distance ?? 0, scope }),
  },
];

const CONNECT: readonly Way[] = [
  {
    id: 'connect',
    name: 'Connect',
    does: 'joins vertices by edges, in the order in which you click them.',
    picks: ['vertices'],
    fields: [],
    initial: NONE,
    missing: atLeast('vertices', 2, 'Choose at least two vertices.'),
    change: (c, _, { scope }) => ({ tool: 'connect', vertices: [...c.vertices], scope }),
  },
  {
    id: 'split',
    name: 'Split edges',
    does: 'puts a vertex into edges: click the edges.',
    picks: ['edges'],
    fields: [{ key: 't', name: 'At this share', unit: '%' }],
    initial: () => ({ t: 0.5 }),
    missing: atLeast('edges', 1, 'Choose edges.'),
    change: (c, v) => ({ tool: 'split', edges: [...c.edges], t: v.t ?? 0.5 }),
  },
  {
    id: 'turn',
    name: 'Turn edges',
    does: 'turns edges within the two faces at each: click the edges.',
    picks: ['edges'],
    fields: [],
    initial: NONE,
    missing: atLeast('edges', 1, 'Choose edges.'),
    change: (c) => ({ tool: 'turn', edges: [...c.edges] }),
  },
];

const FACE: readonly Way[] = [
  {
    id: 'face',
    name: 'Face',
    does: 'lays a face, or a strip between two runs, over border edges: click the edges.',
    picks: ['edges'],
    fields: [],
    initial: NONE,
    missing: atLeast('edges', 2, 'Choose at least two border edges.'),
    change: (c) => ({ tool: 'face', edges: [...c.edges] }),
  },
  {
    id: 'flip',
    name: 'Flip faces',
    does: 'lets faces look the other way: click the faces.',
    picks: ['faces'],
    fields: [],
    initial: NONE,
    missing: atLeast('faces', 1, 'Choose faces.'),
    change: (c) => ({ tool: 'flip', faces: [...c.faces] }),
  },
  {
    id: 'unify',
    name: 'Unify directions',
    does: 'lets all faces look the same way as most of their neighbours.',
    picks: [],
    fields: [],
    initial: NONE,
    missing: never,
    change: (_, __, { scope }) => ({ tool: 'unify', scope }),
  },
];

function cap(id: string, name: string, form: 'grid' | 'rings', fields: readonly Field[]): Way {
  return {
    id,
    name,
    does: 'fills a hole, or a face with many sides, with quads: click its border or the face; then, if you like, the corner where the grid begins.',
    picks: ['edges', 'faces', 'vertices'],
    fields,
    initial: () => ({ along: 0, start: 0, rings: 1, inner: 0.6 }),
    missing: (c) =>
      c.edges.length + c.faces.length ? null : 'Click the border of a hole, or a face.',
    change: (c, v) => ({
      tool: 'cap',
      plan: {
        face: c.faces.at(-1) ?? null,
        edge: c.faces.length ? null : (c.edges.at(-1) ?? null),
        form,
        along: Math.round(v.along ?? 0),
        start: Math.round(v.start ?? 0),
        rings: Math.round(v.rings ?? 1),
        inner: v.inner ?? 0.6,
        corner: c.vertices.at(-1) ?? null,
      },
    }),
  };
}

const GRID: readonly Field[] = [
  { key: 'along', name: 'Quads along (0: even)', unit: 'x', digits: 0 },
  { key: 'start', name: 'Corners further on', unit: 'x', digits: 0 },
];

const CAP: readonly Way[] = [
  cap('grid', 'Grid', 'grid', GRID),
  cap('rings', 'Rings and grid', 'rings', [
    { key: 'rings', name: 'Rings', unit: 'x', digits: 0 },
    { key: 'inner', name: 'Innermost', unit: '%' },
    ...GRID,
  ]),
];

function slide(
  id: string,
  name: string,
  measure: 'fraction' | 'length' | 'fromEnd',
  field: Field,
  first: (radius: number) => number,
): Way {
  return {
    id,
    name,
    does: 'slides vertices along edges: choose them, then click an edge that leads away.',
    picks: ['vertices', 'edges'],
    fields: [field],
    initial: (radius) => ({ amount: first(radius) }),
    missing: (chosen, mesh, rail) =>
      verticesOf(chosen, mesh).length === 0
        ? 'Choose vertices or edges.'
        : rail
          ? null
          : 'Now click an edge that leads away from one of them.',
    change: (chosen, v, { mesh, rail }) =>
      rail && {
        tool: 'slide',
        vertices: verticesOf(chosen, mesh),
        ...rail,
        amount: v.amount ?? 0,
        measure,
      },
    vertices: verticesOf,
    slides: measure,
  };
}

const SLIDE: readonly Way[] = [
  slide('share', 'By share', 'fraction', { key: 'amount', name: 'Share', unit: '%' }, () => 0.25),
  slide(
    'length',
    'By length',
    'length',
    { key: 'amount', name: 'Distance', unit: 'unit' },
    (radius) => Number((radius / 30).toPrecision(2)),
  ),
  slide(
    'fromEnd',
    'From the far side',
    'fromEnd',
    { key: 'amount', name: 'Distance left', unit: 'unit' },
    (radius) => Number((radius / 30).toPrecision(2)),
  ),
];

const ONE = { x: 1, y: 1, z: 1 };
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
    fields,
    initial: () => initial,
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

const MOVE: readonly Way[] = [
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
    ],
    { degrees: 0, axis: 2 },
    (v) => ({ degrees: v.degrees ?? 0, axis: AXES[v.axis ?? 2] ?? AXES[2]! }),
  ),
  motion(
    'scale',
    'Scale',
    [
      { key: 'x', name: 'Along X', unit: '%' },
      { key: 'y', name: 'Along Y', unit: '%' },
      { key: 'z', name: 'Along Z', unit: '%' },
    ],
    { x: 1, y: 1, z: 1 },
    (v) => ({ scale: { x: v.x ?? 1, y: v.y ?? 1, z: v.z ?? 1 } }),
  ),
  {
    id: 'relax',
    name: 'Relax',
    does: 'evens the distances out within the surface: click vertices, edges or faces.',
    picks: ANY,
    fields: [
      { key: 'rounds', name: 'Rounds', unit: 'x', digits: 0 },
      { key: 'strength', name: 'Strength', unit: '%' },
    ],
    initial: () => ({ rounds: 5, strength: 0.5 }),
    missing: someVertices(1, 'Choose vertices, edges or faces.'),
    change: (chosen, v, { mesh }) => ({
      tool: 'relax',
      vertices: verticesOf(chosen, mesh),
      rounds: Math.round(v.rounds ?? 5),
      strength: v.strength ?? 0.5,
    }),
  },
];

export const WAYS: Record<CleanTool, readonly Way[]> = {
  lift: LIFT,
  weld: WELD,
  connect: CONNECT,
  face: FACE,
  cap: CAP,
  slide: SLIDE,
  move: MOVE,
};
