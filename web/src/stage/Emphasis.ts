import { BufferGeometry, DoubleSide, GLSL3, Group, Mesh, ShaderMaterial } from 'three';
import type { ModelGeometry } from './ModelGeometry';
import { hatchMaterial, shadeMaterial } from './clay';
import { fatLines, INK, setLines } from './fatLines';

const PAPER = '#f9fbfb';
const NOTHING = new Float32Array();

/** What is made to stand out of a model: a ring that is lit up, and what was chosen. */
export class Emphasis {
  readonly group = new Group();
  private readonly lit = new Mesh(
    new BufferGeometry(),
    new ShaderMaterial({
      glslVersion: GLSL3,
      transparent: true,
      depthWrite: false,
      side: DoubleSide,
      polygonOffset: true,
      polygonOffsetFactor: 0.5,
      polygonOffsetUnits: 0.5,
      vertexShader:
        'void main() { gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0); }',
      fragmentShader: 'out vec4 c; void main() { c = vec4(0.976, 0.984, 0.984, 0.62); }',
    }),
  );
  /** Chosen faces, hatched as on a chart; the lines stand still while the model turns. */
  private readonly hatched = new Mesh(new BufferGeometry(), hatchMaterial());
  /** Faces that can't be cut: in the shade. */
  private readonly locked = new Mesh(new BufferGeometry(), shadeMaterial());
  /** Chosen edges, a double line. */
  private readonly doubled = [fatLines(INK, 6.4, 3), fatLines(PAPER, 3.2, 4)] as const;
  /** The border of a region of chosen faces. */
  private readonly regionBorder = fatLines(INK, 2.6, 3);
  /** Sides of what is lit, ink over a paper casing. */
  private readonly litSides = [fatLines(PAPER, 5.6, 1), fatLines(INK, 2.4, 2)] as const;
  /** Edges that another mesh has not. */
  private readonly news = fatLines(INK, 2.4, 2);
  private readonly lines = [...this.litSides, this.regionBorder, ...this.doubled, this.news];

  constructor() {
    this.hatched.renderOrder = 1;
    this.group.add(this.locked, this.lit, this.hatched, ...this.lines);
  }

  /** Lights the faces of a ring up, and its two sides; not the edges that it crosses. */
  light(model: ModelGeometry | undefined, faces: readonly number[], crossed: readonly number[]) {
    this.lit.geometry.dispose();
    this.lit.geometry = model?.facesOnly(faces) ?? new BufferGeometry();
    const sides = model?.sidesOf(faces, crossed) ?? NOTHING;
    for (const lines of this.litSides) setLines(lines, sides);
  }

  /** Marks chosen faces and edges. */
  choose(model: ModelGeometry | undefined, faces: readonly number[], edges: readonly number[]) {
    this.hatched.geometry.dispose();
    this.hatched.geometry = model?.facesOnly(faces) ?? new BufferGeometry();
    setLines(this.regionBorder, model?.borderOf(faces) ?? NOTHING);
    const chosen = model?.linesOf(edges) ?? NOTHING;
    for (const lines of this.doubled) setLines(lines, chosen);
  }

  /** Puts faces in the shade that can't be cut. */
  lock(model: ModelGeometry | undefined, faces: readonly number[]) {
    this.locked.geometry.dispose();
    this.locked.geometry = model?.facesOnly(faces) ?? new BufferGeometry();
  }

  /** Draws edges out that another mesh has not. */
  tellNew(model: ModelGeometry | undefined, edges: readonly number[]) {
    setLines(this.news, model?.linesOf(edges) ?? NOTHING);
  }

  /** Lines are as wide as ever in a picture of another size. */
  resize(width: number, height: number) {
    for (const lines of this.lines) lines.material.resolution.set(width, height);
  }

  dispose() {
    for (const thing of [this.lit, this.locked, this.hatched, ...this.lines]) {
      thing.geometry.dispose();
      (thing.material as { dispose(): void }).dispose();
    }
  }
}
