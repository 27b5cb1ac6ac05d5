/**
 * The mesh message of docs/wire.md. Its records are looked at where they lie: nothing is copied and no
 * object is made for an element.
 */
export interface WireMessage {
  whole: boolean;
  from: number;
  to: number;
  origin: [number, number, number];
  vertexEnd: number;
  edgeEnd: number;
  faceEnd: number;
  /** How many records there are. */
  vertexCount: number;
  edgeCount: number;
  faceCount: number;
  /** The message as numbers, to read records from. */
  ints: Int32Array;
  eachVertex(take: (id: number, shown: boolean, x: number, y: number, z: number) => void): void;
  eachEdge(take: (id: number, first: number, second: number) => void): void;
  /** `at`: where in `ints` the face's vertices, then its edges begin; its triangles lie elsewhere. */
  eachFace(
    take: (id: number, size: number, at: number, triangles: number, trianglesAt: number) => void,
  ): void;
}

const MAGIC = 0x4d574546;
const VERSION = 2;
const HEADER_BYTES = 68;

/** Reads a message; throws where it is none, or of a version that this front end doesn't know. */
export function readWire(buffer: ArrayBuffer, offset = 0): WireMessage {
  const view = new DataView(buffer, offset);
  if (view.byteLength < HEADER_BYTES || view.getInt32(0, true) !== MAGIC) {
    throw new Error('this is no mesh message');
  }
  const version = view.getInt32(4, true);
  if (version !== VERSION) {
    throw new Error(`mesh message of version ${version}, expected ${VERSION}`);
  }
  const ints = new Int32Array(buffer, offset);
  const floats = new Float32Array(buffer, offset);
  const vertices = HEADER_BYTES / 4;
  const vertexCount = intAt(ints, vertices);
  const edges = vertices + 1 + 4 * vertexCount;
  const edgeCount = intAt(ints, edges);
  const faces = edges + 1 + 3 * edgeCount;
  const faceCount = intAt(ints, faces);
  requireFaces(ints, faces + 1, faceCount);
  return {
    whole: view.getInt32(8, true) === 0,
    from: view.getFloat64(16, true),
    to: view.getFloat64(24, true),
    origin: [view.getFloat64(32, true), view.getFloat64(40, true), view.getFloat64(48, true)],
    vertexEnd: view.getInt32(56, true),
    edgeEnd: view.getInt32(60, true),
    faceEnd: view.getInt32(64, true),
    vertexCount,
    edgeCount,
    faceCount,
    ints,
    eachVertex(take) {
      for (let i = 0, at = vertices + 1; i < vertexCount; i++, at += 4) {
        const tagged = ints[at]!;
        const shown = tagged >= 0;
        const id = shown ? tagged : -1 - tagged;
        take(id, shown, floats[at + 1]!, floats[at + 2]!, floats[at + 3]!);
      }
    },
    eachEdge(take) {
      for (let i = 0, at = edges + 1; i < edgeCount; i++, at += 3) {
        take(ints[at]!, ints[at + 1]!, ints[at + 2]!);
      }
    },
    eachFace(take) {
      for (let i = 0, at = faces + 1; i < faceCount; i++) {
        const id = ints[at]!;
        const size = ints[at + 1]!;
        const triangles = size ? ints[at + 2 + 2 * size]! : 0;
        take(id, size, at + 2, triangles, at + 3 + 2 * size);
        at = nextFace(ints, at);
      }
    },
  };
}

function intAt(ints: Int32Array, at: number): number {
  const value = ints[at];
  if (value === undefined || value < 0) throw new Error('this mesh message ends too early');
  return value;
}

/** A face that is gone has its id and no corners. */
function nextFace(ints: Int32Array, at: number): number {
  const size = ints[at + 1]!;
  return size ? at + 3 + 2 * size + 3 * ints[at + 2 + 2 * size]! : at + 2;
}

function requireFaces(ints: Int32Array, from: number, count: number) {
  let at = from;
  for (let i = 0; i < count; i++) {
    const size = intAt(ints, at + 1);
    if (size) intAt(ints, at + 2 + 2 * size);
    at = nextFace(ints, at);
  }
  if (at > ints.length) throw new Error('this mesh message ends too early');
}
