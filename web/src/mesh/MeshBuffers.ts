import { readWire, type WireMessage } from './wire';

export type Point = { x: number; y: number; z: number };

const GONE = -1;

/** What a delta changed, for whoever draws the mesh. */
export interface Patch {
  /** The version of the buffers before it. */
  from: number;
  faces: Int32Array;
  edges: Int32Array;
}

/** A ring of quads, side by side. */
export interface RingUnder {
  edges: number[];
  faces: number[];
  closed: boolean;
}

/**
 * A mesh as the browser holds it, by the stable ids of the core: to draw and to pick from, never to
 * decide on. Arrays of numbers only, patched in place by deltas; `version` counts the patches.
 */
export class MeshBuffers {
  /** Relative to `origin`, three a vertex id. */
  positions = new Float32Array(0);
  shown = new Uint8Array(0);
  vertexEnd = 0;
  edgeEnd = 0;
  faceEnd = 0;
  faceCount = 0;
  origin: [number, number, number] = [0, 0, 0];
  revision = 0;
  version = 0;
  /** What the last message changed; null after a whole mesh. */
  patch: Patch | null = null;

  /** Two vertex ids an edge id, -1 where there is none. */
  private edgeEnds = new Int32Array(0);
  /** Two of the faces at each edge, -1 for none, and how many there are. */
  private edgeFaces = new Int32Array(0);
  private edgeUses = new Uint8Array(0);
  /** Of each face where in the pool its record begins, and its two counts. */
  private faceAt = new Int32Array(0);
  private faceSize = new Int32Array(0);
  private faceTriangles = new Int32Array(0);
  /** Of each face its vertices, the edges of its sides, its triangles as indices of its corners. */
  private pool = new Int32Array(0);
  private poolEnd = 0;

  static read(buffer: ArrayBuffer): MeshBuffers {
    const mesh = new MeshBuffers();
    mesh.apply(readWire(buffer));
    return mesh;
  }

  /** Takes a message in; false if it is a delta from a revision that is not held here. */
  apply(message: WireMessage): boolean {
    if (!message.whole && message.from !== this.revision) return false;
    if (message.whole) this.clear(message);
    this.makeRoom(message);
    const edges = new Int32Array(message.edgeCount);
    const faces = new Int32Array(message.faceCount);
    let count = 0;
    // A vertex that was moved may be the origin of what is sent now, but not of what is held.
    const [dx, dy, dz] = message.origin.map((at, axis) => at - this.origin[axis]!);
    // What was taken back names ids past the end: they are gone with it.
    message.eachVertex((id, shown, x, y, z) => {
      if (id >= message.vertexEnd) return;
      this.positions[3 * id] = x + dx!;
      this.positions[3 * id + 1] = y + dy!;
      this.positions[3 * id + 2] = z + dz!;
      this.shown[id] = shown ? 1 : 0;
    });
    message.eachEdge((id, first, second) => {
      edges[count++] = id;
      this.edgeEnds[2 * id] = id < message.edgeEnd ? first : GONE;
      this.edgeEnds[2 * id + 1] = id < message.edgeEnd ? second : GONE;
    });
    count = 0;
    message.eachFace((id) => {
      faces[count++] = id;
      this.takeOut(id);
    });
    message.eachFace((id, size, at, triangles, trianglesAt) => {
      if (id < message.faceEnd && size) {
        this.put(id, size, triangles, message.ints, at, trianglesAt);
      }
    });
    this.vertexEnd = message.vertexEnd;
    this.edgeEnd = message.edgeEnd;
    this.faceEnd = message.faceEnd;
    this.patch = message.whole ? null : { from: this.version, faces, edges };
    this.revision = message.to;
    this.version++;
    return true;
  }

  /** The same mesh with its vertices elsewhere; null if the message is about another state of it. */
  moved(message: WireMessage): MeshBuffers | null {
    if (message.from !== this.revision) return null;
    const moved = Object.assign(new MeshBuffers(), this);
    moved.positions = this.positions.slice();
    moved.patch = null;
    const [dx, dy, dz] = message.origin.map((at, axis) => at - this.origin[axis]!);
    message.eachVertex((id, shown, x, y, z) => {
      if (shown) moved.positions.set([x + dx!, y + dy!, z + dz!], 3 * id);
    });
    return moved;
  }

  private clear(message: WireMessage) {
    this.faceSize.fill(0);
    this.edgeEnds.fill(GONE);
    this.edgeFaces.fill(GONE);
    this.edgeUses.fill(0);
    this.poolEnd = 0;
    this.faceCount = 0;
    this.origin = message.origin;
  }

  /** For all ids that the message names, those past the new ends too. */
  private makeRoom(m: WireMessage) {
    const vertices = Math.max(m.vertexEnd, this.vertexEnd);
    const edges = Math.max(m.edgeEnd, this.edgeEnd);
    const faces = Math.max(m.faceEnd, this.faceEnd);
    this.positions = floats(this.positions, 3 * vertices);
    this.shown = bytes(this.shown, vertices);
    this.edgeEnds = ints(this.edgeEnds, 2 * edges, GONE);
    this.edgeFaces = ints(this.edgeFaces, 2 * edges, GONE);
    this.edgeUses = bytes(this.edgeUses, edges);
    this.faceAt = ints(this.faceAt, faces, 0);
    this.faceSize = ints(this.faceSize, faces, 0);
    this.faceTriangles = ints(this.faceTriangles, faces, 0);
  }

  private takeOut(f: number) {
    const size = this.faceSize[f] ?? 0;
    if (!size) return;
    const sides = this.faceAt[f]! + size;
    for (let i = 0; i < size; i++) this.leaveEdge(this.pool[sides + i]!, f);
    this.faceSize[f] = 0;
    this.faceCount--;
  }

  private leaveEdge(e: number, f: number) {
    this.edgeUses[e]!--;
    if (this.edgeFaces[2 * e] === f) {
      this.edgeFaces[2 * e] = this.edgeFaces[2 * e + 1]!;
      this.edgeFaces[2 * e + 1] = GONE;
    } else if (this.edgeFaces[2 * e + 1] === f) {
      this.edgeFaces[2 * e + 1] = GONE;
    }
  }

  private joinEdge(e: number, f: number) {
    const free = this.edgeFaces[2 * e] === GONE ? 0 : 1;
    if (this.edgeFaces[2 * e + free] === GONE) this.edgeFaces[2 * e + free] = f;
    this.edgeUses[e] = Math.min(255, this.edgeUses[e]! + 1);
  }

  private put(
    f: number,
    size: number,
    triangles: number,
    from: Int32Array,
    at: number,
    trianglesAt: number,
  ) {
    const length = 2 * size + 3 * triangles;
    this.faceAt[f] = this.poolEnd;
    this.faceSize[f] = size;
    this.faceTriangles[f] = triangles;
    this.pool = ints(this.pool, this.poolEnd + length, 0);
    this.pool.set(from.subarray(at, at + 2 * size), this.poolEnd);
    this.pool.set(from.subarray(trianglesAt, trianglesAt + 3 * triangles), this.poolEnd + 2 * size);
    this.poolEnd += length;
    this.faceCount++;
    const sides = this.faceAt[f] + size;
    for (let i = 0; i < size; i++) this.joinEdge(this.pool[sides + i]!, f);
  }

  hasFace(f: number): boolean {
    return f >= 0 && f < this.faceEnd && this.faceSize[f]! > 0;
  }

  /** How many corners face f has; 0 where there is none. */
  size(f: number): number {
    return f < this.faceEnd ? this.faceSize[f]! : 0;
  }

  /** The vertices of a face in order. */
  corners(f: number): Int32Array {
    const at = this.faceAt[f]!;
    return this.pool.subarray(at, at + this.size(f));
  }

  /** The edges of a face: side i leaves corner i. Those without a place in the picture too. */
  sides(f: number): Int32Array {
    const size = this.size(f);
    const at = this.faceAt[f]! + size;
    return this.pool.subarray(at, at + size);
  }

  /** The triangles of a face as indices of its corners. */
  triangles(f: number): Int32Array {
    const size = this.size(f);
    const at = this.faceAt[f]! + 2 * size;
    return this.pool.subarray(at, size ? at + 3 * this.faceTriangles[f]! : at);
  }

  hasEdge(e: number): boolean {
    return e >= 0 && e < this.edgeEnd && this.edgeEnds[2 * e]! !== GONE;
  }

  /** Relative to the origin. */
  local(v: number): [number, number, number] {
    return [this.positions[3 * v]!, this.positions[3 * v + 1]!, this.positions[3 * v + 2]!];
  }

  ends(e: number): [number, number] {
    return [this.edgeEnds[2 * e]!, this.edgeEnds[2 * e + 1]!];
  }

  /** The i-th (0 or 1) of two faces at an edge; -1 where there is none. */
  faceAtEdge(e: number, i: number): number {
    return this.edgeFaces[2 * e + i]!;
  }

  /** From relative coordinates to those of the core. */
  toWorld([x, y, z]: readonly [number, number, number]): Point {
    return { x: x + this.origin[0], y: y + this.origin[1], z: z + this.origin[2] };
  }

  toLocal(p: Point): [number, number, number] {
    return [p.x - this.origin[0], p.y - this.origin[1], p.z - this.origin[2]];
  }

  /** The edges of a face that have a place. */
  edgesOf(f: number): number[] {
    return [...this.sides(f)].filter((e) => this.hasEdge(e));
  }

  /**
   * The ring through an edge, to be lit up under the pointer: walked from quad to quad across
   * opposite sides. Null where no quad lies at the edge. Cost: its length.
   */
  ringThrough(edge: number): RingUnder | null {
    if (!this.hasEdge(edge)) return null;
    const forwards = this.walk(edge, this.quadAt(edge, GONE));
    if (!forwards) return null;
    if (forwards.closed) return forwards;
    const backwards = this.walk(edge, this.quadAt(edge, forwards.faces[0]!));
    if (!backwards) return forwards;
    return {
      edges: [...backwards.edges.slice(1).reverse(), ...forwards.edges],
      faces: [...backwards.faces.reverse(), ...forwards.faces],
      closed: false,
    };
  }

  /** Whether a ring runs across an edge. */
  hasRing(edge: number): boolean {
    return this.hasEdge(edge) && this.quadAt(edge, GONE) !== GONE;
  }

  /** A quad at a two-sided or border edge, other than one. */
  private quadAt(e: number, besides: number): number {
    if (this.edgeUses[e]! > 2) return GONE;
    for (const f of [this.edgeFaces[2 * e]!, this.edgeFaces[2 * e + 1]!]) {
      if (f !== GONE && f !== besides && this.size(f) === 4) return f;
    }
    return GONE;
  }

  private walk(edge: number, first: number): RingUnder | null {
    if (first === GONE) return null;
    const edges = [edge];
    const faces: number[] = [];
    // A ring passes a quad at most twice.
    for (let f = first, e = edge; f !== GONE && faces.length <= 2 * this.faceCount;) {
      faces.push(f);
      const sides = this.sides(f);
      e = sides[(sides.indexOf(e) + 2) % 4]!;
      if (e === edge) return { edges, faces, closed: true };
      edges.push(e);
      f = this.quadAt(e, f);
    }
    return { edges, faces, closed: false };
  }
}

/** Room to grow, so that few messages copy. */
function room(size: number): number {
  return size + (size >> 3) + 64;
}

function floats(old: Float32Array<ArrayBuffer>, size: number): Float32Array<ArrayBuffer> {
  if (size <= old.length) return old;
  const grown = new Float32Array(room(size));
  grown.set(old);
  return grown;
}

function bytes(old: Uint8Array<ArrayBuffer>, size: number): Uint8Array<ArrayBuffer> {
  if (size <= old.length) return old;
  const grown = new Uint8Array(room(size));
  grown.set(old);
  return grown;
}

function ints(old: Int32Array<ArrayBuffer>, size: number, empty: number): Int32Array<ArrayBuffer> {
  if (size <= old.length) return old;
  const grown = new Int32Array(room(size)).fill(empty, old.length);
  grown.set(old);
  return grown;
}
