import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, type Change } from '../api/client';
import { readSurface } from '../mesh/surface';
import { isSmooth } from './lenses';
import type { Looking } from './useLooking';

/**
 * Where a lens shows the smooth surface, shows it as it would be after a change that is pending.
 *
 * @param change null for none
 */
export function usePendingSmooth(
  looking: Looking,
  workpiece: string,
  revision: number,
  change: Change | null,
) {
  const { stage, lens, looked } = looking;
  const { surface, level } = looked;
  const on = change !== null && isSmooth(lens);
  const shown = level?.shown ?? null;
  const after = useQuery({
    queryKey: ['smooth-after', workpiece, revision, change, shown],
    queryFn: async () => readSurface(await api.smoothAfter(workpiece, revision, change!, shown)),
    enabled: on && shown !== null,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: false,
    placeholderData: keepPreviousData,
  });
  const pending = on ? (after.data ?? null) : null;
  useEffect(() => {
    if (!stage || !pending) return;
    stage.showSmooth(pending, lens === 'stripes');
    return () => stage.showSmooth(surface, lens === 'stripes');
  }, [stage, pending, surface, lens]);
}
