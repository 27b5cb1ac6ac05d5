import type { Point } from '../mesh/MeshBuffers';
import { useStage } from './stageContext';

/** A ring round the place that is looked at on another view of the same thing. */
export function PlaceRing({ place }: { place: Point }) {
  const stage = useStage();
  const p = stage.project(place);
  if (!p.ahead) return null;
  const opacity = stage.isHidden(place) ? 0.4 : 1;
  return (
    <g fill="none" opacity={opacity} data-testid="place-ring">
      <circle cx={p.x} cy={p.y} r={13} stroke="var(--sheet)" strokeWidth={5} />
      <circle cx={p.x} cy={p.y} r={13} stroke="var(--ink)" strokeWidth={1.6} />
    </g>
  );
}
