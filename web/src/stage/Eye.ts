import { Box3, Matrix4, PerspectiveCamera, Vector3 } from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { Point } from '../mesh/MeshBuffers';
import type { ModelGeometry } from './ModelGeometry';

export interface CameraPlace {
  eye: Point;
  target: Point;
}
export interface Projected {
  x: number;
  y: number;
  /** In front of the camera at all. */
  ahead: boolean;
}

/** Edges of the frame that stay free of the model: left, top, right, bottom, in pixels. */
export type Insets = [number, number, number, number];

const FLY_MS = 280;

/** Who is no nearer than so much of what fits sees the whole. */
const WHOLE = 0.7;

/** A round of sides to look from: three rings, as the eye stands a little above, level, a little below. */
const SIDES = [27, 2, -25].flatMap((height) =>
  Array.from({ length: 12 }, (_, i) => {
    const [a, e] = [(i * Math.PI) / 6, (height * Math.PI) / 180];
    return new Vector3(Math.cos(a) * Math.cos(e), Math.sin(a) * Math.cos(e), Math.sin(e));
  }),
);

function asPoint(v: Vector3): Point {
  return { x: v.x, y: v.y, z: v.z };
}

/** From where a model is looked at: turned by hand, framed, flown to a place; and where places are seen. */
export abstract class Eye {
  readonly camera = new PerspectiveCamera(32, 1, 1, 1e5);
  /** Whether someone turned it from where it stood at first. */
  isMoved = false;
  width = 1;
  height = 1;
  protected readonly controls: OrbitControls;
  protected model: ModelGeometry | undefined;
  private flight = 0;
  /** The size of the window when the frame was last told its own. */
  private framedIn = '';
  private insets: Insets = [24, 56, 24, 56];

  protected constructor(host: HTMLElement) {
    this.camera.up.set(0, 0, 1);
    this.controls = new OrbitControls(this.camera, host);
    this.controls.enableDamping = false;
    this.controls.zoomToCursor = true;
    this.controls.addEventListener('change', () => this.changed());
    this.controls.addEventListener('start', () => {
      this.isMoved = true;
      cancelAnimationFrame(this.flight);
    });
  }

  /** Something is to be drawn anew. */
  protected abstract changed(): void;

  abstract isHidden(place: Point): boolean;

  /** The same seen from another place. */
  protected abstract isHiddenFrom(eye: Vector3, place: Point): boolean;

  /** Follows no hand any more. */
  protected rest() {
    cancelAnimationFrame(this.flight);
    this.controls.dispose();
  }

  /** What of the frame the model leaves free when it is fitted into it. */
  keepFree(insets: Insets) {
    this.insets = insets;
  }

  /** To the right and upwards on the screen, of unit length. */
  get screenAxes(): { right: Point; up: Point } {
    const right = new Vector3().setFromMatrixColumn(this.camera.matrixWorld, 0);
    const up = new Vector3().setFromMatrixColumn(this.camera.matrixWorld, 1);
    return { right: { ...asPoint(right) }, up: { ...asPoint(up) } };
  }

  /** Looks squarely at a face, from outside. */
  lookAt(face: number) {
    if (!this.model?.buffers.hasFace(face)) return;
    const normal = this.model.normalOf(face);
    const middle = this.model.middleOf(face);
    const eye = middle
      .clone()
      .addScaledVector(normal, this.camera.position.distanceTo(this.controls.target));
    // Straight from above the rose has no side to show: a hair aside.
    if (Math.hypot(normal.x, normal.y) < 1e-3) eye.y -= 1e-3 * this.model.radius;
    this.flyTo(this.point(middle), { eye: this.point(eye), target: this.point(middle) });
  }

  /** Turns to a side and fits: azimuth from the front (-y) in degrees, height in degrees. */
  fit(azimuth = -28, elevation = 27) {
    if (!this.model) return;
    const a = ((azimuth - 90) * Math.PI) / 180;
    const e = (elevation * Math.PI) / 180;
    const direction = new Vector3(
      Math.cos(a) * Math.cos(e),
      Math.sin(a) * Math.cos(e),
      Math.sin(e),
    );
    this.frameFrom(direction, this.model.centre);
  }

  /**
   * Turns to the side of the model on which most of some places lie, by where they lie from its
   * middle; where they lie all round, to the back.
   */
  turnTo(places: readonly Point[]) {
    if (!this.model) return;
    const { centre } = this.model;
    const way = new Vector3();
    for (const place of places) way.add(this.vector(place).sub(centre).normalize());
    const back = this.camera.position.clone().sub(this.controls.target).setZ(0).negate();
    if (way.length() < 0.2 * places.length) way.copy(back).setZ(0.35 * back.length());
    this.frameFrom(this.aslant(way, back), centre);
  }

  /** Turns to where a place is seen squarely, a little from above, and fits. */
  turnToFace(place: Point) {
    if (!this.model) return;
    const way = this.model.normalNear(this.vector(place));
    if (way.z > -0.3) way.z += 0.35;
    const front = this.camera.position.clone().sub(this.controls.target).setZ(0);
    this.frameFrom(this.aslant(way, front), this.model.centre);
  }

  /**
   * Turns to where most of some places are seen: of a round of sides the one from which the model
   * hides fewest, and of equal ones that which is turned to least, seen from now.
   */
  turnToSee(places: readonly Point[]) {
    if (!this.model || places.length === 0) return;
    const { centre, radius } = this.model;
    const now = this.camera.position.clone().sub(this.controls.target).normalize();
    let best = now;
    let most = -1;
    for (const way of [now, ...SIDES]) {
      const eye = centre.clone().addScaledVector(way, 4 * radius);
      const seen = places.filter((p) => !this.isHiddenFrom(eye, p)).length;
      // A whole place more, or the same and less of a turn.
      const worth = seen + 0.4 * way.dot(now);
      if (worth > most + 1e-9) {
        most = worth;
        best = way;
      }
    }
    this.frameFrom(this.aslant(best.clone(), now.clone().setZ(0)), centre);
  }

  /** From straight above or below, up would be anywhere: then from a little aside. */
  private aslant(way: Vector3, aside: Vector3): Vector3 {
    const least = 0.3 * Math.abs(way.z);
    if (Math.hypot(way.x, way.y) < least) way.add(aside.setLength(least));
    return way.normalize();
  }

  /** Goes nearer until some places fill the frame, from where the eye stands. */
  approach(places: readonly Point[]) {
    if (!this.model) return;
    const box = new Box3().setFromPoints(places.map((p) => this.vector(p)));
    const middle = box.getCenter(new Vector3());
    const across = Math.max(box.getSize(new Vector3()).length(), 0.01 * this.model.radius);
    const away = this.camera.position.clone().sub(this.controls.target);
    const tall = Math.tan((this.camera.fov * Math.PI) / 360);
    const distance = Math.min(away.length() * 0.6, (0.7 * across) / tall);
    this.controls.target.copy(middle);
    this.camera.position.copy(middle).add(away.setLength(distance));
    this.isMoved = true;
    this.controls.update();
    this.changed();
  }

  /** Stands as near as the free part of the frame allows: every vertex lies inside it. */
  private frameFrom(direction: Vector3, centre: Vector3) {
    const distance = this.fittingDistance(direction, centre);
    this.camera.near = distance / 200;
    this.camera.far = distance * 20;
    this.camera.position.copy(centre).addScaledVector(direction, distance);
    this.controls.target.copy(centre);
    this.offsetView();
    this.controls.update();
    this.changed();
  }

  private fittingDistance(direction: Vector3, centre: Vector3): number {
    const [left, top, right, bottom] = this.insets;
    const tall = Math.tan((this.camera.fov * Math.PI) / 360);
    const freeTall = (tall * Math.max(80, this.height - top - bottom)) / this.height;
    const freeWide = (tall * Math.max(80, this.width - left - right)) / this.height;
    const across = new Vector3().crossVectors(this.camera.up, direction).normalize();
    const upward = new Vector3().crossVectors(direction, across);
    const reach = this.model!.reach(centre, across, upward, direction);
    return reach((x, y, z) => Math.max(x / freeWide, y / freeTall) + z);
  }

  /**
   * The frame has another size. Where the window has, the model takes up as much of it as before, fitted or not;
   * where a panel came or went beside it, it stays as large as it is: somebody may be aiming.
   */
  protected reframe(width: number, height: number) {
    const fitted = () => {
      const side = this.camera.position.clone().sub(this.controls.target).normalize();
      return this.model ? this.fittingDistance(side, this.model.centre) : 1;
    };
    const window = `${innerWidth} ${innerHeight}`;
    const before = fitted();
    this.width = width;
    this.height = height;
    this.camera.aspect = width / height;
    if (this.model && window !== this.framedIn) {
      // Asked before the camera is moved: what fits depends on the side that it sees.
      const share = fitted() / before;
      const away = this.camera.position.clone().sub(this.controls.target);
      this.camera.position.copy(this.controls.target).addScaledVector(away, share);
    }
    this.framedIn = window;
    this.offsetView();
  }

  /** Moves the middle of the picture to the middle of the free part of the frame. */
  protected offsetView() {
    const [left, top, right, bottom] = this.insets;
    this.camera.setViewOffset(
      this.width,
      this.height,
      (right - left) / 2,
      (bottom - top) / 2,
      this.width,
      this.height,
    );
    this.camera.updateProjectionMatrix();
  }

  /**
   * Flies so that a place faces the eye, or to the side from which a camera saw it, along the
   * shortest turn; stops on any input.
   */
  flyTo(place: Point, camera?: CameraPlace) {
    if (!this.model) return;
    const start = this.camera.position.clone();
    const startTarget = this.controls.target.clone();
    const end = camera ? this.eyeAtSideOf(camera) : this.eyeFacing(this.vector(place));
    const endTarget = camera ? this.model.centre.clone() : startTarget.clone();
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    const began = performance.now();
    this.isMoved = true;
    cancelAnimationFrame(this.flight);
    const move = (now: number) => {
      const t = still ? 1 : Math.min(1, (now - began) / FLY_MS);
      const eased = 1 - (1 - t) ** 3;
      this.controls.target.lerpVectors(startTarget, endTarget, eased);
      const from = start.clone().sub(startTarget);
      const to = end.clone().sub(endTarget);
      const length = from.length() + (to.length() - from.length()) * eased;
      const direction = from.lerp(to, eased);
      this.camera.position
        .copy(this.controls.target)
        .addScaledVector(direction.normalize(), length);
      this.controls.update();
      this.changed();
      if (t < 1) this.flight = requestAnimationFrame(move);
    };
    this.flight = requestAnimationFrame(move);
  }

  /** The side is the camera's; how near to stand is this frame's to say. */
  private eyeAtSideOf(camera: CameraPlace): Vector3 {
    const side = this.vector(camera.eye).sub(this.vector(camera.target)).normalize();
    const { centre } = this.model!;
    return centre.clone().addScaledVector(side, this.fittingDistance(side, centre));
  }

  /** Where the eye must be to look at a place from outside, no lower than it stands. */
  private eyeFacing(place: Vector3): Vector3 {
    if (!this.isHidden(this.point(place))) return this.camera.position.clone();
    const distance = this.camera.position.distanceTo(this.controls.target);
    const outward = this.model!.normalNear(place);
    const lifted = outward.add(new Vector3(0, 0, outward.z < -0.3 ? 0 : 0.35)).normalize();
    return this.controls.target.clone().addScaledVector(lifted, distance);
  }

  /** Stands where a camera stood, as far as that can be. */
  stand(place: CameraPlace) {
    if (!this.model) return;
    const eye = this.vector(place.eye);
    const target = this.vector(place.target);
    if (!(eye.distanceTo(target) > 1e-6 * this.model.radius)) return;
    this.camera.position.copy(eye);
    this.controls.target.copy(target);
    this.controls.update();
    this.isMoved = true;
    this.changed();
  }

  /**
   * Sees what a camera of another frame sees: the whole from its side where it sees about the whole,
   * since frames differ; else it stands where that stands.
   */
  follow(place: CameraPlace) {
    if (!this.model) return;
    const away = this.vector(place.eye).sub(this.vector(place.target));
    const fits = this.fittingDistance(away.clone().normalize(), this.model.centre);
    if (away.length() < WHOLE * fits) {
      this.stand(place);
      return;
    }
    this.camera.position.copy(this.eyeAtSideOf(place));
    this.controls.target.copy(this.model.centre);
    this.controls.update();
    this.isMoved = true;
    this.changed();
  }

  protected vector(p: Point): Vector3 {
    return new Vector3(...this.model!.buffers.toLocal(p));
  }

  protected point(v: Vector3): Point {
    return this.model!.buffers.toWorld([v.x, v.y, v.z]);
  }

  get cameraPlace(): CameraPlace | undefined {
    return this.model
      ? { eye: this.point(this.camera.position), target: this.point(this.controls.target) }
      : undefined;
  }

  /** The turn of the view about the up axis, in degrees from the front. */
  get azimuth(): number {
    const d = this.camera.position.clone().sub(this.controls.target);
    return (Math.atan2(d.y, d.x) * 180) / Math.PI + 90;
  }

  /** Pixels for one unit at the depth of what the view turns about. */
  get pixelsPerUnit(): number {
    const distance = this.camera.position.distanceTo(this.controls.target);
    const tall = 2 * distance * Math.tan((this.camera.fov * Math.PI) / 360);
    return this.height / tall;
  }

  project(p: Point): Projected {
    return this.projector()(p);
  }

  /** Tells where places are seen, for many of them while the view stands still. */
  projector(): (p: Point) => Projected {
    if (!this.model) return () => ({ x: 0, y: 0, ahead: false });
    const { buffers } = this.model;
    const { projectionMatrix, matrixWorldInverse } = this.camera;
    const m = new Matrix4().multiplyMatrices(projectionMatrix, matrixWorldInverse).elements;
    const { width, height } = this;
    return (p) => {
      const [x, y, z] = buffers.toLocal(p);
      // What is ahead has a positive fourth coordinate: it is its depth.
      const w = m[3]! * x + m[7]! * y + m[11]! * z + m[15]!;
      const right = (m[0]! * x + m[4]! * y + m[8]! * z + m[12]!) / w;
      const up = (m[1]! * x + m[5]! * y + m[9]! * z + m[13]!) / w;
      return { x: ((right + 1) / 2) * width, y: ((1 - up) / 2) * height, ahead: w > 0 };
    };
  }
}
