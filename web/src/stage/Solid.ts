import type { Color, Raycaster, Vector3 } from 'three';
import { BufferGeometry, DoubleSide, Group, Mesh, MeshBasicMaterial } from 'three';
import { acceleratedRaycast } from 'three-mesh-bvh';
import { clayMaterial } from './clay';
import type { ModelGeometry } from './ModelGeometry';

/** The faces of the model, and the shadow under it: two drawn things a layer. */
export class Solid {
  readonly group = new Group();
  private readonly clay = clayMaterial();
  private readonly underfoot = new MeshBasicMaterial({ side: DoubleSide, depthWrite: false });
  private readonly bodies: Mesh[] = [];
  private readonly shadows: Mesh[] = [];
  private model: ModelGeometry | undefined;

  /** Shows a model's layers as they are now. */
  show(model: ModelGeometry) {
    this.model = model;
    const { layers, centre, floor, radius } = model;
    while (this.bodies.length < layers.length) this.addPair();
    this.bodies.forEach((body, i) => {
      const shadow = this.shadows[i]!;
      const layer = layers[i];
      body.visible = shadow.visible = !!layer && layer.triangleCount > 0;
      if (!layer) return;
      body.geometry = shadow.geometry = layer.geometry;
      shadow.scale.set(1.07, 1.07, 0.0001);
      shadow.position.set(-0.07 * centre.x, -0.07 * centre.y, floor - radius * 1e-3);
    });
  }

  private addPair() {
    const body = new Mesh(new BufferGeometry(), this.clay);
    body.raycast = acceleratedRaycast;
    const shadow = new Mesh(new BufferGeometry(), this.underfoot);
    shadow.renderOrder = -1;
    this.bodies.push(body);
    this.shadows.push(shadow);
    this.group.add(body, shadow);
  }

  /** The first face on a ray, and where. */
  hit(ray: Raycaster): { face: number; point: Vector3 } | undefined {
    const first = ray.intersectObjects(
      this.bodies.filter((body) => body.visible),
      false,
    )[0];
    if (first?.faceIndex == null) return undefined;
    const layer = this.model!.layers[this.bodies.indexOf(first.object as Mesh)]!;
    return { face: layer.triangleFace[first.faceIndex]!, point: first.point };
  }

  /** Whether the faces are seen; unseen, they are still what is pointed at. */
  setSeen(seen: boolean) {
    this.clay.colorWrite = seen;
    this.clay.depthWrite = seen;
  }

  /** Whether the unseen faces hide what lies behind them. */
  setHiding(hides: boolean) {
    this.clay.depthWrite = hides;
    this.underfoot.visible = !hides;
  }

  /** How bright the faces are, and the colour of the shadow. */
  paint(dim: number, shadow: Color) {
    this.clay.uniforms.dim!.value = dim;
    this.underfoot.color = shadow;
  }

  dispose() {
    this.clay.dispose();
    this.underfoot.dispose();
    for (const thing of [...this.bodies, ...this.shadows]) thing.geometry.dispose();
  }
}
