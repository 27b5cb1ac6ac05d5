import { useEffect, useRef } from 'react';
import { api } from '../../api/client';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import type { Lens, StageView } from '../../stage/StageView';

/** Keeps the smooth surface of the present cage on the stage while a lens asks for it. */
export function useSmooth(
  stage: StageView | null,
  lens: Lens,
  workpiece: string,
  revision: number,
  onFail: () => void,
) {
  const failed = useRef(onFail);
  useEffect(() => {
    failed.current = onFail;
  });
  const wanted = lens === 'subdivided' || lens === 'stripes';
  useEffect(() => {
    if (!stage || !wanted) {
      stage?.showSmooth(null, false);
      return;
    }
    let here = true;
    const read = async () => {
      const smooth = MeshBuffers.read(await api.workpieceSmooth(workpiece));
      if (here) stage.showSmooth(smooth, lens === 'stripes');
    };
    // Without an answer there is no such surface to see: back to the lens that needs none.
    read().catch(() => here && failed.current());
    return () => {
      here = false;
    };
  }, [stage, wanted, lens, workpiece, revision]);
}
