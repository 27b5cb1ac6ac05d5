/** The smooth surface of a mesh at one level, as docs/wire.md has it; looked at where it lies. */
export interface Surface {
  level: number;
  /** The highest level that may be asked for. */
  highest: number;
  origin: [number, number, number];
  /** Three a vertex, relative to the origin. */
  positions: Float32Array<ArrayBuffer>;
  /** Four a vertex, 32767 is 1; the fourth says nothing. */
  normals: Int16Array<ArrayBuffer>;
  /** Of each face of the cage its first quad, and the end of all. */
  firstQuad: Int32Array;
  /** Four vertices a quad. */
  quads: Int32Array;
}

const MAGIC = 0x53534546;
const VERSION = 1;
const HEADER_BYTES = 56;

/** Reads a message; throws where it is none, or of a version that this front end doesn't know. */
export function readSurface(buffer: ArrayBuffer): Surface {
  const view = new DataView(buffer);
  if (buffer.byteLength < HEADER_BYTES || view.getInt32(0, true) !== MAGIC) {
    throw new Error('this is no surface message');
  }
  const version = view.getInt32(4, true);
  if (version !== VERSION) {
    throw new Error(`surface message of version ${version}, expected ${VERSION}`);
  }
  const [vertices, faces, quads] = [40, 44, 48].map((at) => view.getInt32(at, true));
  const normalsAt = HEADER_BYTES + 12 * vertices!;
  const firstAt = normalsAt + 8 * vertices!;
  const quadsAt = firstAt + 4 * (faces! + 1);
  if (buffer.byteLength !== quadsAt + 16 * quads!) throw new Error('the surface is cut short');
  return {
    level: view.getInt32(8, true),
    highest: view.getInt32(12, true),
    origin: [view.getFloat64(16, true), view.getFloat64(24, true), view.getFloat64(32, true)],
    positions: new Float32Array(buffer, HEADER_BYTES, 3 * vertices!),
    normals: new Int16Array(buffer, normalsAt, 4 * vertices!),
    firstQuad: new Int32Array(buffer, firstAt, faces! + 1),
    quads: new Int32Array(buffer, quadsAt, 4 * quads!),
  };
}

/** The triangles of all quads, or of those of some faces of the cage, three vertices each. */
export function trianglesOf(surface: Surface, faces?: readonly number[]): Uint32Array<ArrayBuffer> {
  const { quads, firstQuad } = surface;
  const runs = faces
    ? faces.map((f) => [firstQuad[f] ?? 0, firstQuad[f + 1] ?? 0] as const)
    : [[0, quads.length / 4] as const];
  const count = runs.reduce((sum, [from, to]) => sum + to - from, 0);
  const out = new Uint32Array(6 * count);
  let o = 0;
  for (const [from, to] of runs) {
    for (let q = 4 * from; q < 4 * to; q += 4) {
      for (const corner of [0, 1, 2, 0, 2, 3]) out[o++] = quads[q + corner]!;
    }
  }
  return out;
}
