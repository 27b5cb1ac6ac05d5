import { NONE, never, atLeast, type Way } from './way';

const AT = ['first', 'last', 'middle'] as const;

export const WELD: readonly Way[] = [
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
