import { useCallback, useRef } from 'react';
import { useAddressed } from '../ui/useAddressed';
import { LENSES } from './lenses';
import type { Lens } from './lenses';

/**
 * The lens of a mesh view, kept in the address. The one that is on, taken again, goes back to the one
 * before it, so that two are switched to and fro with one key.
 */
export function useLens(first: Lens): [Lens, (lens: Lens) => void] {
  const [kept, keep] = useAddressed('lens');
  const lens = LENSES.find((l) => l.lens === kept)?.lens ?? first;
  const before = useRef<Lens>('clay');
  const take = useCallback(
    (next: Lens) => {
      const goesBack = next === lens;
      const last = before.current;
      before.current = lens;
      keep(goesBack ? last : next);
    },
    [lens, keep],
  );
  return [lens, take];
}
