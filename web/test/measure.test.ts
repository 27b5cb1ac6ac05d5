import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  along,
  angle,
  edgeVector,
  length,
  linesOf,
  minus,
  plus,
  trackOf,
} from '../src/features/bench/hands/measure';
import type { PendingPoint } from '../src/features/bench/pending';
import { MeshBuffers } from '../src/mesh/MeshBuffers';

/** A cube with its twelve edges. */
function cube(): MeshBuffers {
  const bytes = readFileSync('../core/src/test/resources/wire/cube.bin');
  return MeshBuffers.read(
    bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer,
  );
}

const edgesOf = (mesh: MeshBuffers) =>
  Array.from({ length: mesh.edgeEnd }, (_, e) => e).filter((e) => mesh.hasEdge(e));

describe('measuring on the model', () => {
  it('knows angles from 0 to 180, whatever the lengths', () => {
    const x = { x: 3, y: 0, z: 0 };
    expect(angle(x, { x: 0, y: 0.1, z: 0 })).toBeCloseTo(90);
    expect(angle(x, { x: -7, y: 0, z: 0 })).toBeCloseTo(180);
    expect(angle(x, x)).toBe(0);
    expect(length(plus(x, { x: 0, y: 4, z: 0 }))).toBe(5);
  });

  it('finds places along an edge from its first end to its second', () => {
    const mesh = cube();
    for (const e of edgesOf(mesh)) {
      const whole = edgeVector(mesh, e);
      const half = minus(along(mesh, e, 0.5), along(mesh, e, 0));
      expect(length(half)).toBeCloseTo(length(whole) / 2);
    }
  });

  it('joins edges to lines, closed ones without their first point twice', () => {
    const mesh = cube();
    const round = [...mesh.corners(0)].map((v, i, all) => {
      const next = all[(i + 1) % all.length];
      return edgesOf(mesh).find((e) => {
        const [a, b] = mesh.ends(e);
        return (a === v && b === next) || (b === v && a === next);
      })!;
    });
    const [ring] = linesOf(mesh, round);
    expect(ring).toMatchObject({ closed: true });
    expect(ring!.points).toHaveLength(4);
    const [line] = linesOf(mesh, round.slice(0, 3));
    expect(line).toMatchObject({ closed: false });
    expect(line!.points).toHaveLength(4);
    expect(linesOf(mesh, [9999])).toEqual([]);
  });
});

describe('how the end of a piece moves', () => {
  const view = { kind: 'parallel', direction: { x: 0, y: 0, z: -1 } } as const;

  it('on an edge stays on it, and no farther than its ends', () => {
    const mesh = cube();
    const at = along(mesh, 0, 0.25);
    const end: PendingPoint = { anchor: { on: 'edge', edge: 0, t: 0.25 }, view, at };
    const track = trackOf(mesh, along(mesh, 1, 0.5), end, 'length')!;
    expect(track.now).toBe(0.25);
    expect(track.at(0.75)).toMatchObject({ anchor: { on: 'edge', edge: 0, t: 0.75 } });
    expect(track.at(0)).toBeNull();
    expect(track.at(1)).toBeNull();
  });

  it('in a face turns about where it came from, and keeps its length', () => {
    const mesh = cube();
    const corners = [...mesh.corners(0)].map((v) => mesh.toWorld(mesh.local(v)));
    const from = corners[0]!;
    const at = plus(from, minus(corners[2]!, from), 0.5);
    const end: PendingPoint = { anchor: { on: 'face', face: 0, at }, view, at };
    const turned = trackOf(mesh, from, end, 'toLast')!.at(30)!;
    expect(length(minus(turned.at, from))).toBeCloseTo(length(minus(at, from)));
    expect(angle(minus(turned.at, from), minus(at, from))).toBeCloseTo(30);
    const longer = trackOf(mesh, from, end, 'length')!;
    expect(length(minus(longer.at(2)!.at, from))).toBeCloseTo(2 * length(minus(at, from)));
    expect(longer.at(0)).toBeNull();
  });

  it('on a vertex does not move', () => {
    const end: PendingPoint = {
      anchor: { on: 'vertex', vertex: 0 },
      view,
      at: { x: 0, y: 0, z: 0 },
    };
    expect(trackOf(cube(), { x: 1, y: 0, z: 0 }, end, 'length')).toBeNull();
  });
});
