import { NONE, never, type Way } from './way';

export const LIFT: readonly Way[] = [
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
