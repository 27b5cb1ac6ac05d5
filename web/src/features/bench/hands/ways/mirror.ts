import type { Change } from '../../../../api/client';
import { likelyLength } from './likely';
import { atLeast, never, type Field, type Values, type Way } from './way';

type Plane = Extract<Change, { tool: 'mirror' }>['plane'];

export const AXES = ['x', 'y', 'z'] as const;
const IN_BOX = ['low', 'middle', 'high'] as const;

const AXIS: Field = { key: 'axis', name: 'Square to', options: ['Across X', 'Y', 'Z'] };
const KEPT: Field = { key: 'ahead', name: 'Keep', options: ['Keep the lower', 'Keep the higher'] };
const JOIN: Field = { key: 'join', name: 'Join borders within', unit: 'unit', digits: 3 };

function initial(radius: number): Values {
  return { axis: 0, at: 1, offset: 0, ahead: 1, join: likelyLength(radius / 1000) };
}

function mirror(plane: Plane, v: Values): Change {
  return { tool: 'mirror', plane, ahead: v.ahead === 1, join: v.join ?? 0 };
}

function axisOf(v: Values) {
  return AXES[v.axis ?? 0] ?? 'x';
}

export const MIRROR: readonly Way[] = [
  {
    id: 'mirror-box',
    name: 'At the middle or a side',
    does: 'keeps one side and lays its image on the other, at the middle or a side of the form.',
    picks: [],
    fields: [
      AXIS,
      { key: 'at', name: 'Where', options: ['Lowest', 'Middle', 'Highest'] },
      KEPT,
      JOIN,
    ],
    initial,
    missing: never,
    change: (_, v) => mirror({ by: 'box', axis: axisOf(v), at: IN_BOX[v.at ?? 1] ?? 'middle' }, v),
  },
  {
    id: 'mirror-offset',
    name: 'At an offset',
    does: 'keeps one side and lays its image on the other, at an offset along an axis.',
    picks: [],
    fields: [AXIS, { key: 'offset', name: 'Offset', unit: 'unit' }, KEPT, JOIN],
    initial,
    missing: never,
    drawn: { key: 'offset', from: 'axis', label: 'Move the plane' },
    change: (_, v) => mirror({ by: 'offset', axis: axisOf(v), offset: v.offset ?? 0 }, v),
  },
  {
    id: 'mirror-edges',
    name: 'Through edges',
    does: 'keeps one side of the plane of edges and lays its image on the other: click the edges.',
    picks: ['edges'],
    fields: [{ ...KEPT, options: ['Keep one side', 'The other'] }, JOIN],
    initial,
    missing: atLeast('edges', 2, 'Choose edges of one plane, two at least.'),
    change: (c, v) => mirror({ by: 'edges', edges: [...c.edges] }, v),
  },
];
