import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { MeshBuffers } from '../src/mesh/MeshBuffers';
import { readWire, type WireMessage } from '../src/mesh/wire';

/** The messages that the core's test holds its own bytes against. */
function message(name: string): ArrayBuffer {
  const bytes = readFileSync(`../core/src/test/resources/wire/${name}.bin`);
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer;
}

/** The vertices, edges and corners with sides that a message names. */
function told(m: WireMessage) {
  const vertices: unknown[] = [];
  const edges: number[][] = [];
  const faces: { id: number; corners: number[]; sides: number[]; triangles: number }[] = [];
  m.eachVertex((id, shown, x, y, z) => vertices.push({ id, shown, x, y, z }));
  m.eachEdge((...edge) => edges.push(edge));
  m.eachFace((id, size, at, triangles) =>
    faces.push({
      id,
      corners: [...m.ints.subarray(at, at + size)],
      sides: [...m.ints.subarray(at + size, at + 2 * size)],
      triangles,
    }),
  );
  return { vertices, edges, faces };
}

describe('a whole mesh', () => {
  it('is read as the core wrote it', () => {
    const m = readWire(message('cube'));
    expect(m).toMatchObject({ whole: true, from: 0, to: 7, origin: [1, 1, 1] });
    const { vertices, edges, faces } = told(m);
    expect([vertices.length, edges.length, faces.length]).toEqual([8, 12, 6]);
    expect(vertices[7]).toEqual({ id: 7, shown: true, x: 1, y: 1, z: 1 });
    expect(faces[0]).toEqual({ id: 0, corners: [0, 2, 3, 1], sides: [0, 1, 2, 3], triangles: 2 });
  });

  it('is read from the middle of a reply too', () => {
    const bytes = new Uint8Array(message('cube'));
    const reply = new Uint8Array(bytes.length + 16);
    reply.set(bytes, 16);
    expect(told(readWire(reply.buffer, 16))).toEqual(told(readWire(message('cube'))));
  });

  it('may have vertices without a place, whose faces are not drawn', () => {
    const { vertices, edges, faces } = told(readWire(message('no-place')));
    expect(vertices[0]).toMatchObject({ id: 0, shown: false });
    expect(edges.filter(([, first]) => first! < 0)).toHaveLength(2);
    expect(faces[0]).toMatchObject({ corners: [0, 1, 2], triangles: 0 });
    const mesh = MeshBuffers.read(message('no-place'));
    expect(mesh.edgesOf(0)).toHaveLength(1);
    expect(mesh.faceCount).toBe(2);
  });

  it('is refused where it is none, or of another version', () => {
    expect(() => readWire(new ArrayBuffer(8))).toThrow('no mesh message');
    const later = message('cube');
    new DataView(later).setInt32(4, 99, true);
    expect(() => readWire(later)).toThrow('version 99');
    expect(() => readWire(message('cube').slice(0, 100))).toThrow();
  });
});

/** What can be asked of a mesh, to compare two. */
function state(mesh: MeshBuffers) {
  const faces = Array.from({ length: mesh.faceEnd }, (_, f) => [
    [...mesh.corners(f)],
    [...mesh.sides(f)],
    [...mesh.triangles(f)],
  ]);
  const edges = Array.from({ length: mesh.edgeEnd }, (_, e) => [
    ...mesh.ends(e),
    ...[mesh.faceAtEdge(e, 0), mesh.faceAtEdge(e, 1)].sort((a, b) => a - b),
  ]);
  const vertices = Array.from({ length: mesh.vertexEnd }, (_, v) => mesh.local(v));
  return { faces, edges, vertices, count: mesh.faceCount };
}

describe('deltas', () => {
  it('patch the mesh that they were made for, forth and back', () => {
    const mesh = MeshBuffers.read(message('cube'));
    const before = state(mesh);
    expect(mesh.patch).toBeNull();
    expect(mesh.apply(readWire(message('cube-loop')))).toBe(true);
    expect([mesh.revision, mesh.version, mesh.faceCount]).toEqual([8, 2, 10]);
    expect(mesh.patch).toMatchObject({ from: 1 });
    expect([...mesh.patch!.faces].sort()).toEqual([2, 3, 4, 5, 6, 7, 8, 9]);
    expect(mesh.vertexEnd).toBe(12);
    expect(mesh.toWorld(mesh.local(8)).z).toBe(0.5);
    expect(mesh.edgesOf(2)).toHaveLength(4);
    expect(mesh.apply(readWire(message('cube-undo')))).toBe(true);
    expect(state(mesh)).toEqual(before);
    expect(mesh.hasFace(7)).toBe(false);
  });

  it('of another revision are not taken', () => {
    const mesh = MeshBuffers.read(message('cube'));
    expect(mesh.apply(readWire(message('cube-undo')))).toBe(false);
    expect([mesh.revision, mesh.faceCount]).toEqual([7, 6]);
  });
});

describe('the ring under the pointer', () => {
  it('closes round a cube, and is found from every edge of it', () => {
    const mesh = MeshBuffers.read(message('cube'));
    for (let e = 0; e < 12; e++) {
      const ring = mesh.ringThrough(e)!;
      expect([ring.closed, ring.edges.length, new Set(ring.faces).size]).toEqual([true, 4, 4]);
      expect(ring.edges).toContain(e);
    }
    expect(mesh.ringThrough(99)).toBeNull();
  });

  it('follows a step, and is none where no quad lies', () => {
    const mesh = MeshBuffers.read(message('cube'));
    mesh.apply(readWire(message('cube-loop')));
    // A new edge of the loop lies between two quads: its ring climbs the cube, over top and bottom.
    const rings = Array.from({ length: mesh.edgeEnd }, (_, e) => mesh.ringThrough(e)!);
    expect(rings.map((r) => r.edges.length).sort()).toEqual(
      [...Array<number>(8).fill(4), ...Array<number>(12).fill(6)].sort(),
    );
    expect(MeshBuffers.read(message('no-place')).ringThrough(2)).toBeNull();
  });
});
