import { useEffect } from 'react';
import type { StageView } from './StageView';

/** Lets two views turn, pan and zoom together, whichever of them a hand is on. */
export function useTogether(one: StageView | null, other: StageView | null) {
  useEffect(() => {
    if (!one || !other) return;
    let follows = false;
    const follow = (from: StageView, to: StageView) => () => {
      const place = from.cameraPlace;
      if (follows || !place || isThere(to, place)) return;
      follows = true;
      to.stand(place);
      follows = false;
    };
    follow(one, other)();
    const ends = [one.subscribe(follow(one, other)), other.subscribe(follow(other, one))];
    return () => ends.forEach((end) => end());
  }, [one, other]);
}

function isThere(view: StageView, place: NonNullable<StageView['cameraPlace']>): boolean {
  const at = view.cameraPlace;
  if (!at) return true;
  const near = 1e-6 * view.modelRadius;
  return (['eye', 'target'] as const).every((end) =>
    (['x', 'y', 'z'] as const).every((axis) => Math.abs(at[end][axis] - place[end][axis]) < near),
  );
}
