import { useAddressed } from '../ui/useAddressed';
import type { Lens } from './StageView';

const LENSES: readonly Lens[] = ['clay', 'sides', 'subdivided', 'stripes'];

/** The lens of a mesh view, kept in the address. */
export function useLens(first: Lens): [Lens, (lens: Lens) => void] {
  const [kept, keep] = useAddressed('lens');
  return [LENSES.find((lens) => lens === kept) ?? first, keep];
}
