import { readFileSync } from 'node:fs';
import type { View } from '../src/api/client';
import { Cells } from '../src/features/bench/hands/cells';
import type { Cell } from '../src/features/bench/hands/cells';
import type { Ground, Hand, Xy } from '../src/features/bench/hands/hand';
import { NOTHING, type Chosen } from '../src/features/bench/useChosen';
import { MeshBuffers } from '../src/mesh/MeshBuffers';
import type { Picked } from '../src/stage/pick';
import type { StageView } from '../src/stage/StageView';

/** From where every test looks. */
export const VIEW: View = { kind: 'perspective', eye: { x: 0, y: -9, z: 4 } };

/** A cube with its twelve edges. */
export function cube(): MeshBuffers {
  const bytes = readFileSync('../core/src/test/resources/wire/cube.bin');
  return MeshBuffers.read(
    bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer,
  );
}

/** A stage of pixels that are units: what is at (x, y) of it is at (x, 0, y) of the model. */
const STAGE = {
  cameraPlace: { eye: VIEW.kind === 'perspective' ? VIEW.eye : null },
  screenAxes: { right: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 0, z: 1 } },
  modelRadius: 40,
  pixelsPerUnit: 1,
  onSight: (x: number, y: number) => ({ x, y: 0, z: y }),
  project: (p: { x: number; z: number }) => ({ x: p.x, y: p.z }),
  hit: () => undefined,
  light: () => undefined,
} as unknown as StageView;

export function at(x: number, y = 0): Xy {
  return { x, y };
}

export function vertex(id: number): Picked {
  return { on: 'vertex', id, at: { x: id, y: 0, z: 0 } } as Picked;
}

export function edge(id: number, t = 0.5): Picked {
  return { on: 'edge', id, t, at: { x: id, y: 0, z: 1 } } as Picked;
}

export function face(id: number): Picked {
  return { on: 'face', id, at: { x: id, y: 0, z: 2 } } as Picked;
}

/** A tool in hand, as the bench holds it: asked anew after everything that is done with it. */
export function inHand(make: (ground: Ground, cell: Cell) => Hand, mesh = cube()) {
  const cells = new Cells();
  let chosen: Chosen = NOTHING;
  const now = () =>
    make(
      {
        mesh,
        stage: STAGE,
        unit: 'mm',
        workpiece: 'w',
        revision: 4,
        chosen,
        choose: (next) => (chosen = next),
        scope: { chosen: null, hidden: [] },
        hinges: null,
        chooseMarked: null,
        bringIn: () => undefined,
        division: 2,
      },
      cells.of('test'),
    );
  return {
    get hand() {
      return now();
    },
    get chosen() {
      return chosen;
    },
    press: (key: string) =>
      now()
        .keys.find((k) => k.key === key)!
        .act(),
  };
}
