import type { Note } from '../api/client';
import type { Point } from '../mesh/MeshBuffers';
import { useStage } from './stageContext';

interface Props {
  notes: readonly Pick<Note, 'kind' | 'place' | 'strokes'>[];
  /** Where marks stand: a stalk ends at the mark, without a foot. */
  marks: readonly Point[];
  chosen: number | null;
  onChoose: (index: number) => void;
}

/** The instructor's notes as numbered pins whose heads stand clear of their places. */
export function Pins({ notes, marks, chosen, onChoose }: Props) {
  const stage = useStage();
  const heads: { x: number; y: number }[] = [];
  return (
    <g data-testid="pins">
      {notes.map((note, i) => {
        const foot = stage.project(note.place);
        if (!foot.ahead) return null;
        const onMark = marks.some((m) => isNear(stage.project(m), foot));
        const head = freePlace(foot, heads, stage.width, stage.height);
        heads.push(head);
        const p = onMark ? between(foot, head, MARK_REACH) : foot;
        const faint = stage.isHidden(note.place) ? 0.45 : 1;
        return (
          <g
            key={i}
            opacity={i === chosen ? 1 : faint}
            className="pointer-events-auto cursor-pointer"
            data-pin={i + 1}
            onClick={() => onChoose(i)}
          >
            <path
              d={`M${p.x} ${p.y}L${head.x} ${head.y}`}
              stroke="var(--sheet)"
              strokeWidth={4.6}
            />
            <path
              d={`M${p.x} ${p.y}L${head.x} ${head.y}`}
              stroke="var(--magenta)"
              strokeWidth={1.8}
            />
            {!onMark && note.strokes.length === 0 && (
              <circle
                cx={p.x}
                cy={p.y}
                r={3.2}
                fill="var(--sheet)"
                stroke="var(--magenta)"
                strokeWidth={1.6}
              />
            )}
            <PinHead kind={note.kind} number={i + 1} at={head} chosen={i === chosen} />
          </g>
        );
      })}
    </g>
  );
}

/** By its form it is told what a note wants: a disc mends, an open ring asks, a flag praises. */
function PinHead(props: { kind: Note['kind']; number: number; at: Xy; chosen: boolean }) {
  const { kind, number, at, chosen } = props;
  const open = kind === 'ask';
  return (
    <g transform={`translate(${at.x} ${at.y})`} data-note-kind={kind}>
      {chosen && (
        <circle
          r={kind === 'praise' ? 18 : 15}
          fill="none"
          stroke="var(--magenta)"
          strokeWidth={1.8}
        />
      )}
      {kind === 'praise' ? (
        <path
          d="M-13 -9.5H13L8 0L13 9.5H-13Z"
          fill="var(--magenta)"
          stroke="var(--sheet)"
          strokeWidth={2}
        />
      ) : (
        <>
          <circle r={12} fill="var(--sheet)" />
          <circle
            r={open ? 10 : 11}
            fill={open ? 'var(--sheet)' : 'var(--magenta)'}
            stroke={open ? 'var(--magenta)' : 'var(--sheet)'}
            strokeWidth={2}
          />
        </>
      )}
      <text
        x={kind === 'praise' ? -2 : 0}
        y={4.5}
        textAnchor="middle"
        fontSize={12}
        fontWeight={600}
        fill={open ? 'var(--magenta)' : '#f9fbfb'}
      >
        {number}
      </text>
    </g>
  );
}

const MARK_REACH = 12;

interface Xy {
  x: number;
  y: number;
}

function isNear(p: Xy, q: Xy): boolean {
  return Math.hypot(p.x - q.x, p.y - q.y) < 6;
}

/** So many pixels from one place towards another. */
function between(from: Xy, to: Xy, reach: number): Xy {
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  return {
    x: from.x + ((to.x - from.x) * reach) / length,
    y: from.y + ((to.y - from.y) * reach) / length,
  };
}

const LENGTHS = [52, 64, 44];
const TURNS = [-50, -120, -25, -85, 20, -155, 60, 120];

/** A head 44 to 64 away from its foot, off other heads and inside the stage. */
function freePlace(
  foot: { x: number; y: number },
  taken: readonly { x: number; y: number }[],
  width: number,
  height: number,
): { x: number; y: number } {
  for (const length of LENGTHS) {
    for (const turn of TURNS) {
      const a = (turn * Math.PI) / 180;
      const head = { x: foot.x + length * Math.cos(a), y: foot.y + length * Math.sin(a) };
      const inside = head.x > 20 && head.y > 56 && head.x < width - 20 && head.y < height - 20;
      if (inside && taken.every((t) => Math.hypot(t.x - head.x, t.y - head.y) > 34)) return head;
    }
  }
  return { x: foot.x + 37, y: foot.y - 37 };
}
