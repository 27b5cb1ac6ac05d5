import { memo, useMemo } from 'react';
import type { Schemas } from '../api/client';
import type { Point } from '../mesh/MeshBuffers';
import { sightParts } from './sightParts';
import { useStage } from './stageContext';

type Line = Schemas['Line'];

/** What an exercise marks on its mesh, by place. */
export interface Marked {
  hardLines: readonly Line[];
  coveredEnds: readonly Point[];
  held: readonly Point[];
  /** Along which edges are to run. */
  lines: readonly Line[];
}

/**
 * What an exercise marks: edges that count as hard, ends that something will cover, vertices that
 * stay, and the lines that are asked for.
 */
export const ExerciseMarks = memo(function ExerciseMarks(props: {
  marked: Marked;
  /** Places of a line that is being drawn. */
  ends?: readonly Point[];
}) {
  const { marked, ends = [] } = props;
  const stage = useStage();
  const { version } = stage;
  const drawn = useMemo(() => {
    const parts = (lines: readonly Line[]) => {
      let front = '';
      let behind = '';
      for (const { points } of lines) {
        for (let i = 1; i < points.length; i++) {
          const seen = sightParts(stage, points[i - 1]!, points[i]!);
          front += seen.front;
          behind += seen.behind;
        }
      }
      return { front, behind };
    };
    return { hard: parts(marked.hardLines), asked: parts(marked.lines) };
    // The view is the same object, turned: its version tells.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [stage, version, marked]);
  return (
    <g fill="none" data-testid="exercise-marks">
      <path d={drawn.hard.front} stroke="var(--ink)" strokeWidth={4.2} strokeLinecap="round" />
      <path
        d={drawn.asked.behind}
        stroke="var(--ink)"
        strokeOpacity={0.5}
        strokeWidth={1.6}
        strokeDasharray={ASKED}
      />
      <path d={drawn.asked.front} stroke="var(--sheet)" strokeWidth={6.5} />
      <path
        d={drawn.asked.front}
        stroke="var(--ink)"
        strokeWidth={2.4}
        strokeDasharray={ASKED}
        data-mark="line"
      />
      {ends.map((at, i) => (
        <At key={i} at={at} mark="point" d={DOT} />
      ))}
      {marked.coveredEnds.map((at, i) => (
        <At key={i} at={at} mark="covered" d={LID} />
      ))}
      {marked.held.map((at, i) => (
        <At key={i} at={at} mark="held" d={POST} />
      ))}
    </g>
  );
});

const ASKED = '12 4 2.5 4';

const DOT = 'M-3 0A3 3 0 1 1 3 0A3 3 0 1 1 -3 0Z';

/** A lid over its end. */
const LID = 'M-8 1.5A8 8 0 0 1 8 1.5ZM-10 1.5H10';

/** A post that is driven in. */
const POST = 'M-5.5 -7H5.5M0 -7V6M-3 3L0 7L3 3';

function At({ at, mark, d }: { at: Point; mark: string; d: string }) {
  const stage = useStage();
  const p = stage.project(at);
  if (!p.ahead || stage.isHidden(at)) return null;
  return (
    <g transform={`translate(${p.x} ${p.y})`} data-mark={mark}>
      <path d={d} stroke="var(--sheet)" strokeWidth={5.6} strokeLinecap="round" />
      <path d={d} stroke="var(--ink)" strokeWidth={2} strokeLinecap="round" />
    </g>
  );
}
