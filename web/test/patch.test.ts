import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { MeshBuffers } from '../src/mesh/MeshBuffers';
import { readWire } from '../src/mesh/wire';
import { ModelGeometry } from '../src/stage/ModelGeometry';

function message(name: string): ArrayBuffer {
  const bytes = readFileSync(`../core/src/test/resources/wire/${name}.bin`);
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer;
}

/** The triangles drawn, as text, those that are points left out. */
function drawn({ layers }: ModelGeometry): string[] {
  return layers
    .flatMap((layer) => {
      const at = layer.geometry.getAttribute('position').array as Float32Array;
      return [...layer.triangleFace].map((f, t) => [f, ...at.subarray(9 * t, 9 * t + 9)].join(' '));
    })
    .filter((t) => !t.endsWith(' 0 0 0 0 0 0 0 0 0'))
    .sort();
}

function lines(model: ModelGeometry): string[] {
  const at = model.edges.getAttribute('position').array as Float32Array;
  return Array.from({ length: model.buffers.edgeEnd }, (_, e) =>
    at.subarray(6 * e, 6 * e + 6).join(' '),
  );
}

describe('what is drawn', () => {
  it('follows patches and is then what a new one would be', () => {
    const mesh = MeshBuffers.read(message('cube'));
    const model = new ModelGeometry(mesh, 'sides');
    const before = drawn(model);
    for (const name of ['cube-loop', 'cube-undo']) {
      mesh.apply(readWire(message(name)));
      expect(model.follow(mesh)).toBe(true);
      const fresh = new ModelGeometry(mesh, 'sides');
      expect(drawn(model)).toEqual(drawn(fresh));
      expect(lines(model)).toEqual(lines(fresh));
    }
    expect(drawn(model)).toEqual(before);
    expect(model.layers.length).toBeGreaterThan(1);
    model.tidy();
    expect(drawn(model)).toEqual(before);
    model.merge();
    expect(model.layers).toHaveLength(1);
    expect(drawn(model)).toEqual(before);
  });

  it('keeps few patches, however many the steps', () => {
    const model = new ModelGeometry(MeshBuffers.read(message('cube')), 'sides');
    const before = drawn(model);
    for (let step = 0; step < 100; step++) {
      const faces = Int32Array.of(step % model.buffers.faceEnd);
      model.buffers.patch = { from: model.buffers.version++, faces, edges: new Int32Array() };
      expect(model.follow(model.buffers)).toBe(true);
      expect(model.layers.length).toBeLessThanOrEqual(34);
      expect(drawn(model)).toEqual(before);
    }
  });

  it('stays where it is when a patch is sent from another origin', () => {
    const buffer = message('cube-loop');
    const moved = readWire(message('cube-loop')).origin.map((at) => at + 16);
    moved.forEach((at, axis) => new DataView(buffer).setFloat64(32 + 8 * axis, at, true));
    const here = MeshBuffers.read(message('cube'));
    here.apply(readWire(message('cube-loop')));
    const there = MeshBuffers.read(message('cube'));
    there.apply(readWire(buffer));
    const fresh = here.vertexEnd - 1;
    const [p, q] = [here, there].map((mesh) => mesh.toWorld(mesh.local(fresh)));
    expect(q).toEqual({ x: p!.x + 16, y: p!.y + 16, z: p!.z + 16 });
  });

  it('is made anew after a whole mesh, or when a patch was missed', () => {
    const mesh = MeshBuffers.read(message('cube'));
    const model = new ModelGeometry(mesh, 'clay');
    expect(model.follow(mesh)).toBe(true);
    mesh.apply(readWire(message('cube-loop')));
    mesh.apply(readWire(message('cube-undo')));
    expect(model.follow(mesh)).toBe(false);
    expect(model.follow(MeshBuffers.read(message('cube')))).toBe(false);
  });
});
