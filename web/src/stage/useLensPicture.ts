import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { ApiProblem, type Tried } from '../api/client';
import { MeshBuffers } from '../mesh/MeshBuffers';
import { readSurface, type Surface } from '../mesh/surface';
import { readWire } from '../mesh/wire';
import { useAddressed } from '../ui/useAddressed';
import { useRested } from '../ui/useRested';
import {
  isBent,
  isComputed,
  isSmooth,
  type Along,
  type AskedLens,
  type BendSettings,
  type LensPicture,
} from './lenses';
import type { Lens } from './lenses';
import type { StageView } from './StageView';
import { useBend } from './useBend';

/** Where what lenses show comes from: a workpiece at a revision, or a hand-in. */
export interface LensSource {
  /** Stands for the mesh as it is. */
  key: readonly unknown[];
  look: (lens: AskedLens) => Promise<LensPicture>;
  along: (edge: number) => Promise<Along>;
  smooth: (level: number | null) => Promise<ArrayBuffer>;
  bend: (settings: Record<string, string | number>) => Promise<Tried>;
}

/** The level of the smooth surface that is shown, and how far it goes; null until it is there. */
export interface Level {
  shown: number;
  highest: number;
  take: (level: number) => void;
}

export interface Looked {
  /** The mesh as the lens shows it. */
  mesh: MeshBuffers;
  picture: LensPicture | null;
  /** The smooth surface, where the lens shows it. */
  surface: Surface | null;
  /** The ring and the loop of the edge that is looked at. */
  along: Along | null;
  level: Level | null;
  bend: { settings: BendSettings; set: (settings: BendSettings) => void };
  /** The lens's answer is on its way. */
  waits: boolean;
  /** What went wrong; null if nothing. */
  problem: string | null;
  /** Asks once more after a failure. */
  retry: () => void;
  /** Looks at an edge; -1 for none. */
  lookAt: (edge: number) => void;
}

const REST_MS = 60;

/** Lets the stage show what a lens says of the mesh, and of the edge under the pointer. */
export function useLensPicture(
  stage: StageView | null,
  lens: Lens,
  mesh: MeshBuffers,
  source: LensSource,
): Looked {
  const wanted: AskedLens | null = isComputed(lens) || lens === 'subdivided' ? lens : null;
  const asked = useQuery({
    queryKey: ['lens', ...source.key, wanted],
    queryFn: () => source.look(wanted!),
    enabled: wanted !== null,
    staleTime: Infinity,
    retry: 1,
  });
  const bend = useBent(lens, mesh, source);
  const picture = wanted ? (asked.data ?? null) : bend.picture;
  useEffect(() => stage?.showTones(picture), [stage, mesh, picture]);

  const [keptLevel, keepLevel] = useAddressed('level');
  const level = keptLevel === null ? null : Number(keptLevel);
  const smooth = useQuery({
    queryKey: ['smooth', ...source.key, level],
    queryFn: async () => readSurface(await source.smooth(level)),
    enabled: isSmooth(lens),
    staleTime: Infinity,
    gcTime: 10_000,
    retry: 1,
    // The last surface stays in view until the next step's has come.
    placeholderData: keepPreviousData,
  });
  const surface = isSmooth(lens) ? (smooth.data ?? null) : null;
  useEffect(() => stage?.showSmooth(surface, lens === 'stripes'), [stage, mesh, surface, lens]);

  const along = useAlong(stage, lens, source);
  const failed = [
    { on: wanted !== null, query: asked },
    { on: isSmooth(lens), query: smooth },
    { on: isBent(lens), query: bend.query },
  ].filter(({ on, query }) => on && query.isError);
  return {
    mesh: bend.mesh ?? mesh,
    picture,
    surface,
    along: along.along,
    level: surface && {
      shown: surface.level,
      highest: surface.highest,
      take: (l) => keepLevel(String(l)),
    },
    bend,
    waits:
      (wanted !== null && asked.isPending) ||
      (isSmooth(lens) && smooth.isPending) ||
      (isBent(lens) && bend.query.isPending),
    problem: failed.length === 0 ? null : words(failed[0]!.query.error),
    retry: () => failed.forEach(({ query }) => void query.refetch()),
    lookAt: along.lookAt,
  };
}

function words(error: Error | null): string {
  return error instanceof ApiProblem ? error.message : 'There was no answer.';
}

function useBent(lens: Lens, mesh: MeshBuffers, source: LensSource) {
  const [settings, set] = useBend(mesh);
  const rested = useRested(settings, REST_MS);
  const query = useQuery({
    queryKey: ['bent', ...source.key, rested],
    queryFn: () => source.bend({ ...rested }),
    enabled: isBent(lens),
    staleTime: Infinity,
    gcTime: 10_000,
    retry: 1,
    // The slider moves on while the next is on its way.
    placeholderData: keepPreviousData,
  });
  const tried = isBent(lens) ? query.data : undefined;
  const bent = useMemo(
    () => (tried ? mesh.moved(readWire(tried.buffer, tried.meshAt)) : null),
    [mesh, tried],
  );
  return { settings, set, query, mesh: bent, picture: bent && tried ? tried.picture : null };
}

/** The ring and the loop of the edge that the pointer rests on. */
function useAlong(stage: StageView | null, lens: Lens, source: LensSource) {
  const [edge, lookAt] = useState(-1);
  const rested = useRested(edge, REST_MS);
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
  return { along, lookAt };
}
