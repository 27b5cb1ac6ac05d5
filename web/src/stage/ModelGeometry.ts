import { BufferAttribute, BufferGeometry, Vector3 } from 'three';
import type { MeshBuffers } from '../mesh/MeshBuffers';
import type { Lens } from './lenses';
import { TriangleLayer } from './TriangleLayer';

/** The patches are made one with the base when they have over this share of its triangles. */
const LARGEST_PATCHES = 1 / 8;
const SMALL_PATCHES = 4000;
/** Each patch is a thing to draw and a tree to search: more are made one when there is time. */
const MANY_PATCHES = 8;
/** So many that no step waits for time. */
const MOST_PATCHES = 32;

/**
 * What three.js draws of a mesh, made from its buffers: triangles by face, edges, outline, floor.
 * Follows the patches of the buffers at the cost of what they change: the faces changed leave the
 * layers in which they were and are drawn from a new, small one.
 */
export class ModelGeometry {
  /** The base, and what changed since it was made: a patch a step, none of them having a face of another. */
  layers: [TriangleLayer, ...TriangleLayer[]];
  readonly edges = new BufferGeometry();
  /** The floor, a square whose texture coordinates count squares of the graticule. */
  readonly graticule = new BufferGeometry();
  readonly centre = new Vector3();
  radius = 1;
  floor = 0;
  /** Of a sample of the edges. */
  meanEdge = 0;
  /** Those edges that the last outline was made of. */
  outlineEdges: number[] = [];
  private version: number;
  private normals = new Float32Array(0);
  private middles = new Float32Array(0);
  private hidden: ReadonlySet<number> = new Set();

  constructor(
    readonly buffers: MeshBuffers,
    private lens: Lens,
  ) {
    this.version = buffers.version;
    this.measure();
    this.makeRoom();
    for (let f = 0; f < buffers.faceEnd; f++) this.noteFace(f);
    this.layers = [this.layer(allFaces(buffers))];
    this.buildEdges();
    this.buildGraticule();
  }

  private layer(faces: Iterable<number>): TriangleLayer {
    return new TriangleLayer(this.buffers, faces, this.normals, this.lens);
  }

  /** Follows the buffers' last patch; false if more than that has changed since. */
  follow(buffers: MeshBuffers): boolean {
    const { patch } = buffers;
    if (buffers !== this.buffers) return false;
    if (buffers.version === this.version) return true;
    if (!patch || patch.from !== this.version) return false;
    this.version = buffers.version;
    this.makeRoom();
    for (const f of patch.faces) this.noteFace(f);
    for (const layer of this.layers) layer.remove(patch.faces);
    this.addPatch(patch.faces);
    if (this.patches.length > MOST_PATCHES) this.joinPatches();
    this.patchEdges(patch.edges);
    return true;
  }

  private addPatch(faces: Iterable<number>) {
    const [base, ...patches] = this.layers;
    const left = patches.filter((patch) => patch.triangleCount > 0);
    for (const patch of patches) if (!patch.triangleCount) patch.dispose();
    this.layers = [base, ...left, this.layer(this.shownOf(faces))];
  }

  private get patches(): readonly TriangleLayer[] {
    return this.layers.slice(1);
  }

  private get patchedTriangles(): number {
    return this.patches.reduce((sum, patch) => sum + patch.triangleCount, 0);
  }

  private get isPatchedLargely(): boolean {
    const largest = LARGEST_PATCHES * this.layers[0].triangleCount;
    return this.patchedTriangles > Math.max(SMALL_PATCHES, largest);
  }

  /** Whether the patches have grown so large or so many that `tidy` is worth its time. */
  get isPatchedMuch(): boolean {
    return this.patches.length > MANY_PATCHES || this.isPatchedLargely;
  }

  /** Makes the patches one, and one with the base where they are large. */
  tidy() {
    if (this.isPatchedLargely) this.merge();
    else this.joinPatches();
  }

  private joinPatches() {
    const { patches } = this;
    const joined = this.layer(patches.flatMap((patch) => [...patch.faces()]));
    for (const patch of patches) patch.dispose();
    this.layers = [this.layers[0], joined];
  }

  /** Makes all layers one. */
  merge() {
    for (const layer of this.layers) layer.dispose();
    this.layers = [this.layer(this.shownOf(allFaces(this.buffers)))];
  }

  private *shownOf(faces: Iterable<number>): Iterable<number> {
    for (const f of faces) if (!this.hidden.has(f)) yield f;
  }

  wash(lens: Lens) {
    if (lens === this.lens) return;
    this.lens = lens;
    for (const layer of this.layers) layer.wash(this.buffers, lens);
  }

  dispose() {
    for (const thing of [...this.layers, this.edges, this.graticule]) thing.dispose();
  }

  private makeRoom() {
    const { faceEnd } = this.buffers;
    if (3 * faceEnd <= this.normals.length) return;
    const size = 3 * (faceEnd + (faceEnd >> 3) + 64);
    const { normals, middles } = this;
    this.normals = new Float32Array(size);
    this.normals.set(normals);
    this.middles = new Float32Array(size);
    this.middles.set(middles);
  }

  private measure() {
    const low = [Infinity, Infinity, Infinity];
    const high = [-Infinity, -Infinity, -Infinity];
    const { positions, shown } = this.buffers;
    for (let f = 0; f < this.buffers.faceEnd; f++) {
      if (!this.buffers.hasFace(f)) continue;
      for (const v of this.buffers.corners(f)) {
        if (!shown[v]) continue;
        for (let axis = 0; axis < 3; axis++) {
          const value = positions[3 * v + axis]!;
          if (value < low[axis]!) low[axis] = value;
          if (value > high[axis]!) high[axis] = value;
        }
      }
    }
    if (low[0]! > high[0]!) return;
    const from = new Vector3(...low);
    const to = new Vector3(...high);
    this.centre.addVectors(from, to).multiplyScalar(0.5);
    this.radius = Math.max(1e-9, to.distanceTo(from) / 2);
    this.floor = from.z;
  }

  /** Notes the normal and the middle of a face. */
  private noteFace(f: number) {
    if (!this.buffers.hasFace(f)) return;
    const corners = this.buffers.corners(f);
    const { positions: p } = this.buffers;
    const n = corners.length;
    const o = 3 * corners[0]!;
    const [ox, oy, oz] = [p[o]!, p[o + 1]!, p[o + 2]!];
    let [nx, ny, nz, mx, my, mz] = [0, 0, 0, 0, 0, 0];
    for (let i = 0; i < n; i++) {
      const a = 3 * corners[i]!;
      const b = 3 * corners[i + 1 < n ? i + 1 : 0]!;
      const [ax, ay, az] = [p[a]! - ox, p[a + 1]! - oy, p[a + 2]! - oz];
      const [bx, by, bz] = [p[b]! - ox, p[b + 1]! - oy, p[b + 2]! - oz];
      nx += ay * bz - az * by;
      ny += az * bx - ax * bz;
      nz += ax * by - ay * bx;
      mx += p[a]! / n;
      my += p[a + 1]! / n;
      mz += p[a + 2]! / n;
    }
    const length = Math.hypot(nx, ny, nz) || 1;
    this.normals.set([nx / length, ny / length, nz / length], 3 * f);
    this.middles.set([mx, my, mz], 3 * f);
  }

  private buildEdges() {
    const { edgeEnd } = this.buffers;
    const positions = new Float32Array(6 * (edgeEnd + (edgeEnd >> 3) + 64));
    const attribute = new BufferAttribute(positions, 3);
    this.edges.setAttribute('position', attribute);
    for (let e = 0; e < edgeEnd; e++) this.writeEdge(positions, e);
    this.edges.setDrawRange(0, 2 * edgeEnd);
    this.meanEdge = this.sampleEdges(positions);
  }

  private sampleEdges(positions: Float32Array): number {
    const { edgeEnd } = this.buffers;
    const stride = 1 + Math.floor(edgeEnd / 5000);
    let sum = 0;
    let count = 0;
    for (let e = 0; e < edgeEnd; e += stride) {
      if (!this.buffers.hasEdge(e)) continue;
      const i = 6 * e;
      sum += Math.hypot(
        positions[i + 3]! - positions[i]!,
        positions[i + 4]! - positions[i + 1]!,
        positions[i + 5]! - positions[i + 2]!,
      );
      count++;
    }
    return count ? sum / count : 0;
  }

  /** An edge has its place in the array by its id; one that is gone is a point. */
  private writeEdge(positions: Float32Array, e: number) {
    if (!this.buffers.hasEdge(e) || !this.isEdgeShown(e)) {
      positions.fill(0, 6 * e, 6 * e + 6);
      return;
    }
    const [a, b] = this.buffers.ends(e);
    const { positions: p } = this.buffers;
    for (let axis = 0; axis < 3; axis++) {
      positions[6 * e + axis] = p[3 * a + axis]!;
      positions[6 * e + 3 + axis] = p[3 * b + axis]!;
    }
  }

  private patchEdges(edges: Int32Array) {
    const attribute = this.edges.getAttribute('position') as BufferAttribute;
    if (6 * this.buffers.edgeEnd > attribute.array.length) {
      this.edges.dispose();
      this.buildEdges();
      return;
    }
    for (const e of edges) {
      if (e >= this.buffers.edgeEnd) continue;
      this.writeEdge(attribute.array as Float32Array, e);
      attribute.addUpdateRange(6 * e, 6);
    }
    attribute.needsUpdate = true;
    this.edges.setDrawRange(0, 2 * this.buffers.edgeEnd);
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
      for (let v = 0; v < this.buffers.vertexEnd; v++) {
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
    const facing = this.facing(eye);
    const { buffers } = this;
    const found: number[] = [];
    for (let e = 0; e < buffers.edgeEnd; e++) {
      const f = buffers.faceAtEdge(e, 0);
      if (f < 0 || !buffers.hasEdge(e)) continue;
      const g = buffers.faceAtEdge(e, 1);
      if (!this.isEdgeShown(e)) continue;
      if (g < 0 || facing[f] !== facing[g]) found.push(e);
    }
    this.outlineEdges = found;
    return this.endsOf(found);
  }

  private facing(eye: Vector3): Uint8Array {
    const { normals: n, middles: m } = this;
    const facing = new Uint8Array(this.buffers.faceEnd);
    for (let f = 0, i = 0; f < facing.length; f++, i += 3) {
      const towards =
        n[i]! * (eye.x - m[i]!) + n[i + 1]! * (eye.y - m[i + 1]!) + n[i + 2]! * (eye.z - m[i + 2]!);
      facing[f] = towards > 0 ? 1 : 0;
    }
    return facing;
  }

  /** Six numbers an edge. */
  private endsOf(edges: readonly number[]): Float32Array {
    const positions = this.edges.getAttribute('position').array as Float32Array;
    const ends = new Float32Array(6 * edges.length);
    edges.forEach((e, i) => ends.set(positions.subarray(6 * e, 6 * e + 6), 6 * i));
    return ends;
  }

  /** Leaves faces out of all layers, and edges that lie at none that is shown. */
  hide(faces: ReadonlySet<number>) {
    const same = faces.size === this.hidden.size && [...faces].every((f) => this.hidden.has(f));
    if (same) return;
    this.hidden = faces;
    this.merge();
    const attribute = this.edges.getAttribute('position') as BufferAttribute;
    for (let e = 0; e < this.buffers.edgeEnd; e++) {
      this.writeEdge(attribute.array as Float32Array, e);
    }
    attribute.clearUpdateRanges();
    attribute.needsUpdate = true;
  }

  isFaceShown(f: number): boolean {
    return !this.hidden.has(f);
  }

  /** Whether an edge lies at a face that is shown, or at none. */
  isEdgeShown(e: number): boolean {
    if (this.hidden.size === 0) return true;
    const f = this.buffers.faceAtEdge(e, 0);
    const g = this.buffers.faceAtEdge(e, 1);
    return f < 0 || !this.hidden.has(f) || (g >= 0 && !this.hidden.has(g));
  }

  normalOf(f: number): Vector3 {
    return new Vector3(...this.normals.subarray(3 * f, 3 * f + 3));
  }

  middleOf(f: number): Vector3 {
    return new Vector3(...this.middles.subarray(3 * f, 3 * f + 3));
  }

  /** The edges at which one of these faces lies and another does not: six numbers an edge. */
  borderOf(faces: readonly number[]): Float32Array {
    const chosen = new Set(faces);
    const border = new Set<number>();
    for (const f of chosen) {
      if (!this.buffers.hasFace(f)) continue;
      for (const e of this.buffers.edgesOf(f)) {
        const [a, b] = [this.buffers.faceAtEdge(e, 0), this.buffers.faceAtEdge(e, 1)];
        if (!chosen.has(a) || !chosen.has(b)) border.add(e);
      }
    }
    return this.endsOf([...border]);
  }

  /** Six numbers for each of these edges that are there. */
  linesOf(edges: readonly number[]): Float32Array {
    return this.endsOf(edges.filter((e) => this.buffers.hasEdge(e)));
  }

  facesOnly(faces: readonly number[]): BufferGeometry {
    const positions: number[] = [];
    for (const f of faces) {
      if (!this.buffers.hasFace(f)) continue;
      const corners = this.buffers.corners(f);
      for (const c of this.buffers.triangles(f)) positions.push(...this.buffers.local(corners[c]!));
    }
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(new Float32Array(positions), 3));
    return geometry;
  }

  /** The edges of faces, without some: six numbers an edge. */
  sidesOf(faces: readonly number[], without: readonly number[]): Float32Array {
    const left = new Set(faces.flatMap((f) => this.buffers.edgesOf(f)));
    for (const e of without) left.delete(e);
    return this.endsOf([...left]);
  }

  /** The normal of the face whose middle is nearest to a place. */
  normalNear(place: Vector3): Vector3 {
    let best = 0;
    let nearest = Infinity;
    for (let f = 0; f < this.buffers.faceEnd; f++) {
      if (!this.buffers.hasFace(f)) continue;
      const d = Math.hypot(
        this.middles[3 * f]! - place.x,
        this.middles[3 * f + 1]! - place.y,
        this.middles[3 * f + 2]! - place.z,
      );
      if (d < nearest) {
        nearest = d;
        best = f;
      }
    }
    return new Vector3(...this.normals.subarray(3 * best, 3 * best + 3));
  }
}

function* allFaces(buffers: MeshBuffers): Iterable<number> {
  for (let f = 0; f < buffers.faceEnd; f++) if (buffers.hasFace(f)) yield f;
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
