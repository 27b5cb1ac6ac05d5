import { useAddressed } from '../ui/useAddressed';
import { LENSES } from './lenses';
import type { Lens } from './StageView';

/** The lens of a mesh view, kept in the address. */
export function useLens(first: Lens): [Lens, (lens: Lens) => void] {
  const [kept, keep] = useAddressed('lens');
  return [LENSES.find((l) => l.lens === kept)?.lens ?? first, keep];
}
