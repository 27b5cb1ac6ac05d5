import { likelyLength } from './likely';
import { atLeast, type Way } from './way';

const HEADINGS = ['normal', 'even'] as const;
const EDGES_GO = ['onwards', 'normal'] as const;

const AXES = [
  { x: 1, y: 0, z: 0 },
  { x: 0, y: 1, z: 0 },
  { x: 0, y: 0, z: 1 },
] as const;
const ALONG = ['Along X', 'Along Y', 'Along Z'] as const;

/** Of options that end with the three axes the axis; null for one before them. */
function axisOf(option: number, before: readonly string[]) {
  return AXES[option - before.length] ?? null;
}

export const EXTRUDE: readonly Way[] = [
  {
    id: 'extrude',
    name: 'Extrude',
    does: 'moves faces and puts walls where they ended: click the faces.',
    picks: ['faces'],
    fields: [
      { key: 'each', name: 'Which go together', options: ['Regions', 'Each by itself'] },
      { key: 'heading', name: 'Which way', options: ['Along the normal', 'Evenly', ...ALONG] },
      { key: 'distance', name: 'Distance', unit: 'unit' },
      { key: 'segments', name: 'Segments', unit: 'x', digits: 0 },
      { key: 'scale', name: 'End scaled', unit: '%' },
      { key: 'turn', name: 'End turned', unit: '°' },
    ],
    initial: (radius) => ({
      each: 0,
      heading: 0,
      distance: likelyLength(radius / 8),
      segments: 1,
      scale: 1,
      turn: 0,
    }),
    missing: atLeast('faces', 1, 'Choose one face or more.'),
    drawn: { key: 'distance', from: 'normal', label: 'Extrude along the normal' },
    change: (c, v) => ({
      tool: 'extrude',
      faces: [...c.faces],
      each: v.each === 1,
      by: {
        heading: HEADINGS[v.heading ?? 0] ?? 'direction',
        direction: axisOf(v.heading ?? 0, HEADINGS),
        distance: v.distance ?? 0,
        segments: Math.round(v.segments ?? 1),
        scale: v.scale ?? 1,
        turn: v.turn ?? 0,
      },
    }),
  },
  {
    id: 'extrude-edges',
    name: 'Extrude border edges',
    does: 'lays a strip to border edges: click the edges.',
    picks: ['edges'],
    fields: [
      { key: 'way', name: 'Which way', options: ['Onwards', 'Along the normal', ...ALONG] },
      { key: 'distance', name: 'Distance', unit: 'unit' },
      { key: 'segments', name: 'Segments', unit: 'x', digits: 0 },
    ],
    initial: (radius) => ({ way: 0, distance: likelyLength(radius / 8), segments: 1 }),
    missing: atLeast('edges', 1, 'Choose one border edge or more.'),
    change: (c, v) => ({
      tool: 'extrudeEdges',
      edges: [...c.edges],
      by: {
        way: EDGES_GO[v.way ?? 0] ?? 'direction',
        direction: axisOf(v.way ?? 0, EDGES_GO),
        distance: v.distance ?? 0,
        segments: Math.round(v.segments ?? 1),
      },
    }),
  },
];
