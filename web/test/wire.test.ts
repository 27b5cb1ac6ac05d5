import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { MeshBuffers } from '../src/mesh/MeshBuffers';
import { readWire } from '../src/mesh/wire';

/** The messages that the core's test holds its own bytes against. */
function message(name: string): ArrayBuffer {
  const bytes = readFileSync(`../core/src/test/resources/wire/${name}.bin`);
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer;
}

describe('a whole mesh', () => {
  it('is read as the core wrote it', () => {
    const m = readWire(message('cube'));
    expect(m).toMatchObject({ whole: true, from: 0, to: 7, origin: [1, 1, 1] });
    expect([m.vertices.length, m.edges.length, m.faces.length]).toEqual([8, 12, 6]);
    expect(m.vertices[7]).toEqual({ id: 7, shown: true, x: 1, y: 1, z: 1 });
    expect([...m.faces[0]!.corners]).toEqual([0, 2, 3, 1]);
    expect(m.faces[0]!.triangles).toHaveLength(6);
  });

  it('may have vertices without a place, whose faces are not drawn', () => {
    const m = readWire(message('no-place'));
    expect(m.vertices[0]).toMatchObject({ id: 0, shown: false });
    expect(m.edges.filter((e) => e.first < 0)).toHaveLength(2);
    expect([...m.faces[0]!.corners]).toEqual([0, 1, 2]);
    expect(m.faces[0]!.triangles).toHaveLength(0);
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

describe('deltas', () => {
  it('patch the mesh that they were made for, forth and back', () => {
    const mesh = MeshBuffers.read(message('cube'));
    const before = mesh.positions.slice();
    expect(mesh.apply(readWire(message('cube-loop')))).toBe(true);
    expect([mesh.revision, mesh.version, mesh.faceCount]).toEqual([8, 2, 10]);
    expect(mesh.positions).toHaveLength(3 * 12);
    expect(mesh.toWorld(mesh.local(8)).z).toBe(0.5);
    expect(mesh.edgesOf(2)).toHaveLength(4);
    expect(mesh.apply(readWire(message('cube-undo')))).toBe(true);
    expect(mesh.faceCount).toBe(6);
    expect([mesh.faceEnd, mesh.edgeEnd]).toEqual([6, 12]);
    expect(mesh.positions).toEqual(before);
    expect(mesh.facesAtEdges().every((f) => f >= 0)).toBe(true);
  });

  it('of another revision are not taken', () => {
    const mesh = MeshBuffers.read(message('cube'));
    expect(mesh.apply(readWire(message('cube-undo')))).toBe(false);
    expect([mesh.revision, mesh.faceCount]).toEqual([7, 6]);
  });
});
