import { BufferAttribute, BufferGeometry, Vector3 } from 'three';
import type { MeshBuffers } from '../mesh/MeshBuffers';
import type { Lens } from './StageView';

const NGON_WASH = [0.659, 0.224, 0.059, 0.2] as const;
const TRIANGLE_WASH = [0.478, 0.322, 0, 0.25] as const;
const NO_WASH = [0, 0, 0, 0] as const;

/** What three.js draws of a mesh, made from its buffers: triangles by face, edges, outline, floor. */
export class ModelGeometry {
  readonly faces = new BufferGeometry();
  readonly edges = new BufferGeometry();
  /** The floor, a square whose texture coordinates count squares of the graticule. */
  readonly graticule = new BufferGeometry();
  /** The face of each triangle drawn. */
  readonly triangleFace: number[] = [];
  readonly centre = new Vector3();
  radius = 1;
  floor = 0;
  private readonly normals: Float32Array;
  private readonly middles: Float32Array;
  private readonly edgeFaces: Int32Array;
  /** Six numbers an edge id: both ends as they were when this was made. */
  private readonly edgeEnds: Float32Array;

  constructor(
    readonly buffers: MeshBuffers,
    lens: Lens,
  ) {
    this.normals = new Float32Array(3 * buffers.faceEnd);
    this.middles = new Float32Array(3 * buffers.faceEnd);
    this.edgeFaces = buffers.facesAtEdges();
    this.edgeEnds = new Float32Array(6 * buffers.edgeEnd);
    this.measure();
    this.buildFaces(lens);
    this.buildEdges();
    this.buildGraticule();
  }

  private measure() {
    const low = new Vector3(Infinity, Infinity, Infinity);
    const high = low.clone().negate();
    const p = new Vector3();
    this.buffers.corners.forEach((corners) => {
      corners?.forEach((v) => {
        if (!this.buffers.shown[v]) return;
        p.set(...this.buffers.local(v));
        low.min(p);
        high.max(p);
      });
    });
    if (low.x > high.x) return;
    this.centre.addVectors(low, high).multiplyScalar(0.5);
    this.radius = Math.max(1e-9, high.distanceTo(low) / 2);
    this.floor = low.z;
  }

  private buildFaces(lens: Lens) {
    const positions: number[] = [];
    const normals: number[] = [];
    const wash: number[] = [];
    const washed: number[] = [];
    this.buffers.corners.forEach((corners, f) => {
      const triangles = this.buffers.triangles[f];
      if (!corners || !triangles) return;
      const points = Array.from(corners, (v) => this.buffers.local(v));
      const normal = this.noteFace(f, points);
      const tint =
        lens !== 'sides' || points.length === 4
          ? NO_WASH
          : points.length === 3
            ? TRIANGLE_WASH
            : NGON_WASH;
      triangles.forEach((corner, i) => {
        positions.push(...points[corner]!);
        normals.push(...normal);
        wash.push(tint[0], tint[1], tint[2]);
        washed.push(tint[3]);
        if (i % 3 === 0) this.triangleFace.push(f);
      });
    });
    this.faces.setAttribute('position', new BufferAttribute(new Float32Array(positions), 3));
    this.faces.setAttribute('normal', new BufferAttribute(new Float32Array(normals), 3));
    this.faces.setAttribute('wash', new BufferAttribute(new Float32Array(wash), 3));
    this.faces.setAttribute('washed', new BufferAttribute(new Float32Array(washed), 1));
  }

  private noteFace(f: number, points: [number, number, number][]): [number, number, number] {
    const n = new Vector3();
    const [ox, oy, oz] = points[0]!;
    let [mx, my, mz] = [0, 0, 0];
    const a = new Vector3();
    const b = new Vector3();
    points.forEach((p, i) => {
      const q = points[(i + 1) % points.length]!;
      a.set(p[0] - ox, p[1] - oy, p[2] - oz);
      b.set(q[0] - ox, q[1] - oy, q[2] - oz);
      n.add(a.cross(b));
      mx += p[0] / points.length;
      my += p[1] / points.length;
      mz += p[2] / points.length;
    });
    n.normalize();
    this.normals.set([n.x, n.y, n.z], 3 * f);
    this.middles.set([mx, my, mz], 3 * f);
    return [n.x, n.y, n.z];
  }

  private buildEdges() {
    const positions: number[] = [];
    for (let e = 0; e < this.buffers.edgeEnd; e++) {
      if (!this.buffers.hasEdge(e)) continue;
      const [a, b] = this.buffers.ends(e);
      const ends = [...this.buffers.local(a), ...this.buffers.local(b)];
      this.edgeEnds.set(ends, 6 * e);
      positions.push(...ends);
    }
    this.edges.setAttribute('position', new BufferAttribute(new Float32Array(positions), 3));
  }

  /** A floor whose lines lie a round length of the unit apart. */
  private buildGraticule() {
    const step = roundLength(this.radius / 1.6);
    const reach = this.radius * FLOOR_REACH;
    const [ox, oy] = this.buffers.origin;
    const z = this.floor - this.radius * 2e-3;
    const corners = [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ].map(([i, j]) => [this.centre.x + i! * reach, this.centre.y + j! * reach] as const);
    const squares = corners.flatMap(([x, y]) => [(x + ox) / step, (y + oy) / step]);
    const across = corners.flatMap((_, k) => [k === 1 || k === 2 ? 1 : -1, k > 1 ? 1 : -1]);
    const { graticule } = this;
    graticule.setAttribute(
      'position',
      floats(
        corners.flatMap(([x, y]) => [x, y, z]),
        3,
      ),
    );
    graticule.setAttribute('square', floats(modulo(squares), 2));
    graticule.setAttribute('across', floats(across, 2));
    graticule.setIndex([0, 1, 2, 0, 2, 3]);
  }

  /** For a camera's axes: the largest value of a measure of how far the vertices reach along them. */
  reach(centre: Vector3, across: Vector3, upward: Vector3, towards: Vector3) {
    return (measure: (x: number, y: number, z: number) => number): number => {
      let largest = this.radius * 0.5;
      const p = new Vector3();
      for (let v = 0; v < this.buffers.shown.length; v++) {
        if (!this.buffers.shown[v]) continue;
        p.set(...this.buffers.local(v)).sub(centre);
        const far = measure(Math.abs(p.dot(across)), Math.abs(p.dot(upward)), p.dot(towards));
        largest = Math.max(largest, far);
      }
      return largest;
    };
  }

  /** Edges where the form turns away from the eye, and borders. */
  outlineFrom(eye: Vector3): Float32Array {
    const positions: number[] = [];
    const facing = (f: number) => {
      const i = 3 * f;
      const { normals: n, middles: m } = this;
      return (
        n[i]! * (eye.x - m[i]!) +
          n[i + 1]! * (eye.y - m[i + 1]!) +
          n[i + 2]! * (eye.z - m[i + 2]!) >
        0
      );
    };
    for (let e = 0; 2 * e < this.edgeFaces.length; e++) {
      const f = this.edgeFaces[2 * e]!;
      const g = this.edgeFaces[2 * e + 1]!;
      if (f < 0) continue;
      if (g < 0 || facing(f) !== facing(g)) {
        positions.push(...this.edgeEnds.subarray(6 * e, 6 * e + 6));
      }
    }
    return new Float32Array(positions);
  }

  facesOnly(faces: readonly number[]): BufferGeometry {
    const positions: number[] = [];
    for (const f of faces) {
      const corners = this.buffers.corners[f];
      this.buffers.triangles[f]?.forEach((c) => {
        if (corners) positions.push(...this.buffers.local(corners[c]!));
      });
    }
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(new Float32Array(positions), 3));
    return geometry;
  }

  /** The edges of faces, without some: six numbers an edge. */
  sidesOf(faces: readonly number[], without: readonly number[]): Float32Array {
    const left = new Set(faces.flatMap((f) => this.buffers.edgesOf(f)));
    for (const e of without) left.delete(e);
    return new Float32Array(
      [...left].flatMap((e) => [...this.edgeEnds.subarray(6 * e, 6 * e + 6)]),
    );
  }

  /** The normal of the face whose middle is nearest to a place. */
  normalNear(place: Vector3): Vector3 {
    let best = 0;
    let nearest = Infinity;
    this.buffers.corners.forEach((corners, f) => {
      if (!corners) return;
      const d = Math.hypot(
        this.middles[3 * f]! - place.x,
        this.middles[3 * f + 1]! - place.y,
        this.middles[3 * f + 2]! - place.z,
      );
      if (d < nearest) {
        nearest = d;
        best = f;
      }
    });
    return new Vector3(...this.normals.subarray(3 * best, 3 * best + 3));
  }
}

/** How far the floor reaches, in radii of the model. */
const FLOOR_REACH = 9;

function floats(values: number[], size: number): BufferAttribute {
  return new BufferAttribute(new Float32Array(values), size);
}

/** Counts from a whole number near the first corner, so that single precision is enough. */
function modulo(squares: number[]): number[] {
  return squares.map((value, i) => value - Math.floor(squares[i % 2]!));
}

/** The largest of 1, 2, 5 times a power of ten that is at most a length. */
export function roundLength(length: number): number {
  const power = 10 ** Math.floor(Math.log10(length));
  const lead = length / power;
  return power * (lead >= 5 ? 5 : lead >= 2 ? 2 : 1);
}
