import { expect, test } from 'vitest';
import type { Schemas, Workpiece } from '../src/api/client';
import { moved } from '../src/features/bench/useWorkpiece';

const step = (id: number): Schemas['StepView'] => ({
  id,
  parent: id > 1 ? id - 1 : null,
  name: null,
  number: id,
  tool: 'Loops',
  did: 'Splits 6 quads.',
  brief: '6 quads, 50 %',
  brought: [],
  mended: 0,
  depth: 0,
  checked: true,
  madeAt: `2026-11-26T10:00:0${id}Z`,
});
const check = { must: 2, findings: [] } as unknown as Workpiece['check'];
const before = {
  id: 'w',
  revision: 4,
  steps: [step(1)],
  others: [step(2)],
  canUndo: true,
  canRedo: true,
  keptAt: step(1).madeAt,
  check,
  checked: true,
  chosen: [7],
} as unknown as Workpiece;

test('a step is added to those before it, and can be taken back but not made again', () => {
  const fresh = { must: 0, findings: [] } as unknown as Workpiece['check'];
  const now = moved(before, { revision: 5, step: step(3), check: fresh, chosen: [] });
  expect(now.steps.map((s) => s.id)).toEqual([1, 3]);
  expect(now.others).toEqual(before.others);
  expect(now).toMatchObject({ revision: 5, canUndo: true, canRedo: false, checked: true });
  expect(now.check).toBe(fresh);
  expect(now.keptAt).toBe(step(3).madeAt);
});

test('a step that waits for its check leaves the last one standing, and says so', () => {
  const now = moved(before, { revision: 5, step: step(3), check: null, chosen: [] });
  expect(now.checked).toBe(false);
  expect(now.check).toBe(check);
});

test('where all of the state is told, nothing of the one before is left', () => {
  const whole = { ...before, revision: 9, steps: [] };
  expect(moved(before, whole)).toBe(whole);
});

test('taken back and made again, a step changes sides among those that are known', () => {
  const back = moved(before, { revision: 5, head: null, check });
  expect(back.steps).toEqual([]);
  expect(back.others.map((s) => s.id)).toEqual([1, 2]);
  expect(back).toMatchObject({ revision: 5, canUndo: false, canRedo: true, checked: true });
  expect(back.chosen).toEqual([]);
  const again = moved(back, { revision: 6, head: 2, check: null });
  expect(again.steps.map((s) => s.id)).toEqual([1, 2]);
  expect(again).toMatchObject({ others: [], canUndo: true, canRedo: false, checked: false });
  expect(again.check).toBe(check);
});
