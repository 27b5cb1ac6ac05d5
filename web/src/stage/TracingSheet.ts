import {
  DoubleSide,
  Mesh,
  MeshBasicMaterial,
  PlaneGeometry,
  Texture,
  Vector3,
  type Object3D,
} from 'three';

/** A picture on a plane behind the model, to trace from. */
export class TracingSheet {
  readonly mesh = new Mesh(
    new PlaneGeometry(1, 1),
    new MeshBasicMaterial({ transparent: true, depthWrite: false, side: DoubleSide }),
  );
  /** Width to height of the picture. */
  private ratio = 1;
  private towards = new Vector3(0, 1, 0);
  private up = new Vector3(0, 0, 1);

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

  /** Is to be looked at squarely from where the camera is now. */
  face(camera: Object3D, target: Vector3) {
    this.towards = target.clone().sub(camera.position).normalize();
    this.up = new Vector3().setFromMatrixColumn(camera.matrixWorld, 1);
  }

  /**
   * Lays it out behind a model, so wide.
   *
   * @param moved on the sheet, to the right and upwards; in units of the mesh, as the width
   */
  lay(
    model: { centre: Vector3; radius: number },
    width: number,
    moved: { across: number; upwards: number },
    opacity: number,
  ) {
    const right = new Vector3().crossVectors(this.towards, this.up).normalize();
    const middle = model.centre
      .clone()
      .addScaledVector(this.towards, model.radius * 1.02)
      .addScaledVector(right, moved.across)
      .addScaledVector(this.up, moved.upwards);
    this.mesh.position.copy(middle);
    this.mesh.up.copy(this.up);
    this.mesh.lookAt(middle.clone().sub(this.towards));
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
