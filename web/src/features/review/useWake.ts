import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import type { Beside, Review } from '../../api/client';
import { queries } from '../../api/queries';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { msOf, type Speed } from '../../trade/SpeedChoice';

/**
 * The hand-in as it was after one of its steps, and all of them played one after the other.
 *
 * @param onStep a step is shown: 0 is the starter, as many as there are what was handed in
 */
export function useWake(review: Review, final: MeshBuffers, onStep: (at: number) => void) {
  const { steps } = review;
  const last = steps.length;
  const [at, setAt] = useState(last);
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<Speed>('1x');
  const client = useQueryClient();
  const bytes = useQuery({
    ...queries.besideMesh(review.id, besideAt(steps, at)),
    enabled: at < last,
  });
  const mesh = useMemo(
    () => (at < last && bytes.data ? MeshBuffers.read(bytes.data) : null),
    [at, last, bytes.data],
  );
  const go = (to: number) => {
    const next = Math.max(0, Math.min(last, to));
    setAt(next);
    onStep(next);
  };
  const there = at === last || mesh !== null;
  const onward = useEffectEvent(() => {
    if (at >= last) setPlaying(false);
    else go(at + 1);
  });
  useEffect(() => {
    if (!playing || !there) return;
    const timer = setTimeout(onward, msOf(speed));
    return () => clearTimeout(timer);
  }, [playing, there, at, speed]);
  useEffect(() => {
    // The next is fetched while this one is looked at.
    if (playing && at + 1 < last)
      void client.prefetchQuery(queries.besideMesh(review.id, besideAt(steps, at + 1)));
  }, [client, playing, at, last, review.id, steps]);
  return {
    /** Which step is shown. */
    at,
    last,
    /** The mesh to be shown: of the step, or what was handed in while that is on its way. */
    mesh: mesh ?? final,
    /** Whether a step before the last is shown. */
    isPast: at < last && mesh !== null,
    go,
    playing,
    speed,
    setSpeed,
    toggle: () => {
      if (last === 0) return;
      if (!playing && at >= last) go(0);
      setPlaying(!playing);
    },
    stop: () => setPlaying(false),
  };
}

export type Wake = ReturnType<typeof useWake>;

function besideAt(steps: Review['steps'], at: number): Beside {
  const step = steps[at - 1];
  return step ? { sort: 'step', which: String(step.id) } : { sort: 'starter', which: '0' };
}
