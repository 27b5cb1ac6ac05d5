import { describe, expect, it } from 'vitest';
import { posed } from '../src/features/bench/hands/poses';

/** About the z axis by so many degrees, then moved along x. */
function pose(degrees: number, x: number): number[] {
  const half = (degrees * Math.PI) / 360;
  return [0, 0, Math.sin(half), Math.cos(half), x, 0, 0];
}

describe('the pose between two stops', () => {
  const poses = [...pose(0, 0), ...pose(2, 1), ...pose(4, 2).map((n, i) => (i < 4 ? -n : n))];
  const place = { x: 1, y: 0, z: 3 };

  it('is that of the stop at a stop', () => {
    expect(posed(poses, 3, 0)(place)).toEqual(place);
    const at = posed(poses, 3, 1)(place);
    expect(at.x).toBeCloseTo(Math.cos(Math.PI / 90) + 1, 12);
    expect(at.y).toBeCloseTo(Math.sin(Math.PI / 90), 12);
    expect(at.z).toBeCloseTo(3, 12);
  });

  it('goes the short way where a turn is told by the other of its quaternions', () => {
    const at = posed(poses, 3, 1.5)(place);
    expect(at.x).toBeCloseTo(Math.cos(Math.PI / 60) + 1.5, 6);
    expect(at.y).toBeCloseTo(Math.sin(Math.PI / 60), 6);
  });

  it('stays at the last stop, and at the only one', () => {
    expect(posed(poses, 3, 2)(place).x).toBeCloseTo(Math.cos(Math.PI / 45) + 2, 12);
    expect(posed(pose(90, 0), 1, 0)(place).y).toBeCloseTo(1, 12);
  });
});
