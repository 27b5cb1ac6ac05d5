import type { Field, Way } from './way';

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

export const CAP: readonly Way[] = [
  cap('grid', 'Grid', 'grid', GRID),
  cap('rings', 'Rings and grid', 'rings', [
    { key: 'rings', name: 'Rings', unit: 'x', digits: 0 },
    { key: 'inner', name: 'Innermost', unit: '%' },
    ...GRID,
  ]),
];
