import { DoubleSide, Mesh, MeshBasicMaterial, PlaneGeometry, Texture, Vector3 } from 'three';

/** A picture on a plane behind the model, to trace from. */
export class TracingSheet {
  readonly mesh = new Mesh(
    new PlaneGeometry(1, 1),
    new MeshBasicMaterial({ transparent: true, depthWrite: false, side: DoubleSide }),
  );
  /** Width to height of the picture. */
  private ratio = 1;

  constructor() {
    this.mesh.visible = false;
    this.mesh.renderOrder = -1;
    this.mesh.frustumCulled = false;
  }

  /** Shows a picture; null shows none. */
  show(picture: ImageBitmap | null) {
    this.mesh.material.map?.dispose();
    this.mesh.material.map = null;
    this.mesh.visible = picture !== null;
    if (picture) {
      this.ratio = picture.width / picture.height;
      const texture = new Texture(picture);
      texture.needsUpdate = true;
      this.mesh.material.map = texture;
    }
    this.mesh.material.needsUpdate = true;
  }

  /** Stands it square to a sight, its middle somewhere, so wide. */
  place(middle: Vector3, eye: Vector3, up: Vector3, width: number, opacity: number) {
    this.mesh.position.copy(middle);
    this.mesh.up.copy(up);
    this.mesh.lookAt(eye);
    // A picture in memory begins at its top.
    this.mesh.scale.set(width, -width / this.ratio, 1);
    this.mesh.material.opacity = opacity;
  }

  dispose() {
    this.mesh.material.map?.dispose();
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
