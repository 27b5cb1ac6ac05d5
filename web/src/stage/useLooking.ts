import { useState } from 'react';
import type { MeshBuffers } from '../mesh/MeshBuffers';
import { isBent, isComputed, lensKeys, type Lens } from './lenses';
import { edgeAt } from './pick';
import type { StageView } from './StageView';
import { useCameraInAddress } from './useCameraInAddress';
import { useLens } from './useLens';
import { useLensPicture, type LensSource } from './useLensPicture';

export type Looking = ReturnType<typeof useLooking>;

/**
 * A mesh that is looked at through a lens, wherever that is: the stage, the lens and the camera in
 * the address, what the core tells of the lens, and the keys that all this has in common.
 *
 * @param usual the lens where the address names none
 * @param allowed lenses that may be looked through; null: all
 */
export function useLooking(
  usual: Lens,
  mesh: MeshBuffers,
  source: LensSource,
  allowed: readonly Lens[] | null = null,
) {
  const [stage, setStage] = useState<StageView | null>(null);
  const [named, take] = useLens(usual);
  const lens = allowed && !allowed.includes(named) ? usual : named;
  const setLens = (next: Lens) => {
    if (!allowed || allowed.includes(next)) take(next);
  };
  useCameraInAddress(stage);
  const looked = useLensPicture(stage, lens, mesh, source);
  const viewAll = () => stage?.fit();
  const turnAround = () => stage?.fit(stage.azimuth + 180, 20);
  return {
    stage,
    setStage,
    lens,
    setLens,
    looked,
    viewAll,
    turnAround,
    /** The form is bent for a look: nothing can be picked on it. */
    bent: isBent(lens),
    /** Whether the mesh is seen as it is, so that marks are where it says. */
    plain: !isComputed(lens) && !isBent(lens),
    /** What lies under the pointer, for lenses that tell of it. */
    follow: (at: { x: number; y: number } | null) => {
      if (lens === 'flow') looked.lookAt(at && stage ? edgeAt(stage, at) : -1);
    },
    keys: { ...lensKeys(setLens), v: viewAll, x: turnAround },
  };
}
