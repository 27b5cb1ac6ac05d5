import { expect, test } from 'vitest';
import type { Finding } from '../src/api/client';
import { clusters, join } from '../src/stage/sight';
import type { StageView } from '../src/stage/StageView';

const finding = (key: string, severity: Finding['severity'], x: number, y: number): Finding => ({
  key,
  severity,
  kind: 'triangle',
  family: 'Sides',
  title: key,
  sentence: key,
  measure: 3,
  unit: 'sides',
  reach: 1,
  form: null,
  numbers: {},
  elements: [],
  place: { x, y, z: 0 },
});

/** A stage that shows places as they are, pixel for pixel. */
const stage = {
  width: 800,
  height: 600,
  projector: () => (p: { x: number; y: number }) => ({ x: p.x, y: p.y, ahead: true }),
} as unknown as StageView;

test('near marks join, and the joined mark is that of what must be mended', () => {
  const findings = [
    finding('a remark', 'remark', 100, 100),
    finding('a must', 'must', 106, 104),
    finding('far away', 'should', 300, 300),
  ];
  const marks = clusters(stage, findings, new Uint8Array(3));
  expect(marks.map((m) => [m.finding.key, m.findings.length])).toEqual([
    ['a must', 2],
    ['far away', 1],
  ]);
});

test('what is hidden, out of the frame or chosen has no mark', () => {
  const findings = [
    finding('hidden', 'must', 100, 100),
    finding('beside', 'must', 900, 100),
    finding('chosen', 'must', 200, 100),
    finding('seen', 'must', 300, 100),
  ];
  const marks = clusters(stage, findings, new Uint8Array([1, 0, 0, 0]), findings[2]);
  expect(marks.map((m) => m.finding.key)).toEqual(['seen']);
});

test('ten thousand findings have sixty marks at most, apart from each other, and none is lost', () => {
  const findings = Array.from({ length: 10_000 }, (_, i) =>
    finding(`f${i}`, i % 50 ? 'remark' : 'must', (i % 100) * 8, Math.floor(i / 100) * 6),
  );
  const marks = clusters(stage, findings, new Uint8Array(10_000));
  expect(marks.length).toBeGreaterThan(10);
  expect(marks.length).toBeLessThanOrEqual(60);
  expect(marks.reduce((n, m) => n + m.findings.length, 0)).toBe(10_000);
  expect(marks.some((m) => m.finding.severity === 'must')).toBe(true);
});

test('marks that are farther apart than the reach stay apart, across cells of the grid too', () => {
  const at = (x: number) => {
    const f = finding(`${x}`, 'must', x, 0);
    return { finding: f, x, y: 0, findings: [f] };
  };
  expect(join([at(13.9), at(14.1)], 14)).toHaveLength(1);
  expect(join([at(0), at(14.1), at(28.2)], 14)).toHaveLength(3);
});
