import type { Finding, Review } from '../../api/client';
import type { MeshBuffers, Point } from '../../mesh/MeshBuffers';
import { pick, type Picked } from '../../stage/pick';
import type { StageView } from '../../stage/StageView';

/** So many places of a finding are looked at, evenly spread: each is looked at from every side. */
const MOST_PLACES = 40;

/** Where a finding is to be seen: its place and corners of its elements. */
export function placesOf(buffers: MeshBuffers | undefined, finding: Finding): Point[] {
  if (!buffers) return [finding.place];
  const elements = evenly(finding.elements, MOST_PLACES);
  const corners = elements.flatMap((element) => {
    if (element.kind === 'vertex') return [element.id];
    if (element.kind === 'edge') return buffers.hasEdge(element.id) ? buffers.ends(element.id) : [];
    return buffers.hasFace(element.id) ? evenly([...buffers.corners(element.id)], MOST_PLACES) : [];
  });
  return [
    finding.place,
    ...evenly(corners, MOST_PLACES).map((v) => buffers.toWorld(buffers.local(v))),
  ];
}

/** At most so many of a list, evenly spread over it. */
function evenly<T>(all: readonly T[], most: number): readonly T[] {
  if (all.length <= most) return all;
  return Array.from({ length: most }, (_, i) => all[Math.floor((i * all.length) / most)]!);
}

/** Stands to a step as whoever cut it saw the model. */
export function standAt(stage: StageView | null, view: Review['views'][number] | undefined) {
  const now = stage?.cameraPlace;
  if (!stage || !now || !view) return;
  const { target } = now;
  const eye =
    view.kind === 'perspective'
      ? view.eye
      : {
          x: target.x - view.direction.x,
          y: target.y - view.direction.y,
          z: target.z - view.direction.z,
        };
  stage.flyTo(target, { eye, target });
}

/** The vertex, edge or face under a pixel. */
export function pickPlace(stage: StageView, at: { x: number; y: number }): Picked | null {
  return pick(stage, at.x, at.y, { faces: true, vertices: true, division: 0 });
}

const FLAT = 1.6;

/** Whether a form is so much wider than it is high: then stages stand one above the other. */
export function isFlat(mesh: MeshBuffers): boolean {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let v = 0; v < mesh.vertexEnd; v++) {
    if (!mesh.shown[v]) continue;
    mesh.local(v).forEach((at, axis) => {
      low[axis] = Math.min(low[axis]!, at);
      high[axis] = Math.max(high[axis]!, at);
    });
  }
  const [x, y, z] = high.map((at, axis) => at - low[axis]!);
  return Math.max(x!, y!) > FLAT * z!;
}
