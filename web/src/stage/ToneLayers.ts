import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  Group,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshBasicMaterial,
  type Vector2,
} from 'three';
import { fatLines, setLines } from './fatLines';
import { lookOf, type LensPicture } from './lenses';
import type { ModelGeometry } from './ModelGeometry';

const LOOP_WIDTH = 6;
/** More lines than these lie so close that their width is not seen, and wide ones cost ten times as much. */
const MOST_WIDE = 20_000;

/** So faint do they get, and no fainter: the lens is asked for its lines. */
const FAINTEST = 0.16;

type Thing = Mesh | LineSegments;

/** What a lens shows on the model: washes over faces, lines over edges, and the loop that is looked at. */
export class ToneLayers {
  readonly group = new Group();
  private readonly loop = [
    fatLines('#f9fbfb', LOOP_WIDTH + 3.6, 5),
    fatLines('#10283a', LOOP_WIDTH, 6),
  ];
  private shown: Thing[] = [];

  constructor() {
    this.group.add(...this.loop);
    this.trace(null, []);
  }

  /**
   * @param smooth the smooth surface stands in place of the faces, and is washed itself
   */
  show(model: ModelGeometry | undefined, picture: LensPicture | null, smooth: boolean) {
    this.clear();
    if (!model || !picture) return;
    for (const tone of smooth ? [] : picture.faces) {
      const faces = tone.ids.filter((f) => model.isFaceShown(f));
      if (faces.length) this.add(washed(model.facesOnly(faces), lookOf(tone.name)));
    }
    picture.edges.forEach((tone, i) => {
      const edges = tone.ids.filter((e) => model.isEdgeShown(e));
      if (!edges.length) return;
      const look = lookOf(tone.name);
      const positions = model.linesOf(edges);
      const drawn = look.dashed ? dashes(positions) : positions;
      if (edges.length > MOST_WIDE) {
        this.add(thin(drawn, look.colour));
        return;
      }
      const lines = fatLines(look.colour, look.weight, 1 + i / 10);
      setLines(lines, drawn);
      this.add(lines);
    });
  }

  /** Draws a loop over all else. */
  trace(model: ModelGeometry | null, edges: readonly number[]) {
    const positions = model?.linesOf(edges) ?? new Float32Array();
    for (const lines of this.loop) {
      setLines(lines, positions);
      lines.visible = positions.length > 0;
    }
  }

  resize(width: number, height: number) {
    for (const thing of [...this.shown, ...this.loop]) {
      const { resolution } = thing.material as { resolution?: Vector2 };
      resolution?.set(width, height);
    }
  }

  /** Lines that lie closer than a few pixels would only blacken the form. */
  fade(opacity: number) {
    for (const { material } of this.shown) {
      if (!(material instanceof LineBasicMaterial)) continue;
      material.opacity = Math.max(FAINTEST, opacity);
      material.transparent = true;
    }
  }

  private add(thing: Thing) {
    this.shown.push(thing);
    this.group.add(thing);
  }

  private clear() {
    for (const thing of this.shown) free(thing);
    this.group.remove(...this.shown);
    this.shown = [];
  }

  dispose() {
    this.clear();
    this.loop.forEach(free);
  }
}

function free(thing: Thing) {
  thing.geometry.dispose();
  (thing.material as { dispose(): void }).dispose();
}

/** Faces covered as a tone looks. */
export function washed(geometry: BufferGeometry, look: { colour: string; weight: number }) {
  const material = new MeshBasicMaterial({
    color: look.colour,
    transparent: true,
    opacity: look.weight,
    side: DoubleSide,
    depthWrite: false,
    polygonOffset: true,
    polygonOffsetFactor: 0.5,
    polygonOffsetUnits: 0.5,
  });
  const mesh = new Mesh(geometry, material);
  mesh.frustumCulled = false;
  return mesh;
}

function thin(positions: Float32Array, colour: string): LineSegments {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions, 3));
  const lines = new LineSegments(geometry, new LineBasicMaterial({ color: colour }));
  lines.frustumCulled = false;
  lines.renderOrder = 1;
  return lines;
}

/** Two dashes an edge with a gap in its middle and at its ends: told from whole lines at any size. */
function dashes(positions: Float32Array): Float32Array {
  const out = new Float32Array(2 * positions.length);
  for (let i = 0, o = 0; i < positions.length; i += 6) {
    for (const share of [0.08, 0.42, 0.58, 0.92]) {
      for (let axis = 0; axis < 3; axis++) {
        const from = positions[i + axis]!;
        out[o++] = from + share * (positions[i + 3 + axis]! - from);
      }
    }
  }
  return out;
}
