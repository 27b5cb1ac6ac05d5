import { useRef } from 'react';
import type { View } from '../../../api/client';
import type { Point } from '../../../mesh/MeshBuffers';
import { Grip } from '../../../stage/Grip';
import { ORIGIN, plus } from './measure';

/** Where a shape lies. */
export interface Placed {
  centre: Point;
  view: View;
  /** Of the screen when it was placed. */
  right: Point;
  up: Point;
}

/** The directions of a placed shape, turned on the screen. */
export function turned({ right, up }: Placed, by: number): { right: Point; up: Point } {
  const [c, s] = [Math.cos(by), Math.sin(by)];
  return {
    right: plus(plus(ORIGIN, right, c), up, s),
    up: plus(plus(ORIGIN, up, c), right, -s),
  };
}

interface GripsProps {
  placed: Placed;
  radius: number;
  turn: number;
  onCentre: (centre: Point) => void;
  onRadius: (radius: number) => void;
  onTurn: (turn: number) => void;
}

/** To move, turn and scale a shape where it lies. */
export function ShapeGrips({ placed, radius, turn, onCentre, onRadius, onTurn }: GripsProps) {
  const before = useRef({ centre: placed.centre, radius, turn });
  const take = () => (before.current = { centre: placed.centre, radius, turn });
  const { right, up } = turned(placed, (turn * Math.PI) / 180);
  const arm = radius * 1.25;
  return (
    <>
      <Grip
        at={placed.centre}
        label="Move the shape"
        round
        onTake={take}
        onDraw={(_, way) => onCentre(plus(before.current.centre, way))}
      />
      <Grip
        at={plus(placed.centre, right, arm)}
        along={right}
        label="Scale the shape"
        onTake={take}
        onDraw={(by) => onRadius(before.current.radius + by / 1.25)}
      />
      <Grip
        at={plus(placed.centre, up, arm)}
        along={plus(ORIGIN, right, -1)}
        label="Turn the shape"
        round
        onTake={take}
        onDraw={(by) => onTurn(before.current.turn + (Math.atan2(by, arm) * 180) / Math.PI)}
      />
    </>
  );
}
