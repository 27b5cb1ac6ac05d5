import { likelyLength } from './likely';
import { atLeast, never, type Field, type Values, type Way } from './way';
import type { Change } from '../../../../api/client';

type Holding = Extract<Change, { tool: 'support' }>['holding'];

const SIDES = ['both', 'one', 'other'] as const;

const LINE_FIELDS: readonly Field[] = [
  { key: 'distance', name: 'Distance', unit: 'unit' },
  { key: 'through', name: 'At corners', options: ['Lines turn', 'Straight through'] },
  { key: 'side', name: 'Sides', options: ['Both sides', 'One', 'The other'] },
  { key: 'roomy', name: 'Where it is too wide', options: ['Refuse too wide', 'Make it fit'] },
];

const STRIP_FIELDS: readonly Field[] = [
  { key: 'distance', name: 'Width to each side', unit: 'unit' },
  { key: 'segments', name: 'Segments', unit: 'x', digits: 0 },
  { key: 'profile', name: 'Profile', unit: '%', digits: 0 },
  { key: 'toEnds', name: 'Where it ends', options: ['Ends as chosen', 'At loop ends'] },
  { key: 'roomy', name: 'Where it is too wide', options: ['Refuse too wide', 'Make it fit'] },
];

const ANGLE: Field = { key: 'over', name: 'Turn by over', unit: '\u00b0', digits: 0 };

function initial(radius: number): Values {
  return {
    distance: likelyLength(radius / 20),
    through: 0,
    side: 0,
    segments: 2,
    profile: 0.5,
    toEnds: 0,
    roomy: 0,
    over: 60,
  };
}

function lines(v: Values): Holding {
  return { ...strip(v), way: 'loops', segments: 2 };
}

function strip(v: Values): Holding {
  return {
    way: 'bevel',
    distance: v.distance ?? 0,
    side: SIDES[v.side ?? 0] ?? 'both',
    through: v.through === 1,
    segments: Math.round(v.segments ?? 1),
    profile: v.profile ?? 0.5,
    toEnds: v.toEnds === 1,
    roomy: v.roomy === 1,
  };
}

const DRAWN = {
  key: 'distance',
  from: 'edge',
  label: 'How far from the edge',
  isWidth: true,
} as const;
const ONE_EDGE = atLeast('edges', 1, 'Choose one edge or more.');

export const SUPPORT: readonly Way[] = [
  {
    id: 'support-lines',
    name: 'Lines beside',
    does: 'lays a line on each side of edges, and the form stays: click the edges.',
    picks: ['edges'],
    fields: LINE_FIELDS,
    initial,
    missing: ONE_EDGE,
    drawn: DRAWN,
    change: (c, v) => ({ tool: 'support', edges: [...c.edges], over: null, holding: lines(v) }),
  },
  {
    id: 'support-strip',
    name: 'Strip in place',
    does: 'puts a strip in the place of edges, straight or round: click the edges.',
    picks: ['edges'],
    fields: STRIP_FIELDS,
    initial,
    missing: ONE_EDGE,
    drawn: DRAWN,
    change: (c, v) => ({ tool: 'support', edges: [...c.edges], over: null, holding: strip(v) }),
  },
  {
    id: 'support-lines-all',
    name: 'Lines at every turn',
    does: 'lays lines beside all edges at which the form turns.',
    picks: [],
    fields: [ANGLE, ...LINE_FIELDS],
    initial,
    missing: never,
    change: (c, v) => ({
      tool: 'support',
      edges: [...c.edges],
      over: v.over ?? 60,
      holding: lines(v),
    }),
  },
  {
    id: 'support-strip-all',
    name: 'Strips at every turn',
    does: 'puts strips in the place of all edges at which the form turns.',
    picks: [],
    fields: [ANGLE, ...STRIP_FIELDS],
    initial,
    missing: never,
    change: (c, v) => ({
      tool: 'support',
      edges: [...c.edges],
      over: v.over ?? 60,
      holding: strip(v),
    }),
  },
];
