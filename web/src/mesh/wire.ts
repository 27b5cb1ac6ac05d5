/** The mesh message of docs/wire.md, taken apart. All arrays are views or copies of it; no ids are renumbered. */
export interface WireMessage {
  whole: boolean;
  from: number;
  to: number;
  origin: [number, number, number];
  vertexEnd: number;
  edgeEnd: number;
  faceEnd: number;
  vertices: { id: number; shown: boolean; x: number; y: number; z: number }[];
  edges: { id: number; first: number; second: number }[];
  faces: { id: number; corners: Int32Array; triangles: Int32Array }[];
}

const MAGIC = 0x4d574546;
const VERSION = 1;

class Reader {
  private at = 0;
  constructor(private readonly view: DataView) {}
  int(): number {
    this.at += 4;
    return this.view.getInt32(this.at - 4, true);
  }
  float(): number {
    this.at += 4;
    return this.view.getFloat32(this.at - 4, true);
  }
  double(): number {
    this.at += 8;
    return this.view.getFloat64(this.at - 8, true);
  }
  ints(count: number): Int32Array {
    const values = new Int32Array(count);
    for (let i = 0; i < count; i++) values[i] = this.int();
    return values;
  }
  list<T>(read: () => T): T[] {
    const count = this.int();
    const items: T[] = [];
    for (let i = 0; i < count; i++) items.push(read());
    return items;
  }
}

/** Reads a message; throws where it is none, or of a version that this front end doesn't know. */
export function readWire(buffer: ArrayBuffer, offset = 0): WireMessage {
  const r = new Reader(new DataView(buffer, offset));
  if (r.int() !== MAGIC) throw new Error('this is no mesh message');
  const version = r.int();
  if (version !== VERSION)
    throw new Error(`mesh message of version ${version}, expected ${VERSION}`);
  const whole = r.int() === 0;
  r.int();
  const from = r.double();
  const to = r.double();
  const origin: [number, number, number] = [r.double(), r.double(), r.double()];
  const vertexEnd = r.int();
  const edgeEnd = r.int();
  const faceEnd = r.int();
  const vertices = r.list(() => {
    const tagged = r.int();
    const shown = tagged >= 0;
    return { id: shown ? tagged : -1 - tagged, shown, x: r.float(), y: r.float(), z: r.float() };
  });
  const edges = r.list(() => ({ id: r.int(), first: r.int(), second: r.int() }));
  const faces = r.list(() => {
    const id = r.int();
    const size = r.int();
    if (size === 0) return { id, corners: new Int32Array(), triangles: new Int32Array() };
    const corners = r.ints(size);
    return { id, corners, triangles: r.ints(3 * r.int()) };
  });
  return { whole, from, to, origin, vertexEnd, edgeEnd, faceEnd, vertices, edges, faces };
}
