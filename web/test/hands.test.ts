import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Cells } from '../src/features/bench/hands/cells';
import { elementHand } from '../src/features/bench/hands/elementHand';
import { loopsHand } from '../src/features/bench/hands/loopsHand';
import { outlineHand } from '../src/features/bench/hands/outlineHand';
import { straightHand } from '../src/features/bench/hands/straightHand';
import { traceHand } from '../src/features/bench/hands/traceHand';
import { keptRuns } from '../src/features/bench/pending';
import type { Picked } from '../src/stage/pick';
import { at, cube, edge, face, inHand, vertex, VIEW } from './benchHands';

/** What lies under the pointer next; nothing where it is beside the model. */
const under = vi.hoisted(() => ({ picked: null as unknown }));

vi.mock('../src/stage/pick', () => ({
  pick: () => under.picked,
  pickRing: () => under.picked,
  onEdgeAt: () => null,
}));

function over(picked: Picked | null) {
  under.picked = picked;
}

beforeEach(() => {
  sessionStorage.clear();
  over(null);
});

describe('cells', () => {
  it('hold what a hand remembers, apart from what others do, and tell of every change', () => {
    const cells = new Cells();
    const told = vi.fn();
    const stop = cells.subscribe(told);
    const first = vi.fn(() => 1);
    const [value, put] = cells.of('trace')('n', first);
    expect(value).toBe(1);
    put((now) => now + 1);
    put(2);
    expect(told).toHaveBeenCalledTimes(1);
    expect(cells.of('trace')('n', first)[0]).toBe(2);
    expect(first).toHaveBeenCalledTimes(1);
    expect(cells.of('loops')('n', 7)[0]).toBe(7);
    const before = cells.version();
    put(3);
    expect(cells.version()).toBeGreaterThan(before);
    stop();
    put(4);
    expect(told).toHaveBeenCalledTimes(2);
  });
});

describe('trace in hand', () => {
  const held = () => inHand(traceHand);
  const place = (it: ReturnType<typeof held>, picked: Picked | null, x: number) => {
    over(picked);
    it.hand.click(at(x));
  };

  it('asks for a cut once two points count, each as it was seen', () => {
    const it = held();
    place(it, vertex(3), 100);
    expect(it.hand).toMatchObject({
      pending: true,
      missing: 'Add a second point on a vertex, an edge or beside the model.',
    });
    place(it, edge(5, 0.25), 200);
    expect(it.hand.missing).toBeNull();
    expect(it.hand.change).toEqual({
      tool: 'trace',
      runs: [
        {
          points: [
            { anchor: { on: 'vertex', vertex: 3 }, view: VIEW },
            { anchor: { on: 'edge', edge: 5, t: 0.25 }, view: VIEW },
          ],
          thin: 0,
        },
      ],
      reach: 'front',
      scope: { chosen: null, hidden: [] },
    });
  });

  it('goes through faces, and has to leave them', () => {
    const it = held();
    place(it, face(1), 50);
    expect(it.hand.pending).toBe(false);
    expect(it.hand.missing).toContain('begins on a vertex');
    place(it, vertex(3), 100);
    place(it, face(1), 200);
    expect(it.hand.missing).toBe(
      'The last point lies inside a face: go on to a vertex or an edge.',
    );
    place(it, edge(2), 300);
    expect(it.hand.missing).toBeNull();
  });

  it('lets a point lie beside the model, on the sight-line', () => {
    const it = held();
    place(it, null, 100);
    place(it, vertex(1), 200);
    expect(it.hand.change).toMatchObject({
      runs: [{ points: [{ anchor: { on: 'beside', at: { x: 100, y: 0, z: 0 } } }, {}] }],
    });
  });

  it('closes on its first point and begins another run, also by its key', () => {
    const it = held();
    for (const [id, x] of [
      [1, 100],
      [2, 200],
      [3, 300],
    ] as const) {
      place(it, { ...vertex(id), at: { x, y: 0, z: 0 } } as Picked, x);
    }
    it.hand.click(at(101));
    expect(it.hand.change).toMatchObject({ runs: [{ points: [{}, {}, {}, {}] }] });
    place(it, vertex(4), 400);
    place(it, vertex(5), 500);
    it.press('E');
    place(it, vertex(6), 600);
    expect(it.hand.missing).toContain('Add a second point');
    expect(it.hand.change).toMatchObject({ runs: [{}, {}] });
  });

  it('picks a placed point up and puts it down elsewhere', () => {
    const it = held();
    place(it, { ...vertex(1), at: { x: 100, y: 0, z: 0 } } as Picked, 100);
    place(it, { ...vertex(2), at: { x: 200, y: 0, z: 0 } } as Picked, 200);
    it.hand.click(at(199));
    expect(it.hand.missing).toBe('Click where the point that is picked up shall lie.');
    place(it, vertex(7), 300);
    expect(it.hand.change).toMatchObject({
      runs: [{ points: [{}, { anchor: { on: 'vertex', vertex: 7 } }] }],
    });
  });

  it('takes back point by point, and the last step after that', () => {
    const it = held();
    place(it, vertex(1), 100);
    place(it, vertex(2), 200);
    expect(it.hand.back()).toBe(true);
    expect(it.hand.missing).toContain('Add a second point');
    expect(it.hand.back()).toBe(true);
    expect(it.hand.pending).toBe(false);
    expect(it.hand.back()).toBe(false);
  });

  it('keeps what is pending in this window, and lets it go when it is made', () => {
    const it = held();
    place(it, vertex(1), 100);
    expect(keptRuns('w', 4)).toHaveLength(1);
    expect(inHand(traceHand).hand.pending).toBe(true);
    it.hand.made();
    expect(it.hand.pending).toBe(false);
    expect(keptRuns('w', 4)).toEqual([]);
  });

  it('goes right through by its key', () => {
    const it = held();
    place(it, vertex(1), 100);
    place(it, vertex(2), 200);
    it.press('R');
    expect(it.hand.change).toMatchObject({ reach: 'through' });
  });

  it('thins a line that was drawn, its ends as they are where they lie on the border', () => {
    const it = held();
    over(edge(2));
    it.hand.stroke!([at(1), at(5), at(9)]);
    expect(it.hand.change).toMatchObject({
      runs: [{ thin: 2.5, points: [{ anchor: { on: 'edge' } }, {}, {}] }],
    });
    expect(it.hand.back()).toBe(true);
    expect(it.hand.pending).toBe(false);
  });
});

describe('straight in hand', () => {
  it('cuts along a line that is drawn, seen as it was', () => {
    const it = inHand(straightHand);
    expect(it.hand.click(at(10, 20))).toBe(true);
    expect(it.hand).toMatchObject({
      pending: true,
      change: null,
      missing: '1 more to tell the plane.',
    });
    it.hand.click(at(90, 20));
    expect(it.hand.change).toMatchObject({
      tool: 'straight',
      plane: { by: 'drawn', from: { x: 10, z: 20 }, to: { x: 90, z: 20 }, view: VIEW },
      reach: 'through',
      after: 'joined',
      eye: VIEW,
    });
    it.press('R');
    expect(it.hand.change).toMatchObject({ reach: 'front' });
  });

  it('holds the line to steps of an angle', () => {
    const it = inHand(straightHand);
    it.press('K');
    it.hand.click(at(0, 0));
    it.hand.click(at(100, 3));
    const plane = (it.hand.change as unknown as { plane: { to: { z: number } } }).plane;
    expect(plane.to.z).toBeCloseTo(0);
  });

  it('lets an end be picked up and put down', () => {
    const it = inHand(straightHand);
    it.hand.click(at(10, 20));
    it.hand.click(at(90, 20));
    it.hand.click(at(91, 21));
    expect(it.hand.hint(null)).toMatchObject({ rest: 'puts this end of the line down here.' });
    expect(it.hand.back()).toBe(true);
    it.hand.click(at(90, 20));
    it.hand.click(at(70, 50));
    expect(it.hand.change).toMatchObject({ plane: { to: { x: 70, z: 50 } } });
  });

  it('begins a new line after two ends, and drops all', () => {
    const it = inHand(straightHand);
    it.hand.click(at(10, 20));
    it.hand.click(at(90, 20));
    it.hand.click(at(300, 300));
    expect(it.hand.change).toBeNull();
    it.hand.drop();
    expect(it.hand).toMatchObject({ pending: false, missing: null });
    expect(it.hand.back()).toBe(false);
  });
});

describe('loops in hand', () => {
  it('lights the ring under the pointer, asks of it, and keeps it by a click', () => {
    const it = inHand(loopsHand);
    over(edge(4, 0.3));
    it.hand.point(at(1));
    expect(it.hand).toMatchObject({ pending: false, ring: 4 });
    expect(it.hand.change).toMatchObject({
      tool: 'loops',
      edge: 4,
      places: { place: 'at', fractions: [0.5], by: 'fraction' },
    });
    it.hand.click(at(1));
    expect(it.hand.pending).toBe(true);
    over(edge(7));
    it.hand.point(at(2));
    expect(it.hand.ring, 'the pending one stays').toBe(4);
    expect(it.hand.back()).toBe(true);
    expect(it.hand.ring).toBe(7);
    expect(it.hand.back()).toBe(false);
  });

  it('takes the middle, or where one points', () => {
    const it = inHand(loopsHand);
    over(edge(4, 0.3));
    it.hand.point(at(1));
    it.press('M');
    expect(it.hand.change).toMatchObject({ places: { fractions: [0.3] } });
  });

  it('has nothing where no edge is, or where that is gone', () => {
    const it = inHand(loopsHand);
    expect(it.hand).toMatchObject({ change: null, ring: undefined });
    over(edge(999));
    it.hand.point(at(1));
    expect(it.hand).toMatchObject({ change: null, ring: undefined });
  });
});

describe('outline in hand', () => {
  it('lays a circle where one clicks, upright as it is seen', () => {
    const it = inHand(outlineHand);
    expect(it.hand).toMatchObject({ pending: false, change: null, missing: null });
    it.hand.click(at(30, 40));
    expect(it.hand).toMatchObject({ pending: true });
    expect(it.hand.change).toMatchObject({ tool: 'outline', reach: 'front' });
    expect(JSON.stringify(it.hand.change)).toContain('"x":30');
    it.press('R');
    expect(it.hand.change).toMatchObject({ reach: 'through' });
    it.hand.click(at(70, 40));
    expect(JSON.stringify(it.hand.change), 'the next click moves it').toContain('"x":70');
    expect(it.hand.back()).toBe(true);
    expect(it.hand.pending).toBe(false);
    expect(it.hand.back()).toBe(false);
  });
});

describe('a clean-up tool in hand', () => {
  it('chooses what is clicked, each once, and says what is missing', () => {
    const it = inHand((ground, cell) => elementHand(ground, cell, 'weld'));
    over(vertex(2));
    it.hand.click(at(1));
    expect(it.hand.missing).toBe('Choose at least two vertices.');
    over(vertex(5));
    it.hand.click(at(1));
    expect(it.hand.change).toEqual({ tool: 'weld', vertices: [2, 5], at: 'first' });
    it.hand.click(at(1));
    expect(it.chosen.vertices).toEqual([2]);
    expect(it.hand.back()).toBe(true);
    expect(it.chosen.vertices).toEqual([]);
    expect(it.hand.back()).toBe(false);
  });

  it('slides along an edge that leads away from what is chosen', () => {
    const mesh = cube();
    const [a, b] = mesh.ends(0);
    const it = inHand((ground, cell) => elementHand(ground, cell, 'slide'), mesh);
    over(vertex(a));
    it.hand.click(at(1));
    expect(it.hand.missing).toBe('Now click an edge that leads away from one of them.');
    over(edge(0));
    it.hand.click(at(1));
    expect(it.hand.change).toEqual({
      tool: 'slide',
      vertices: [a],
      first: a,
      towards: b,
      amount: 0.25,
      measure: 'fraction',
    });
    expect(it.hand.back()).toBe(true);
    expect(it.hand.change).toBeNull();
    it.hand.drop();
    expect(it.chosen.vertices).toEqual([]);
  });

  it('caps the hole or the face that is clicked, from a corner if one is', () => {
    const it = inHand((ground, cell) => elementHand(ground, cell, 'cap'));
    over(face(3));
    it.hand.click(at(1));
    over(vertex(6));
    it.hand.click(at(1));
    expect(it.hand.change).toMatchObject({
      tool: 'cap',
      plan: { face: 3, edge: null, form: 'grid', corner: 6 },
    });
  });

  it('aims only at what it works on', () => {
    const it = inHand((ground, cell) => elementHand(ground, cell, 'lift'));
    over(edge(3));
    it.hand.point(at(1));
    expect(it.hand.hover).toMatchObject({ on: 'edge', id: 3 });
    expect(it.hand.hint(null).rest).toBe('chooses this edge.');
    it.hand.point(null);
    expect(it.hand.hover).toBeNull();
  });
});
