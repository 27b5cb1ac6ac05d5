import {
  BufferGeometry,
  Color,
  LineBasicMaterial,
  LineSegments,
  Matrix4,
  Mesh,
  Raycaster,
  Scene,
  Vector2,
  Vector3,
  WebGLRenderer,
  type Object3D,
} from 'three';
import type { MeshBuffers, Point } from '../mesh/MeshBuffers';
import type { Surface } from '../mesh/surface';
import { Emphasis } from './Emphasis';
import { Eye } from './Eye';
import { ModelGeometry } from './ModelGeometry';
import { fatLines, INK, setLines } from './fatLines';
import type { Lens, LensPicture } from './lenses';
import { Solid } from './Solid';
import { SmoothSurface } from './SmoothSurface';
import { ToneLayers } from './ToneLayers';
import { TracingSheet } from './TracingSheet';
import { graticuleMaterial } from './graticule';

const MERGE_AFTER_MS = 400;
/** Mean lengths on screen at which edges begin to show, and show in full. */
const FAINT_EDGES = 1.2;
const FULL_EDGES = 5;

/**
 * The scene of one mesh view: draws on demand only, turns, pans, zooms, projects and picks. Holds all
 * three.js objects and frees them; React sees numbers only.
 */
export class StageView extends Eye {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly raycaster = new Raycaster();
  private readonly solid = new Solid();
  private readonly edges = new LineSegments(
    new BufferGeometry(),
    new LineBasicMaterial({ color: INK }),
  );
  private readonly outline = fatLines(INK, 2, 0);
  private readonly graticule = new Mesh(new BufferGeometry(), graticuleMaterial());
  private readonly emphasis = new Emphasis();
  private readonly behind = new LineSegments(
    new BufferGeometry(),
    new LineBasicMaterial({ color: INK, transparent: true, opacity: 0.3, depthTest: false }),
  );
  private readonly sheet = new TracingSheet();
  private readonly smooth = new SmoothSurface();
  /** What the lens shows. */
  private readonly tones = new ToneLayers();
  private picture: LensPicture | null = null;
  private surface: Surface | null = null;
  private isStriped = false;
  hiddenFaces: ReadonlySet<number> = new Set();
  private frame = 0;
  private merging: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();
  private readonly resizing: ResizeObserver;
  version = 0;

  constructor(private readonly host: HTMLElement) {
    super(host);
    this.renderer = new WebGLRenderer({ antialias: true });
    this.renderer.domElement.style.cssText = 'display:block;position:absolute;inset:0';
    host.prepend(this.renderer.domElement);
    this.edges.frustumCulled = false;
    this.graticule.renderOrder = -2;
    this.scene.add(this.graticule, this.solid.group, this.smooth.group);
    this.scene.add(this.sheet.mesh, this.tones.group);
    this.scene.add(this.emphasis.group, this.edges, this.behind, this.outline);
    this.behind.visible = false;
    this.behind.frustumCulled = false;
    this.resizing = new ResizeObserver(() => this.resize());
    this.resizing.observe(host);
    this.resize();
    this.readTheme();
  }

  dispose() {
    cancelAnimationFrame(this.frame);
    this.resizing.disconnect();
    this.rest();
    clearTimeout(this.merging);
    this.model?.dispose();
    this.solid.dispose();
    this.smooth.dispose();
    this.tones.dispose();
    this.emphasis.dispose();
    this.sheet.dispose();
    for (const thing of [this.edges, this.outline, this.graticule, this.behind]) {
      thing.geometry.dispose();
      (thing.material as { dispose(): void }).dispose();
    }
    this.renderer.dispose();
    this.renderer.domElement.remove();
    this.listeners.clear();
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
    };
  };

  protected changed() {
    this.version++;
    // What is drawn over the model projects before the next frame is rendered.
    this.camera.updateMatrixWorld();
    this.tellProjection();
    if (!this.frame) {
      this.frame = requestAnimationFrame(() => {
        this.frame = 0;
        this.draw();
      });
    }
    for (const listener of this.listeners) listener();
  }

  /** For whoever points at places from outside, as the tests do: from the core's coordinates on. */
  private tellProjection() {
    if (!this.model) return;
    const { elements } = new Matrix4().multiplyMatrices(
      this.camera.projectionMatrix,
      this.camera.matrixWorldInverse,
    );
    this.host.dataset.projection = [...this.model.buffers.origin, ...elements].join(' ');
  }

  private draw() {
    if (this.model) {
      this.thinEdges(this.model.meanEdge * this.pixelsPerUnit);
      setLines(this.outline, this.model.outlineFrom(this.camera.position));
    }
    if (this.surface) this.drawCaged();
    else this.renderer.render(this.scene, this.camera);
  }

  /**
   * The smooth surface first, then the cage's lines, hidden by nothing but the cage: where the surface comes
   * out between them they are not broken.
   */
  private drawCaged() {
    const under: Object3D[] = [this.graticule, this.smooth.group, this.sheet.mesh];
    const seen = this.scene.children.filter((thing) => thing.visible);
    const over = seen.filter((thing) => !under.includes(thing) && thing !== this.solid.group);
    for (const thing of over) thing.visible = false;
    this.renderer.render(this.scene, this.camera);
    for (const thing of seen) thing.visible = !under.includes(thing);
    this.solid.setHiding(true);
    this.renderer.autoClear = false;
    this.renderer.clearDepth();
    this.renderer.render(this.scene, this.camera);
    this.renderer.autoClear = true;
    this.solid.setHiding(false);
    for (const thing of seen) thing.visible = true;
  }

  /** Edges that lie closer than a few pixels would only blacken the form: they fade, the outline stays. */
  private thinEdges(pixels: number) {
    const opacity = Math.min(1, Math.max(0, (pixels - FAINT_EDGES) / (FULL_EDGES - FAINT_EDGES)));
    this.edges.visible = opacity > 0;
    this.edges.material.opacity = opacity;
    this.edges.material.transparent = opacity < 1;
    this.tones.fade(opacity);
  }

  private resize() {
    const { clientWidth, clientHeight } = this.host;
    this.reframe(Math.max(1, clientWidth), Math.max(1, clientHeight));
    this.renderer.setPixelRatio(Math.min(window.devicePixelRatio, 2));
    this.renderer.setSize(this.width, this.height);
    this.outline.material.resolution.set(this.width, this.height);
    this.emphasis.resize(this.width, this.height);
    this.tones.resize(this.width, this.height);
    this.changed();
  }

  /** Takes the furniture's colours from the page's theme; the model keeps its own, dimmed by night. */
  readTheme() {
    const style = getComputedStyle(document.documentElement);
    const colour = (name: string) => new Color(style.getPropertyValue(name).trim() || '#888');
    this.renderer.setClearColor(colour('--sea'));
    // The shader writes what it is given, as the screen has it.
    this.graticule.material.uniforms.line!.value = colour('--sea-line').convertLinearToSRGB();
    const night = document.documentElement.dataset.theme === 'night';
    this.solid.paint(night ? 0.8 : 1, colour('--sea-deep'));
    this.smooth.dim(night ? 0.8 : 1);
    this.changed();
  }

  /** Shows a mesh, or what a patch changed of the one it shows; the first one is fitted. */
  setMesh(buffers: MeshBuffers, lens: Lens) {
    const first = !this.model;
    if (!this.model?.follow(buffers)) {
      this.model?.dispose();
      this.model = new ModelGeometry(buffers, lens);
    }
    this.model.wash(lens);
    this.showLayers();
    this.mergeLater();
    this.emphasis.light(this.model, [], []);
    if (first) this.fit();
    this.changed();
  }

  private showLayers() {
    const model = this.model!;
    this.solid.show(model);
    this.edges.geometry = model.edges;
    this.behind.geometry = model.edges;
    this.graticule.geometry = model.graticule;
  }

  /** Once nothing more is done for a while, and only where the patches have grown many or large. */
  private mergeLater() {
    clearTimeout(this.merging);
    if (!this.model?.isPatchedMuch) return;
    this.merging = setTimeout(() => {
      this.model?.tidy();
      if (this.model) this.showLayers();
      this.changed();
    }, MERGE_AFTER_MS);
  }

  /** Lights the faces of a ring up, and its two sides; not the edges that it crosses. */
  light(faces: readonly number[], crossed: readonly number[] = []) {
    this.emphasis.light(this.model, faces, crossed);
    this.changed();
  }

  /** Marks chosen faces and edges. */
  choose(faces: readonly number[], edges: readonly number[]) {
    this.emphasis.choose(this.model, faces, edges);
    this.changed();
  }

  /** Draws edges out that another mesh has not. */
  tellNew(edges: readonly number[]) {
    this.emphasis.tellNew(this.model, edges);
    this.changed();
  }

  /** Puts faces in the shade that can't be cut. */
  lock(faces: readonly number[]) {
    this.emphasis.lock(this.model, faces);
    this.changed();
  }

  /** Puts a picture behind the model, square to the view as it is now; null takes it away. */
  setSheet(picture: ImageBitmap | null) {
    this.sheet.show(picture);
    this.sheet.face(this.camera, this.controls.target);
    this.changed();
  }

  /**
   * Lays the sheet out.
   *
   * @param across moved to the right on the sheet, up moved upwards, both in units of the mesh
   */
  laySheet(width: number, across: number, upwards: number, opacity: number) {
    if (!this.model) return;
    this.sheet.lay(this.model, width, { across, upwards }, opacity);
    this.changed();
  }

  /** The place on the tracing sheet under a pixel; null where the sheet is not. */
  onSheet(x: number, y: number): Point | null {
    const ndc = new Vector2((x / this.width) * 2 - 1, 1 - (y / this.height) * 2);
    this.raycaster.setFromCamera(ndc, this.camera);
    const hit = this.raycaster.intersectObject(this.sheet.mesh, false)[0];
    return hit && this.sheet.mesh.visible ? this.point(hit.point) : null;
  }

  /** Shows what a lens says of the mesh; null shows the mesh alone. */
  showTones(picture: LensPicture | null) {
    if (this.picture === picture) return;
    this.picture = picture;
    this.drawTones();
    this.changed();
  }

  private drawTones() {
    this.tones.show(this.model, this.picture, this.surface !== null);
    this.smooth.wash(this.surface, this.surface && !this.isStriped ? this.picture : null);
    this.tones.resize(this.width, this.height);
  }

  /** Draws a loop over what the lens shows. */
  traceLoop(edges: readonly number[]) {
    this.tones.trace(this.model ?? null, edges);
    this.changed();
  }

  /** Shows the smooth surface in place of the faces, the cage over it; null shows the faces again. */
  showSmooth(surface: Surface | null, stripes: boolean) {
    this.surface = surface;
    this.isStriped = stripes;
    this.smooth.show(surface, this.model?.buffers.origin ?? [0, 0, 0], stripes);
    this.solid.setSeen(surface === null);
    this.outline.visible = surface === null;
    this.drawTones();
    this.changed();
  }

  /** Leaves faces out of the picture, and out of what can be pointed at. */
  hide(faces: readonly number[]) {
    this.hiddenFaces = new Set(faces);
    if (!this.model) return;
    this.model.hide(this.hiddenFaces);
    this.showLayers();
    this.drawTones();
    this.changed();
  }

  /** Shows the far side through the near one. */
  setGlass(on: boolean) {
    if (this.behind.visible === on) return;
    this.behind.visible = on;
    this.changed();
  }

  /** Whether a drag with the left button turns the model. */
  setTurning(on: boolean) {
    this.controls.enableRotate = on;
  }

  get modelRadius(): number {
    return this.model?.radius ?? 1;
  }

  /** Of the box round the model. */
  get modelMiddle(): Point {
    return this.model ? this.point(this.model.centre) : { x: 0, y: 0, z: 0 };
  }

  /** The place on the sight-line through a pixel that is as deep as what the view turns about. */
  onSight(x: number, y: number): Point {
    const ndc = new Vector2((x / this.width) * 2 - 1, 1 - (y / this.height) * 2);
    this.raycaster.setFromCamera(ndc, this.camera);
    const { origin, direction } = this.raycaster.ray;
    const ahead = this.controls.target.clone().sub(this.camera.position);
    const depth = ahead.length() / direction.dot(ahead.clone().normalize());
    return this.point(origin.clone().addScaledVector(direction, depth));
  }

  middleOf(face: number): Point {
    return this.point(this.model!.middleOf(face));
  }

  /** Whether the model hides a place that lies on it. */
  isHidden(p: Point): boolean {
    return this.isHiddenFrom(this.camera.position, p);
  }

  protected isHiddenFrom(eye: Vector3, p: Point): boolean {
    if (!this.model) return false;
    const at = this.vector(p);
    const direction = at.clone().sub(eye);
    const distance = direction.length();
    this.raycaster.set(eye, direction.normalize());
    this.raycaster.far = distance - this.model.radius * 2e-3;
    const hit = this.solid.hit(this.raycaster) !== undefined;
    this.raycaster.far = Infinity;
    return hit;
  }

  /** The face under a pixel and the place on it. */
  hit(x: number, y: number): { face: number; at: Point } | undefined {
    if (!this.model) return undefined;
    const ndc = new Vector2((x / this.width) * 2 - 1, 1 - (y / this.height) * 2);
    this.raycaster.setFromCamera(ndc, this.camera);
    const first = this.solid.hit(this.raycaster);
    return first && { face: first.face, at: this.point(first.point) };
  }

  /** The edges that the form's outline is drawn with. */
  get outlineEdges(): readonly number[] {
    return this.model?.outlineEdges ?? [];
  }

  /** Where along an edge the sight-line through a pixel passes nearest, 0 to 1. */
  alongEdge(edge: number, x: number, y: number): number {
    const { buffers } = this.model!;
    const [a, b] = buffers.ends(edge);
    const start = new Vector3(...buffers.local(a));
    const along = new Vector3(...buffers.local(b)).sub(start);
    const ndc = new Vector2((x / this.width) * 2 - 1, 1 - (y / this.height) * 2);
    this.raycaster.setFromCamera(ndc, this.camera);
    const { origin, direction } = this.raycaster.ray;
    const w = start.clone().sub(origin);
    const aa = along.dot(along);
    const ab = along.dot(direction);
    const t = (ab * direction.dot(w) - along.dot(w)) / (aa - ab * ab || 1e-30);
    return Math.min(1, Math.max(0, t));
  }

  get buffers(): MeshBuffers | undefined {
    return this.model?.buffers;
  }
}
