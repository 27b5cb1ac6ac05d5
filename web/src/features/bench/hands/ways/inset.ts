import { atLeast, type Way } from './way';
import { likelyLength } from './likely';

export const INSET: readonly Way[] = [
  {
    id: 'inset',
    name: 'Inset',
    does: 'puts a ring of quads along the border of faces: click the faces.',
    picks: ['faces'],
    fields: [
      { key: 'each', name: 'Which go together', options: ['Regions', 'Each by itself'] },
      { key: 'outwards', name: 'Where the ring lies', options: ['Inwards', 'Outwards'] },
      { key: 'width', name: 'Width', unit: 'unit' },
      { key: 'height', name: 'Raised by', unit: 'unit' },
      { key: 'atBorder', name: 'At the border of the mesh', options: ['Ends open', 'Runs along'] },
      {
        key: 'roomy',
        name: 'Where it is too wide',
        options: ['Width as typed', 'Narrow to fit'],
      },
    ],
    initial: (radius) => ({
      each: 0,
      outwards: 0,
      width: likelyLength(radius / 20),
      height: 0,
      atBorder: 0,
      roomy: 0,
    }),
    missing: atLeast('faces', 1, 'Choose one face or more.'),
    drawn: { key: 'width', from: 'edge', label: 'How wide', isWidth: true },
    change: (c, v) => ({
      tool: 'inset',
      faces: [...c.faces],
      each: v.each === 1,
      margin: {
        width: v.width ?? 0,
        height: v.height ?? 0,
        outwards: v.outwards === 1,
        atBorder: v.atBorder === 1,
        roomy: v.roomy === 1,
      },
    }),
  },
];
