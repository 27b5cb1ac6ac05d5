import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { MeshBuffers } from '../src/mesh/MeshBuffers';
import { readSurface, trianglesOf } from '../src/mesh/surface';
import { readWire } from '../src/mesh/wire';

/** The messages that the core's test holds its own bytes against. */
function message(name: string): ArrayBuffer {
  const bytes = readFileSync(`../core/src/test/resources/wire/${name}.bin`);
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer;
}

it('a surface is read as the core wrote it', () => {
  const surface = readSurface(message('cube-smooth'));
  expect(surface).toMatchObject({ level: 1, highest: 4, origin: [1, 1, 1] });
  expect([...surface.firstQuad]).toEqual([0, 4, 8, 12, 16, 20, 24]);
  expect(surface.quads).toHaveLength(4 * 24);
  // The first corner of the cube ends where the surface looks down its diagonal.
  const [x, y, z] = surface.positions;
  expect(y).toBe(x);
  expect(z).toBe(x);
  expect(1 + x!).toBeCloseTo(0.5, 6);
  for (const part of surface.normals.subarray(0, 3)) {
    expect(part / 32767).toBeCloseTo(-1 / Math.sqrt(3), 4);
  }
});

it('the triangles of some faces of the cage are those of their quads', () => {
  const surface = readSurface(message('cube-smooth'));
  expect(trianglesOf(surface)).toHaveLength(24 * 6);
  expect([...trianglesOf(surface, [1])]).toEqual([...trianglesOf(surface)].slice(24, 48));
});

it('what is no surface, or cut short, is refused', () => {
  expect(() => readSurface(message('cube'))).toThrow('no surface message');
  expect(() => readSurface(message('cube-smooth').slice(0, 200))).toThrow('cut short');
});

it('a bent mesh is the same with its vertices elsewhere', () => {
  const cube = MeshBuffers.read(message('cube'));
  const moved = MeshBuffers.read(message('cube')).moved(readWire(message('cube-loop')));
  expect(moved).not.toBeNull();
  expect(moved!.faceCount).toBe(cube.faceCount);
  expect([...moved!.corners(0)]).toEqual([...cube.corners(0)]);
  // Of another state it would be another mesh.
  expect(cube.moved(readWire(message('cube-undo')))).toBeNull();
});
