import { NONE, never, atLeast, type Way } from './way';

export const FACE: readonly Way[] = [
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
