import { useEffect } from 'react';
import { readAddress, writeAddress } from '../ui/useAddressed';
import type { CameraPlace } from './Eye';
import type { StageView } from './StageView';

const REST_MS = 400;

/** Lets the address carry from where a mesh view is seen: a link opens the same view. */
export function useCameraInAddress(stage: StageView | null) {
  useEffect(() => {
    if (!stage) return;
    const kept = parse(readAddress('view'));
    if (kept) stage.stand(kept);
    let timer: ReturnType<typeof setTimeout> | undefined;
    const unsubscribe = stage.subscribe(() => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        const place = stage.cameraPlace;
        if (place && stage.isMoved) writeAddress('view', viewText(place));
      }, REST_MS);
    });
    return () => {
      clearTimeout(timer);
      unsubscribe();
    };
  }, [stage]);
}

/** From where a mesh is seen, as the address has it. */
export function viewText({ eye, target }: CameraPlace): string {
  const numbers = [eye.x, eye.y, eye.z, target.x, target.y, target.z];
  return numbers.map((n) => Number(n.toPrecision(6))).join(',');
}

function parse(kept: string | null): CameraPlace | null {
  const n = (kept ?? '').split(',').map(Number);
  if (n.length !== 6 || !n.every(Number.isFinite)) return null;
  return {
    eye: { x: n[0]!, y: n[1]!, z: n[2]! },
    target: { x: n[3]!, y: n[4]!, z: n[5]! },
  };
}
