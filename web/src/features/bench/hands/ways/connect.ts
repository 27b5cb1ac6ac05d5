import { NONE, atLeast, type Way } from './way';

export const CONNECT: readonly Way[] = [
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
