import { useRef } from 'react';
import type { MeshBuffers, Point } from '../../../mesh/MeshBuffers';
import { Grip } from '../../../stage/Grip';
import { cross, length, minus, ORIGIN, plus } from './measure';
import type { Rail, Values, Way } from './ways/way';

interface Props {
  way: Way;
  values: Values;
  vertices: readonly number[];
  faces: readonly number[];
  rail: Rail | null;
  mesh: MeshBuffers;
  /** How far from the middle the grips of the axes lie. */
  reach: number;
  onValues: (more: Values) => void;
}

const AXES = { x: { x: 1, y: 0, z: 0 }, y: { x: 0, y: 1, z: 0 }, z: { x: 0, y: 0, z: 1 } } as const;

/** What is drawn by the pointer of a slide or a move; all of it can be typed too. */
export function ElementGrips(props: Props) {
  const { way, values, vertices, faces, rail, mesh, reach, onValues } = props;
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
  if (way.id === 'extrude' && faces.length > 0) {
    const normal = commonNormal(mesh, faces);
    const distance = values.distance ?? 0;
    return (
      <Grip
        at={plus(
          middle(
            mesh,
            faces.flatMap((f) => [...mesh.corners(f)]),
          ),
          normal,
          distance,
        )}
        along={normal}
        label="Extrude along the normal"
        onTake={take}
        onDraw={(by) => onValues({ distance: (before.current.distance ?? 0) + by })}
      />
    );
  }
  if (way.id !== 'move' || vertices.length === 0) return null;
  const by = { x: values.x ?? 0, y: values.y ?? 0, z: values.z ?? 0 };
  const at = plus(middle(mesh, vertices), by);
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
