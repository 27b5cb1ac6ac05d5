import { useRef } from 'react';
import type { Preview } from '../../../api/client';
import type { Point } from '../../../mesh/MeshBuffers';
import { Grip } from '../../../stage/Grip';
import type { Ground } from './hand';
import { length, minus, ORIGIN, plus } from './measure';
import type { Numbers } from './PlaneFields';

/** What the slip covers of the stage. */
const SLIP_WIDTH = 320;

interface GripsProps {
  stage: Ground['stage'];
  plane: NonNullable<Preview['plane']>;
  pieces: Preview['pieces'];
  numbers: Numbers;
  onNumbers: (more: Partial<Numbers>) => void;
}

/** On the plane, where it cuts the model: to move, turn and tilt it. */
export function PlaneGrips({ stage, plane, pieces, numbers, onNumbers }: GripsProps) {
  const before = useRef(numbers);
  const middle = middleOf(pieces);
  if (!middle) return null;
  const { normal, depth, along } = plane;
  const reach = 1.2 * farthest(pieces, middle);
  /** On the side on which it is in view. */
  const side = (way: Point): number => {
    if (!stage) return 1;
    const { x, y } = stage.project(plus(middle, way, reach));
    const across = x > 20 && x < stage.width - SLIP_WIDTH;
    return across && y > 60 && y < stage.height - 20 ? 1 : -1;
  };
  const [turns, tilts] = [side(along), -side(depth)];
  const take = () => (before.current = numbers);
  const turned = (amount: number) => (Math.atan2(amount, reach) * 180) / Math.PI;
  return (
    <>
      <Grip
        at={middle}
        along={normal}
        label="Move the plane"
        onTake={take}
        onDraw={(by) => onNumbers({ shift: before.current.shift + by })}
      />
      <Grip
        at={plus(middle, along, turns * reach)}
        along={plus(ORIGIN, normal, turns)}
        apartFrom={middle}
        label="Turn the plane"
        round
        onTake={take}
        onDraw={(by) => onNumbers({ turn: before.current.turn + turned(by) })}
      />
      <Grip
        at={plus(middle, depth, -tilts * reach)}
        along={plus(ORIGIN, normal, tilts)}
        apartFrom={middle}
        label="Tilt the plane"
        round
        onTake={take}
        onDraw={(by) => onNumbers({ tilt: before.current.tilt + turned(by) })}
      />
    </>
  );
}

function middleOf(pieces: Preview['pieces']): Point | null {
  const places = pieces.flatMap((piece) => piece.points.map((p) => p.at));
  if (places.length === 0) return null;
  const mean = (axis: 'x' | 'y' | 'z') => {
    const low = places.reduce((least, p) => Math.min(least, p[axis]), Infinity);
    const high = places.reduce((most, p) => Math.max(most, p[axis]), -Infinity);
    return (low + high) / 2;
  };
  return { x: mean('x'), y: mean('y'), z: mean('z') };
}

function farthest(pieces: Preview['pieces'], from: Point): number {
  return pieces
    .flatMap((piece) => piece.points)
    .reduce((most, { at }) => Math.max(most, length(minus(at, from))), 0);
}
