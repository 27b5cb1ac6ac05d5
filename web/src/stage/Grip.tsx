import { useRef, type PointerEvent } from 'react';
import type { Point } from '../mesh/MeshBuffers';
import { useStage } from './stageContext';
import type { StageView } from './StageView';

/** A way on the screen, in pixels. */
interface Way {
  x: number;
  y: number;
}

interface Props {
  at: Point;
  /** What it is, for a screen reader; what it does can be typed in the slip too. */
  label: string;
  /** Along this direction it moves; without one, any way on the screen. */
  along?: Point;
  /** It is left out where it would cover this. */
  apartFrom?: Point;
  /** A letter on it. */
  letter?: string;
  round?: boolean;
  /** How far it was drawn since it was taken, in units along its direction, or on the screen. */
  onDraw: (amount: number, way: Point) => void;
  onTake: () => void;
}

/** Shorter than this on the screen, a direction can't be drawn along. */
const SHORTEST = 9;

/** Nearer to each other, two grips would cover each other. */
const APART = 24;

/** Something on the model that is drawn along a direction by the pointer. */
export function Grip(props: Props) {
  const { at, label, along, apartFrom, letter, round, onDraw, onTake } = props;
  const stage = useStage();
  const taken = useRef<{ from: Way; ahead: Way } | null>(null);
  const p = stage.project(at);
  const arm = along ? armOf(stage, at, along) : { x: 0, y: 0 };
  if (!p.ahead || (along && Math.hypot(arm.x, arm.y) < SHORTEST)) return null;
  if (apartFrom) {
    const q = stage.project(apartFrom);
    if (Math.hypot(p.x - q.x, p.y - q.y) < APART) return null;
  }

  const take = (e: PointerEvent<SVGGElement>) => {
    if (e.button !== 0) return;
    e.stopPropagation();
    e.currentTarget.setPointerCapture(e.pointerId);
    taken.current = { from: { x: e.clientX, y: e.clientY }, ahead: arm };
    onTake();
  };
  const draw = (e: PointerEvent) => {
    if (!taken.current) return;
    e.stopPropagation();
    const { from, ahead } = taken.current;
    const way = { x: e.clientX - from.x, y: e.clientY - from.y };
    const reach = stage.modelRadius / 4;
    const square = ahead.x * ahead.x + ahead.y * ahead.y;
    const amount = along ? (reach * (way.x * ahead.x + way.y * ahead.y)) / square : 0;
    onDraw(amount, onScreen(stage, at, way));
  };
  const leave = (e: PointerEvent) => {
    if (taken.current) e.stopPropagation();
    taken.current = null;
  };
  const turn = (Math.atan2(arm.y, arm.x) * 180) / Math.PI;
  return (
    <g
      role="img"
      aria-label={label}
      data-testid="grip"
      data-grip={label}
      className="pointer-events-auto cursor-grab touch-none active:cursor-grabbing"
      transform={`translate(${p.x} ${p.y})`}
      fill="var(--sheet)"
      stroke="var(--ink)"
      strokeWidth={1.6}
      onPointerDown={take}
      onPointerMove={draw}
      onPointerUp={leave}
      onPointerCancel={leave}
    >
      <title>{label}</title>
      {along && (
        <path
          d="M-17 0H17M-17 -4V4M17 -4V4"
          transform={`rotate(${turn})`}
          fill="none"
          strokeWidth={1.4}
        />
      )}
      {round ? <circle r={8} /> : <path d="M0 -9L9 0L0 9L-9 0Z" />}
      {letter && (
        <text
          textAnchor="middle"
          y={3.6}
          fontSize={10}
          fontWeight={600}
          fill="var(--ink)"
          stroke="none"
        >
          {letter}
        </text>
      )}
    </g>
  );
}

/** A quarter of the model's radius along a direction, as it looks at a place. */
function armOf(stage: StageView, at: Point, along: Point): Way {
  const reach = stage.modelRadius / 4;
  const p = stage.project(at);
  const q = stage.project({
    x: at.x + along.x * reach,
    y: at.y + along.y * reach,
    z: at.z + along.z * reach,
  });
  return { x: q.x - p.x, y: q.y - p.y };
}

/** What a way on the screen is in the model, in a plane that faces the eye. */
function onScreen(stage: StageView, at: Point, way: Way): Point {
  const { right, up } = stage.screenAxes;
  const tall = armOf(stage, at, right);
  const scale = stage.modelRadius / 4 / (Math.hypot(tall.x, tall.y) || 1);
  const [x, y] = [way.x * scale, -way.y * scale];
  return {
    x: right.x * x + up.x * y,
    y: right.y * x + up.y * y,
    z: right.z * x + up.z * y,
  };
}
