import { verticesOf } from '../../useChosen';
import type { Field, Way } from './way';

function slide(
  id: string,
  name: string,
  measure: 'fraction' | 'length' | 'fromEnd',
  field: Field,
  first: (radius: number) => number,
): Way {
  return {
    id,
    name,
    does: 'slides vertices along edges: choose them, then click an edge that leads away.',
    picks: ['vertices', 'edges'],
    fields: [field],
    initial: (radius) => ({ amount: first(radius) }),
    missing: (chosen, mesh, rail) =>
      verticesOf(chosen, mesh).length === 0
        ? 'Choose vertices or edges.'
        : rail
          ? null
          : 'Now click an edge that leads away from one of them.',
    change: (chosen, v, { mesh, rail }) =>
      rail && {
        tool: 'slide',
        vertices: verticesOf(chosen, mesh),
        ...rail,
        amount: v.amount ?? 0,
        measure,
      },
    vertices: verticesOf,
    slides: measure,
  };
}

export const SLIDE: readonly Way[] = [
  slide('share', 'By share', 'fraction', { key: 'amount', name: 'Share', unit: '%' }, () => 0.25),
  slide(
    'length',
    'By length',
    'length',
    { key: 'amount', name: 'Distance', unit: 'unit' },
    (radius) => Number((radius / 30).toPrecision(2)),
  ),
  slide(
    'fromEnd',
    'From the far side',
    'fromEnd',
    { key: 'amount', name: 'Distance left', unit: 'unit' },
    (radius) => Number((radius / 30).toPrecision(2)),
  ),
];
