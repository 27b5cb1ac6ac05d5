import { memo, useMemo } from 'react';
import type { Preview } from '../api/client';
import { isBeside, sightParts } from './sightParts';
import { useStage } from './stageContext';
import type { StageView } from './StageView';

type Piece = Preview['pieces'][number];
type CutPoint = Piece['points'][number];

interface Xy {
  x: number;
  y: number;
}

const CROWDED = 14;

/**
 * A pending cut as a course on a chart: dashed over a halo where it is seen, fainter where the model
 * hides it; a tick where a vertex comes, a ring where one is used, a bar where it crosses an edge.
 */
export const CutLine = memo(function CutLine(props: {
  pieces: readonly Piece[];
  letters: boolean;
}) {
  const { pieces, letters } = props;
  const stage = useStage();
  const { version } = stage;
  const lines = useMemo(
    () => pieces.map((piece) => splitBySight(stage, piece)),
    // The view is the same object, turned: its version tells.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [stage, version, pieces],
  );
  const front = lines.map((l) => l.front).join('');
  const behind = lines.map((l) => l.behind).join('');
  const past = lines.map((l) => l.past).join('');
  return (
    <g fill="none" data-testid="cut-line">
      <path
        d={behind}
        stroke="var(--ink)"
        strokeOpacity={0.62}
        strokeWidth={1.6}
        strokeDasharray="9 5"
      />
      <path d={front} stroke="var(--sheet)" strokeWidth={6} strokeLinecap="round" />
      <path d={front} stroke="var(--ink)" strokeWidth={2.4} strokeDasharray="9 5" />
      {past && <path d={past} stroke="var(--sheet)" strokeWidth={5} />}
      {past && <path d={past} stroke="var(--ink)" strokeWidth={2} strokeDasharray="2 4" />}
      {pieces.map((piece, i) => (
        <Places key={i} piece={piece} />
      ))}
      {letters && pieces.map((piece, i) => <Bearing key={i} piece={piece} index={i} />)}
    </g>
  );
});

export function letterOf(index: number): string {
  return String.fromCharCode(65 + (index % 26));
}

function splitBySight(stage: StageView, piece: Piece) {
  let front = '';
  let behind = '';
  let past = '';
  let begin = 0;
  for (const count of piece.stretches) {
    for (let i = begin + 1; i < begin + count; i++) {
      const a = piece.points[i - 1]!.at;
      const b = piece.points[i]!.at;
      const parts = sightParts(stage, a, b);
      if (isPast(piece.points[i - 1]!, piece.points[i]!)) {
        past += parts.front + parts.behind;
        continue;
      }
      front += parts.front;
      behind += parts.behind;
    }
    begin += count;
  }
  return { front, behind, past };
}

/** Whether the cut runs on here, past the end of a sight-line. */
function isPast(a: CutPoint, b: CutPoint): boolean {
  return (a.use === 'sight' && b.use === 'runOn') || (a.use === 'runOn' && b.use === 'sight');
}

function Places({ piece }: { piece: Piece }) {
  const stage = useStage();
  const seen = piece.points.map((point) => ({ point, ...stage.project(point.at) }));
  const ends = seen.filter((s) => s.point.use !== 'crossing');
  return (
    <>
      {seen.map(({ point, x, y, ahead }, i) => {
        if (!ahead || isBeside(stage, { x, y, ahead }, { x, y, ahead })) return null;
        const crowded =
          point.use === 'crossing' && ends.some((e) => Math.hypot(e.x - x, e.y - y) < CROWDED);
        if (crowded) return null;
        const hidden = stage.isHidden(point.at);
        const cut = direction(seen[i - 1] ?? seen[i]!, seen[i + 1] ?? seen[i]!);
        const edge = edgeTurn(stage, point) ?? cut + 90;
        return <Place key={i} point={point} at={{ x, y }} edge={edge} cut={cut} hidden={hidden} />;
      })}
    </>
  );
}

/** How the edge on which a point lies runs on the screen, in degrees. */
function edgeTurn(stage: StageView, { at, edge }: CutPoint): number | null {
  if (!edge) return null;
  const size = Math.hypot(edge.x, edge.y, edge.z) || 1;
  const step = 12 / (stage.pixelsPerUnit * size);
  const ahead = { x: at.x + edge.x * step, y: at.y + edge.y * step, z: at.z + edge.z * step };
  return direction(stage.project(at), stage.project(ahead));
}

/** Of the two diagonals across an edge, the one that lies farther from the cut. */
function tickTurn(edge: number, cut: number): number {
  const off = (turn: number) => {
    const d = Math.abs((((turn - cut) % 180) + 180) % 180);
    return Math.min(d, 180 - d);
  };
  return off(edge + 45) >= off(edge - 45) ? edge + 45 : edge - 45;
}

function direction(a: Xy, b: Xy): number {
  return (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
}

function Place(props: { point: CutPoint; at: Xy; edge: number; cut: number; hidden: boolean }) {
  const { x, y } = props.at;
  const faint = props.hidden ? 0.62 : 1;
  switch (props.point.use) {
    case 'used':
      return (
        <g data-use="used">
          {!props.hidden && <circle cx={x} cy={y} r={7} stroke="var(--sheet)" strokeWidth={6.4} />}
          <circle
            cx={x}
            cy={y}
            r={7}
            stroke="var(--ink)"
            strokeOpacity={faint}
            strokeWidth={props.hidden ? 1.6 : 2.4}
          />
        </g>
      );
    case 'crossing':
      return (
        <Bar
          at={props.at}
          angle={props.edge}
          length={9}
          width={5.4}
          faint={props.hidden}
          use="crossing"
        />
      );
    case 'sight':
      return null;
    case 'runOn':
      return (
        <circle cx={x} cy={y} r={2.6} fill="var(--ink)" fillOpacity={faint} data-use="run-on" />
      );
    case 'fresh':
      return (
        <Bar
          at={props.at}
          angle={tickTurn(props.edge, props.cut)}
          length={17}
          width={3.2}
          faint={props.hidden}
          use="fresh"
        />
      );
  }
}

function Bar(props: {
  at: Xy;
  angle: number;
  length: number;
  width: number;
  faint: boolean;
  use: string;
}) {
  const length = props.faint ? props.length * 0.78 : props.length;
  const width = props.faint ? props.width * 0.66 : props.width;
  const box = { x: -length / 2, y: -width / 2, width: length, height: width };
  return (
    <g
      transform={`translate(${props.at.x} ${props.at.y}) rotate(${props.angle})`}
      data-use={props.use}
    >
      {!props.faint && (
        <rect
          x={box.x - 2}
          y={box.y - 2}
          width={length + 4}
          height={width + 4}
          fill="var(--sheet)"
        />
      )}
      <rect {...box} fill="var(--ink)" fillOpacity={props.faint ? 0.62 : 1} />
    </g>
  );
}

/** The letter of a piece, beside its middle. */
function Bearing({ piece, index }: { piece: Piece; index: number }) {
  const stage = useStage();
  const middle = piece.points[Math.floor((piece.points.length - 1) / 2)];
  if (!middle) return null;
  const next = piece.points[Math.floor((piece.points.length - 1) / 2) + 1];
  if (!next) return null;
  const p = stage.project(middle.at);
  const q = stage.project(next.at);
  const angle = Math.atan2(q.y - p.y, q.x - p.x) - Math.PI / 2;
  const x = (p.x + q.x) / 2 + 15 * Math.cos(angle);
  const y = (p.y + q.y) / 2 + 15 * Math.sin(angle);
  return (
    <text
      x={x}
      y={y + 5}
      textAnchor="middle"
      fontSize={13}
      fontWeight={600}
      fill="var(--ink)"
      stroke="var(--sheet)"
      strokeWidth={4}
      paintOrder="stroke"
    >
      {letterOf(index)}
    </text>
  );
}
