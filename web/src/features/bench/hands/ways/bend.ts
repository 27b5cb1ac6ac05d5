import type { Change } from '../../../../api/client';
import { AXES } from './mirror';
import { never, type Field, type Values, type Way } from './way';

type Bow = Extract<Change, { tool: 'bend' }>['bow'];

const HELD = ['low', 'middle', 'high'] as const;

const AXIS: Field = { key: 'axis', name: 'Along', options: ['Along X', 'Y', 'Z'] };
const LIMITS: readonly Field[] = [
  { key: 'limited', name: 'Limits', options: ['The whole length', 'Between limits'] },
  { key: 'low', name: 'From', unit: 'unit', counts: (v) => v.limited === 1 },
  { key: 'high', name: 'To', unit: 'unit', counts: (v) => v.limited === 1 },
  { key: 'held', name: 'What stays', options: ['Low stays', 'Middle', 'High'] },
];

/** What bends by degrees, and what tapers by a share. */
function initial(amount: number) {
  return (radius: number): Values => ({
    axis: 0,
    towards: 0,
    limited: 0,
    low: -radius,
    high: radius,
    held: 1,
    amount,
  });
}

function bend(way: Bow['way'], v: Values): Change {
  const axis = v.axis ?? 0;
  // Towards the one or the other of the two other axes.
  const towards = AXES[(axis + 1 + (v.towards ?? 0)) % AXES.length]!;
  return {
    tool: 'bend',
    vertices: [],
    bow: {
      way,
      axis: AXES[axis]!,
      towards,
      low: v.limited === 1 ? (v.low ?? 0) : null,
      high: v.limited === 1 ? (v.high ?? 0) : null,
      held: HELD[v.held ?? 1] ?? 'middle',
      amount: v.amount ?? 0,
    },
  };
}

export const BEND: readonly Way[] = [
  {
    id: 'bend',
    name: 'Bend',
    does: 'bends the form along an axis, by an angle from limit to limit.',
    picks: [],
    fields: [
      AXIS,
      { key: 'towards', name: 'Towards', options: ['To the next axis', 'To the third'] },
      { key: 'amount', name: 'Angle', unit: '\u00b0' },
      ...LIMITS,
    ],
    initial: initial(90),
    missing: never,
    change: (_, v) => bend('bend', v),
  },
  {
    id: 'twist',
    name: 'Twist',
    does: 'twists the form about an axis, by an angle from limit to limit.',
    picks: [],
    fields: [AXIS, { key: 'amount', name: 'Angle', unit: '\u00b0' }, ...LIMITS],
    initial: initial(90),
    missing: never,
    change: (_, v) => bend('twist', v),
  },
  {
    id: 'taper',
    name: 'Taper',
    does: 'tapers the form along an axis: one end loses a share of its width.',
    picks: [],
    fields: [AXIS, { key: 'amount', name: 'Width lost', unit: '%' }, ...LIMITS],
    initial: initial(0.5),
    missing: never,
    change: (_, v) => bend('taper', v),
  },
];
