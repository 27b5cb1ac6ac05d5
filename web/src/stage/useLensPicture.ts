import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { MeshBuffers } from '../mesh/MeshBuffers';
import { isComputed, isSmooth, type Along, type ComputedLens, type LensPicture } from './lenses';
import type { Lens, StageView } from './StageView';

/** Where what lenses show comes from: a workpiece at a revision, or a hand-in. */
export interface LensSource {
  /** Stands for the mesh as it is. */
  key: readonly unknown[];
  look: (lens: ComputedLens) => Promise<LensPicture>;
  along: (edge: number) => Promise<Along>;
  smooth: () => Promise<ArrayBuffer>;
}

export interface Looked {
  picture: LensPicture | null;
  /** The ring and the loop of the edge that is looked at. */
  along: Along | null;
  /** The lens's answer is on its way. */
  waits: boolean;
  failed: boolean;
  /** Asks once more after a failure. */
  retry: () => void;
  /** Looks at an edge; -1 for none. */
  lookAt: (edge: number) => void;
}

const HOVER_MS = 60;

/** Lets the stage show what a lens says of the mesh, and of the edge under the pointer. */
export function useLensPicture(
  stage: StageView | null,
  lens: Lens,
  mesh: MeshBuffers,
  source: LensSource,
): Looked {
  const wanted = isComputed(lens) ? lens : null;
  const asked = useQuery({
    queryKey: ['lens', ...source.key, wanted],
    queryFn: () => source.look(wanted!),
    enabled: wanted !== null,
    staleTime: Infinity,
    retry: 1,
  });
  const picture = wanted ? (asked.data ?? null) : null;
  useEffect(() => stage?.showTones(picture), [stage, mesh, picture]);

  const smooth = useQuery({
    queryKey: ['smooth', ...source.key],
    queryFn: async () => MeshBuffers.read(await source.smooth()),
    enabled: isSmooth(lens),
    staleTime: Infinity,
    gcTime: 10_000,
    retry: 1,
    // The last surface stays in view until the next step's has come.
    placeholderData: keepPreviousData,
  });
  const surface = isSmooth(lens) ? (smooth.data ?? null) : null;
  useEffect(() => stage?.showSmooth(surface, lens === 'stripes'), [stage, mesh, surface, lens]);

  const [edge, setEdge] = useState(-1);
  const [rested, setRested] = useState(-1);
  useEffect(() => {
    const rest = setTimeout(() => setRested(edge), HOVER_MS);
    return () => clearTimeout(rest);
  }, [edge]);
  const at = lens === 'flow' ? rested : -1;
  const walked = useQuery({
    queryKey: ['along', ...source.key, at],
    queryFn: () => source.along(at),
    enabled: at >= 0,
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
  const along = at >= 0 ? (walked.data ?? null) : null;
  useEffect(() => {
    if (!stage || lens !== 'flow') return;
    stage.light(along?.ring?.faces ?? [], along?.ring?.edges ?? []);
    stage.traceLoop(along?.loop?.edges ?? []);
    return () => {
      stage.light([]);
      stage.traceLoop([]);
    };
  }, [stage, lens, along]);

  return {
    picture,
    along,
    waits: (wanted !== null && asked.isPending) || (isSmooth(lens) && smooth.isPending),
    failed: (wanted !== null && asked.isError) || (isSmooth(lens) && smooth.isError),
    retry: () => void (wanted ? asked.refetch() : smooth.refetch()),
    lookAt: setEdge,
  };
}
