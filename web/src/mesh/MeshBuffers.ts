import { readWire, type WireMessage } from './wire';

export type Point = { x: number; y: number; z: number };

const GONE = -1;

/**
 * A mesh as the browser holds it, by the stable ids of the core: to draw and to pick from, never to
 * decide on. Patched by deltas; `version` counts the patches.
 */
export class MeshBuffers {
  /** Relative to `origin`, three a vertex id. */
  positions = new Float32Array(0);
  /** Two vertex ids an edge id, -1 where there is none. */
  edges = new Int32Array(0);
  corners: (Int32Array | undefined)[] = [];
  /** Triangles of a face as indices of its corners. */
  triangles: (Int32Array | undefined)[] = [];
  shown = new Uint8Array(0);
  origin: [number, number, number] = [0, 0, 0];
  revision = 0;
  version = 0;

  static read(buffer: ArrayBuffer): MeshBuffers {
    const mesh = new MeshBuffers();
    mesh.apply(readWire(buffer));
    return mesh;
  }

  /** Takes a message in; false if it is a delta from a revision that is not held here. */
  apply(message: WireMessage): boolean {
    if (!message.whole && message.from !== this.revision) return false;
    if (message.whole) this.clear(message);
    this.positions = grownFloats(this.positions, 3 * message.vertexEnd);
    this.shown = grownBytes(this.shown, message.vertexEnd);
    this.edges = grownInts(this.edges, 2 * message.edgeEnd);
    this.corners.length = message.faceEnd;
    this.triangles.length = message.faceEnd;
    // What was taken back names ids past the end: they are gone with it.
    for (const v of message.vertices) {
      if (v.id >= message.vertexEnd) continue;
      this.positions.set([v.x, v.y, v.z], 3 * v.id);
      this.shown[v.id] = v.shown ? 1 : 0;
    }
    for (const e of message.edges) {
      if (e.id < message.edgeEnd) this.edges.set([e.first, e.second], 2 * e.id);
    }
    for (const f of message.faces) {
      if (f.id >= message.faceEnd) continue;
      this.corners[f.id] = f.corners.length ? f.corners : undefined;
      this.triangles[f.id] = f.corners.length ? f.triangles : undefined;
    }
    this.revision = message.to;
    this.version++;
    return true;
  }

  private clear(message: WireMessage) {
    this.positions = new Float32Array(0);
    this.shown = new Uint8Array(0);
    this.edges = new Int32Array(0);
    this.corners = [];
    this.triangles = [];
    this.origin = message.origin;
  }

  get faceEnd(): number {
    return this.corners.length;
  }

  get edgeEnd(): number {
    return this.edges.length / 2;
  }

  hasEdge(e: number): boolean {
    return e >= 0 && e < this.edgeEnd && this.edges[2 * e]! !== GONE;
  }

  /** Relative to the origin. */
  local(v: number): [number, number, number] {
    return [this.positions[3 * v]!, this.positions[3 * v + 1]!, this.positions[3 * v + 2]!];
  }

  ends(e: number): [number, number] {
    return [this.edges[2 * e]!, this.edges[2 * e + 1]!];
  }

  /** From relative coordinates to those of the core. */
  toWorld([x, y, z]: readonly [number, number, number]): Point {
    return { x: x + this.origin[0], y: y + this.origin[1], z: z + this.origin[2] };
  }

  toLocal(p: Point): [number, number, number] {
    return [p.x - this.origin[0], p.y - this.origin[1], p.z - this.origin[2]];
  }

  /** The edges of a face, found among those at its corners. */
  edgesOf(face: number): number[] {
    const corners = this.corners[face];
    if (!corners) return [];
    const sides = this.sides();
    return Array.from(corners, (a, i) => {
      const b = corners[(i + 1) % corners.length]!;
      return sides.get(sideKey(a, b)) ?? GONE;
    }).filter((e) => e !== GONE);
  }

  private sideTable?: { version: number; byEnds: Map<number, number> };

  private sides(): Map<number, number> {
    if (this.sideTable?.version !== this.version) {
      const byEnds = new Map<number, number>();
      for (let e = 0; e < this.edgeEnd; e++) {
        if (this.hasEdge(e)) byEnds.set(sideKey(...this.ends(e)), e);
      }
      this.sideTable = { version: this.version, byEnds };
    }
    return this.sideTable.byEnds;
  }

  /** The faces at each edge, by edge id; for outlines. */
  facesAtEdges(): Int32Array {
    const faces = new Int32Array(2 * this.edgeEnd).fill(GONE);
    const sides = this.sides();
    this.corners.forEach((corners, f) => {
      corners?.forEach((a, i) => {
        const e = sides.get(sideKey(a, corners[(i + 1) % corners.length]!));
        if (e !== undefined) faces[2 * e + (faces[2 * e] === GONE ? 0 : 1)] = f;
      });
    });
    return faces;
  }

  get faceCount(): number {
    return this.corners.reduce((n, c) => n + (c ? 1 : 0), 0);
  }
}

function sideKey(a: number, b: number): number {
  return Math.min(a, b) * 0x4000000 + Math.max(a, b);
}

function grownFloats(old: Float32Array<ArrayBuffer>, size: number): Float32Array<ArrayBuffer> {
  const grown = new Float32Array(size);
  grown.set(old.subarray(0, size));
  return grown;
}

function grownBytes(old: Uint8Array<ArrayBuffer>, size: number): Uint8Array<ArrayBuffer> {
  const grown = new Uint8Array(size);
  grown.set(old.subarray(0, size));
  return grown;
}

function grownInts(old: Int32Array<ArrayBuffer>, size: number): Int32Array<ArrayBuffer> {
  const grown = new Int32Array(size).fill(GONE);
  grown.set(old.subarray(0, size));
  return grown;
}
