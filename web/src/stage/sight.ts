import { useEffect, useState } from 'react';
import type { Finding } from '../api/client';
import type { StageView } from './StageView';

/** So many places are asked for at every turn of the view; of more only once it rests. */
const AT_ONCE = 300;
const REST_MS = 120;
const SLICE_MS = 8;

/** Which of the places of findings the model hides, one byte each. */
export type Sight = Uint8Array;

/** What is known of some findings, for all who draw them. */
interface Known {
  sight: Sight;
  /** Of the view that it was found out from. */
  version: number;
  /** Who is to be drawn again when more is known. */
  drawn: Set<() => void>;
  timer: number;
}

const known = new WeakMap<readonly Finding[], Known>();

/**
 * Which findings the model hides from the eye. Of many the answer is that of the last time the view
 * rested, and comes by and by: a turn of the view stays smooth.
 */
export function useSight(stage: StageView, findings: readonly Finding[]): Sight {
  const [, setAnswered] = useState(0);
  const { version } = stage;
  const many = findings.length > AT_ONCE;
  let entry = known.get(findings);
  if (!entry) {
    entry = { sight: new Uint8Array(findings.length), version: -1, drawn: new Set(), timer: 0 };
    known.set(findings, entry);
  }
  if (!many && entry.version !== version) {
    findings.forEach((f, i) => (entry.sight[i] = stage.isHidden(f.place) ? 1 : 0));
    entry.version = version;
  }
  useEffect(() => {
    if (!many || entry.version === version) return;
    const again = () => setAnswered((n) => n + 1);
    entry.drawn.add(again);
    // The last one to ask begins anew: they all ask for the same view.
    lookByAndBy(entry, stage, findings);
    return () => {
      entry.drawn.delete(again);
      if (entry.drawn.size === 0) clearTimeout(entry.timer);
    };
  }, [stage, findings, version, many, entry]);
  return entry.sight;
}

/** Looks at some findings after the other, once the view rests, and then tells who draws them. */
function lookByAndBy(entry: Known, stage: StageView, findings: readonly Finding[]) {
  const { version } = stage;
  const next: Sight = new Uint8Array(findings.length);
  const goOn = (from: number) => {
    const until = performance.now() + SLICE_MS;
    let i = from;
    for (; i < next.length && performance.now() < until; i++) {
      next[i] = stage.isHidden(findings[i]!.place) ? 1 : 0;
    }
    if (i < next.length) {
      entry.timer = window.setTimeout(() => goOn(i));
      return;
    }
    entry.sight = next;
    entry.version = version;
    entry.drawn.forEach((again) => again());
  };
  clearTimeout(entry.timer);
  entry.timer = window.setTimeout(() => goOn(0), REST_MS);
}

/** A mark for one finding, or for several that lie together on the screen. */
export interface Cluster {
  /** The one whose mark is shown: what must be mended goes before the rest. */
  finding: Finding;
  x: number;
  y: number;
  findings: readonly Finding[];
}

const JOIN = 14;
const MOST_MARKS = 60;
const MARGIN = 20;

/**
 * Joins findings whose marks would lie together. Where there would be too many marks even so, marks
 * farther apart join, until the model is seen between them.
 */
export function clusters(
  stage: StageView,
  findings: readonly Finding[],
  sight: Sight,
  without?: Finding,
): Cluster[] {
  const project = stage.projector();
  const bySeverity: Record<Finding['severity'], Cluster[]> = { must: [], should: [], remark: [] };
  findings.forEach((finding, i) => {
    if (sight[i] || finding === without) return;
    const { x, y, ahead } = project(finding.place);
    const inFrame =
      x > -MARGIN && y > -MARGIN && x < stage.width + MARGIN && y < stage.height + MARGIN;
    if (ahead && inFrame) bySeverity[finding.severity].push({ finding, x, y, findings: [finding] });
  });
  let marks = join([...bySeverity.must, ...bySeverity.should, ...bySeverity.remark], JOIN);
  for (let reach = JOIN * 1.6; marks.length > MOST_MARKS && reach < stage.width; reach *= 1.6) {
    marks = join(marks, reach, WIDE);
  }
  return marks;
}

/** Beside a joined mark stands its count. */
const WIDE = 1.8;

/**
 * Each mark joins the first before it that is nearer than the reach.
 *
 * @param wide how much farther to the side than upwards they may lie to be as near
 */
export function join(marks: readonly Cluster[], reach: number, wide = 1): Cluster[] {
  const all: (Cluster & { findings: Finding[] })[] = [];
  const cells = new Map<number, typeof all>();
  const cell = (n: number) => Math.floor(n / reach) + 10;
  for (const { finding, x, y, findings } of marks) {
    let near: (typeof all)[number] | undefined;
    for (let k = 0; k < AROUND.length && !near; k++) {
      const [i, j] = AROUND[k]!;
      const there = cells.get((cell(x / wide) + i) * ROW + cell(y) + j);
      near = there?.find((c) => ((c.x - x) / wide) ** 2 + (c.y - y) ** 2 < reach * reach);
    }
    if (near) {
      for (const f of findings) near.findings.push(f);
      continue;
    }
    const own = { finding, x, y, findings: [...findings] };
    all.push(own);
    const key = cell(x / wide) * ROW + cell(y);
    const there = cells.get(key);
    if (there) there.push(own);
    else cells.set(key, [own]);
  }
  return all;
}

const ROW = 1 << 16;

/** A cell of the grid and its neighbours, itself first: there the mark to join most often is. */
const AROUND: readonly (readonly [number, number])[] = [
  [0, 0],
  ...[-1, 0, 1].flatMap((i) => [-1, 0, 1].map((j) => [i, j] as const)),
];
