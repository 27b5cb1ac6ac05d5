import { likelyLength } from './likely';
import { atLeast, type Way } from './way';

const ENDS = ['narrow', 'wall'] as const;

export const GROOVE: readonly Way[] = [
  {
    id: 'groove',
    name: 'Groove',
    does: 'makes a channel of edges, or with a depth below 0 a seam: click the edges.',
    picks: ['edges'],
    fields: [
      { key: 'width', name: 'Width', unit: 'unit' },
      { key: 'floor', name: 'Floor, of the width', unit: '%', digits: 0 },
      { key: 'depth', name: 'Depth', unit: 'unit' },
      { key: 'across', name: 'Floor', options: ['Floor of one quad', 'Of two'] },
      { key: 'end', name: 'Ends', options: ['Ends narrow', 'End in a wall'] },
      {
        key: 'runOn',
        name: 'Rims past a wall',
        options: ['Rims stop', 'Rims run on'],
        counts: (v) => v.end === 1,
      },
      { key: 'toEnds', name: 'Where it ends', options: ['Ends as chosen', 'At loop ends'] },
      { key: 'roomy', name: 'Where it is too wide', options: ['Refuse too wide', 'Make it fit'] },
    ],
    initial: (radius) => ({
      width: likelyLength(radius / 12),
      floor: 1,
      depth: likelyLength(radius / 30),
      across: 0,
      end: 0,
      runOn: 0,
      toEnds: 0,
      roomy: 0,
    }),
    missing: atLeast('edges', 1, 'Choose one edge or more.'),
    drawn: { key: 'width', from: 'edge', label: 'How wide', factor: 2, isWidth: true },
    change: (c, v) => ({
      tool: 'groove',
      edges: [...c.edges],
      channel: {
        width: v.width ?? 0,
        floor: (v.width ?? 0) * (v.floor ?? 1),
        depth: v.depth ?? 0,
        across: v.across === 1 ? 2 : 1,
        end: ENDS[v.end ?? 0] ?? 'narrow',
        runOn: v.runOn === 1,
        toEnds: v.toEnds === 1,
        roomy: v.roomy === 1,
      },
    }),
  },
];
