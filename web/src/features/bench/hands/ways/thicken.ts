import type { Change } from '../../../../api/client';
import { likelyLength } from './likely';
import { atLeast, never, type Field, type Values, type Way } from './way';

const SIDES = ['inwards', 'outwards', 'middle'] as const;

const FIELDS: readonly Field[] = [
  { key: 'thickness', name: 'Thickness', unit: 'unit' },
  { key: 'side', name: 'Where it lies', options: ['Inwards', 'Outwards', 'About it'] },
  { key: 'segments', name: 'Quads across rims', unit: 'x', digits: 0 },
];

function initial(radius: number): Values {
  return { thickness: likelyLength(radius / 20), side: 0, segments: 1 };
}

function thicken(faces: readonly number[], v: Values): Change {
  return {
    tool: 'thicken',
    faces: [...faces],
    shell: {
      thickness: v.thickness ?? 0,
      side: SIDES[v.side ?? 0] ?? 'inwards',
      segments: Math.round(v.segments ?? 1),
    },
  };
}

export const THICKEN: readonly Way[] = [
  {
    id: 'thicken-parts',
    name: 'Parts',
    does: 'makes a shell of the parts of faces: click a face of each.',
    picks: ['faces'],
    fields: FIELDS,
    initial,
    missing: atLeast('faces', 1, 'Choose a face of each part.'),
    drawn: { key: 'thickness', from: 'normal', label: 'How thick', isWidth: true },
    change: (c, v) => thicken(c.faces, v),
  },
  {
    id: 'thicken-all',
    name: 'The whole form',
    does: 'makes a shell of all parts.',
    picks: [],
    fields: FIELDS,
    initial,
    missing: never,
    change: (_, v) => thicken([], v),
  },
];
