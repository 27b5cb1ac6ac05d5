import { useRef } from 'react';
import type { MeshBuffers, Point } from '../../../mesh/MeshBuffers';
import { Grip } from '../../../stage/Grip';
import { cross, dot, length, minus, ORIGIN, plus } from './measure';
import type { Chosen } from '../useChosen';
import type { Drawn, Rail, Values, Way } from './ways/way';

interface Props {
  way: Way;
  values: Values;
  vertices: readonly number[];
  chosen: Chosen;
  rail: Rail | null;
  mesh: MeshBuffers;
  /** Where the model is seen to have its middle. */
  centre: Point;
  /** How far from the middle the grips of the axes lie. */
  reach: number;
  onValues: (more: Values) => void;
}

const AXES = { x: { x: 1, y: 0, z: 0 }, y: { x: 0, y: 1, z: 0 }, z: { x: 0, y: 0, z: 1 } } as const;

/** What is drawn by the pointer of a slide or a move; all of it can be typed too. */
export function ElementGrips(props: Props) {
  const { way, values, vertices, chosen, rail, mesh, reach, onValues } = props;
  const before = useRef(values);
  const take = () => (before.current = values);
  if (rail && way.slides) {
    const from = mesh.toWorld(mesh.local(rail.first));
    const edge = minus(mesh.toWorld(mesh.local(rail.towards)), from);
    const whole = length(edge);
    const amount = values.amount ?? 0;
    const share = { fraction: amount, length: amount / whole, fromEnd: 1 - amount / whole };
    const scale = { fraction: 1 / whole, length: 1, fromEnd: -1 }[way.slides];
    return (
      <Grip
        at={plus(from, edge, share[way.slides])}
        along={plus(ORIGIN, edge, 1 / whole)}
        label="Slide along this edge"
        onTake={take}
        onDraw={(by) => onValues({ amount: (before.current.amount ?? 0) + by * scale })}
      />
    );
  }
  const line = way.drawn && drawnLine(way.drawn.from, mesh, chosen, values, props.centre);
  if (way.drawn && line) {
    const { key, label, factor = 1, isWidth = false } = way.drawn;
    const value = values[key] ?? 0;
    return (
      <Grip
        at={plus(line.from, line.along, value / factor)}
        along={line.along}
        label={label}
        onTake={take}
        onDraw={(by) => {
          const drawn = (before.current[key] ?? 0) + by * factor;
          onValues({ [key]: isWidth ? Math.max(drawn, 0) : drawn });
        }}
      />
    );
  }
  if (vertices.length === 0) return null;
  if (way.id === 'turn') return <TurnGrip {...props} at={middle(mesh, vertices)} step="grid" />;
  if (way.id === 'scale') return <ScaleGrips {...props} at={middle(mesh, vertices)} />;
  if (way.id !== 'move' && !way.unmoved) return null;
  const by = { x: values.x ?? 0, y: values.y ?? 0, z: values.z ?? 0 };
  const at = plus(middle(mesh, vertices), by);
  if (values.grips === 1) return <TurnGrip {...props} at={at} step="turned" />;
  if (values.grips === 2) return <SizeGrip {...props} at={at} />;
  const moved = (way: Point) => {
    const old = before.current;
    const to = (axis: 'x' | 'y' | 'z') => onGrid((old[axis] ?? 0) + way[axis], values.grid ?? 0);
    onValues({ x: to('x'), y: to('y'), z: to('z') });
  };
  return (
    <>
      {(['x', 'y', 'z'] as const).map((axis) => (
        <Grip
          key={axis}
          at={plus(at, AXES[axis], reach)}
          along={AXES[axis]}
          letter={axis.toUpperCase()}
          label={`Move along ${axis.toUpperCase()}`}
          onTake={take}
          onDraw={(amount) => moved(plus(ORIGIN, AXES[axis], amount))}
        />
      ))}
      <Grip at={at} label="Move in the view" round onTake={take} onDraw={(_, way) => moved(way)} />
    </>
  );
}

/** With where the middle is of what is turned or scaled. */
type Placed = Props & { at: Point };

/** By axis the two that lie square to it, so that a turn goes from the first to the second. */
const ROUND = [
  [AXES.y, AXES.z],
  [AXES.z, AXES.x],
  [AXES.x, AXES.y],
] as const;

/** A grip that goes round the middle of what is turned. */
function TurnGrip({ values, at, step, reach, onValues }: Placed & { step: string }) {
  const before = useRef({ degrees: 0, from: ORIGIN });
  const [one, two] = ROUND[values.axis ?? 2] ?? ROUND[2];
  const degrees = values.degrees ?? 0;
  const angle = (degrees * Math.PI) / 180;
  const arm = plus(plus(ORIGIN, one, reach * Math.cos(angle)), two, reach * Math.sin(angle));
  return (
    <Grip
      at={plus(at, arm)}
      label="Turn"
      round
      onTake={() => (before.current = { degrees, from: arm })}
      onDraw={(_, way) => {
        const { degrees: start, from } = before.current;
        const to = plus(from, way);
        const turned = Math.atan2(dot(to, two), dot(to, one));
        const by = ((turned - Math.atan2(dot(from, two), dot(from, one))) * 180) / Math.PI;
        const least = ((((by + 180) % 360) + 360) % 360) - 180;
        onValues({ degrees: onGrid(start + least, values[step] ?? 0) });
      }}
    />
  );
}

/** Grips on the axes, as far out as what is scaled is large. */
function ScaleGrips({ values, at, reach, onValues }: Placed) {
  const before = useRef(values);
  return (
    <>
      {(['x', 'y', 'z'] as const).map((axis) => (
        <Grip
          key={axis}
          at={plus(at, AXES[axis], reach * (values[axis] ?? 1))}
          along={AXES[axis]}
          letter={axis.toUpperCase()}
          label={`Scale along ${axis.toUpperCase()}`}
          onTake={() => (before.current = values)}
          onDraw={(by) => {
            const scale = (before.current[axis] ?? 1) + by / reach;
            onValues({ [axis]: onGrid(scale, values.grid ?? 0) });
          }}
        />
      ))}
    </>
  );
}

/** One grip that scales all alike; it does not go through the middle. */
function SizeGrip({ values, at, reach, onValues }: Placed) {
  const before = useRef(values);
  return (
    <Grip
      at={plus(at, AXES.x, reach * (values.size ?? 1))}
      along={AXES.x}
      label="Scale"
      onTake={() => (before.current = values)}
      onDraw={(by) => {
        const size = onGrid((before.current.size ?? 1) + by / reach, values.sized ?? 0);
        onValues({ size: Math.max(size, 0.01) });
      }}
    />
  );
}

interface Line {
  from: Point;
  along: Point;
}

/** On what line a grip lies that draws a value; only for drawing. */
function drawnLine(
  from: Drawn['from'],
  mesh: MeshBuffers,
  chosen: Chosen,
  values: Values,
  centre: Point,
): Line | null {
  if (from === 'axis') {
    const axis = (['x', 'y', 'z'] as const)[values.axis ?? 0] ?? 'x';
    return { from: { ...centre, [axis]: 0 }, along: AXES[axis] };
  }
  if (from === 'normal') {
    if (chosen.faces.length === 0) return null;
    const corners = chosen.faces.flatMap((f) => [...mesh.corners(f)]);
    return { from: middle(mesh, corners), along: commonNormal(mesh, chosen.faces) };
  }
  const face = chosen.faces.at(-1);
  const edge = chosen.edges.at(-1) ?? (face === undefined ? undefined : mesh.edgesOf(face)[0]);
  if (edge === undefined) return null;
  const inside = face ?? mesh.faceAtEdge(edge, 0);
  const [a, b] = mesh.ends(edge).map((v) => mesh.toWorld(mesh.local(v))) as [Point, Point];
  const at = plus(plus(ORIGIN, a, 0.5), b, 0.5);
  const along = plus(ORIGIN, minus(b, a), 1 / (length(minus(b, a)) || 1));
  const inwards = minus(middle(mesh, [...mesh.corners(inside)]), at);
  const square = plus(
    inwards,
    along,
    -(inwards.x * along.x + inwards.y * along.y + inwards.z * along.z),
  );
  return { from: at, along: plus(ORIGIN, square, 1 / (length(square) || 1)) };
}

/** To the nearest whole number of steps; with no step, as it is. */
function onGrid(value: number, step: number): number {
  return step > 0 ? Math.round(value / step) * step : value;
}

/** Which way faces look on the whole, of unit length; only for drawing the grip. */
function commonNormal(mesh: MeshBuffers, faces: readonly number[]): Point {
  let sum = ORIGIN;
  for (const f of faces) {
    const round = [...mesh.corners(f)].map((v) => mesh.toWorld(mesh.local(v)));
    for (let i = 1; i + 1 < round.length; i++) {
      sum = plus(sum, cross(minus(round[i]!, round[0]!), minus(round[i + 1]!, round[0]!)), 1);
    }
  }
  return plus(ORIGIN, sum, 1 / (length(sum) || 1));
}

function middle(mesh: MeshBuffers, vertices: readonly number[]): Point {
  let sum = ORIGIN;
  for (const v of vertices) sum = plus(sum, mesh.toWorld(mesh.local(v)), 1 / vertices.length);
  return sum;
}
