import { BufferAttribute, BufferGeometry } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import type { MeshBuffers } from '../mesh/MeshBuffers';
import type { Lens } from './lenses';

const NGON_WASH = [0.659, 0.224, 0.059, 0.2] as const;
const TRIANGLE_WASH = [0.478, 0.322, 0, 0.25] as const;
const NO_WASH = [0, 0, 0, 0] as const;

function washOf(size: number, lens: Lens): readonly [number, number, number, number] {
  if (lens !== 'sides' || size === 4) return NO_WASH;
  return size === 3 ? TRIANGLE_WASH : NGON_WASH;
}

/** The triangles of some faces, for the graphics side and for picking. */
export class TriangleLayer {
  readonly geometry = new BufferGeometry();
  /** The face of each triangle. */
  readonly triangleFace: Int32Array;
  /** Of each face in here its first triangle. */
  private readonly firstOf = new Map<number, number>();
  /** How many triangles are in here still. */
  triangleCount = 0;

  constructor(buffers: MeshBuffers, faces: Iterable<number>, normals: Float32Array, lens: Lens) {
    const drawn: number[] = [];
    let count = 0;
    for (const f of faces) {
      if (buffers.size(f) && buffers.triangles(f).length) {
        drawn.push(f);
        count += buffers.triangles(f).length / 3;
      }
    }
    this.triangleFace = new Int32Array(count);
    this.triangleCount = count;
    const positions = new Float32Array(9 * count);
    const normal = new Float32Array(9 * count);
    const wash = new Float32Array(9 * count);
    const washed = new Float32Array(3 * count);
    let at = 0;
    for (const f of drawn) {
      this.firstOf.set(f, at / 3);
      const corners = buffers.corners(f);
      const tint = washOf(corners.length, lens);
      for (const corner of buffers.triangles(f)) {
        const v = 3 * corners[corner]!;
        for (let axis = 0; axis < 3; axis++) {
          positions[3 * at + axis] = buffers.positions[v + axis]!;
          normal[3 * at + axis] = normals[3 * f + axis]!;
          wash[3 * at + axis] = tint[axis]!;
        }
        washed[at] = tint[3];
        if (at % 3 === 0) this.triangleFace[at / 3] = f;
        at++;
      }
    }
    const { geometry } = this;
    geometry.setAttribute('position', new BufferAttribute(positions, 3));
    geometry.setAttribute('normal', new BufferAttribute(normal, 3));
    geometry.setAttribute('wash', new BufferAttribute(wash, 3));
    geometry.setAttribute('washed', new BufferAttribute(washed, 1));
    if (count) geometry.boundsTree = new MeshBVH(geometry, { indirect: true });
  }

  /** The faces that are in here still. */
  faces(): Iterable<number> {
    return this.firstOf.keys();
  }

  /**
   * Lets faces vanish: their triangles become points, where they are. The tree over them stays as it
   * is: its boxes are only larger than they need be, and a point is never hit.
   */
  remove(faces: Iterable<number>) {
    const position = this.geometry.getAttribute('position') as BufferAttribute;
    for (const f of faces) {
      const first = this.firstOf.get(f);
      if (first === undefined) continue;
      this.firstOf.delete(f);
      let last = first;
      while (this.triangleFace[last] === f) last++;
      this.triangleCount -= last - first;
      position.array.fill(0, 9 * first, 9 * last);
      position.addUpdateRange(9 * first, 9 * (last - first));
      position.needsUpdate = true;
    }
  }

  /** Colours anew, for another lens. */
  wash(buffers: MeshBuffers, lens: Lens) {
    const wash = this.geometry.getAttribute('wash') as BufferAttribute;
    const washed = this.geometry.getAttribute('washed') as BufferAttribute;
    this.triangleFace.forEach((f, t) => {
      const tint = washOf(buffers.size(f), lens);
      for (let i = 3 * t; i < 3 * t + 3; i++) {
        wash.setXYZ(i, tint[0], tint[1], tint[2]);
        washed.setX(i, tint[3]);
      }
    });
    wash.needsUpdate = true;
    washed.needsUpdate = true;
  }

  dispose() {
    this.geometry.dispose();
  }
}
