import { atLeast, never, NONE, type Way } from './way';

export const PIECES: readonly Way[] = [
  {
    id: 'part-faces',
    name: 'Part faces off',
    does: 'makes faces a piece of their own: click the faces.',
    picks: ['faces'],
    fields: [],
    initial: NONE,
    missing: atLeast('faces', 1, 'Choose one face or more.'),
    change: (c) => ({ tool: 'part', faces: [...c.faces], edges: [] }),
  },
  {
    id: 'part-edges',
    name: 'Cut along edges',
    does: 'parts the surface along edges: click the edges.',
    picks: ['edges'],
    fields: [],
    initial: NONE,
    missing: atLeast('edges', 1, 'Choose one edge or more.'),
    change: (c) => ({ tool: 'part', faces: [], edges: [...c.edges] }),
  },
  {
    id: 'rejoin',
    name: 'Rejoin',
    does: 'joins all borders that lie on one another.',
    picks: [],
    fields: [],
    initial: NONE,
    missing: never,
    change: () => ({ tool: 'rejoin', edges: [] }),
  },
];
