import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  GLSL3,
  Group,
  Mesh,
  MultiplyBlending,
  ShaderMaterial,
  type MeshBasicMaterial,
} from 'three';
import { trianglesOf, type Surface } from '../mesh/surface';
import { lookOf, type LensPicture } from './lenses';
import { washed } from './ToneLayers';

/**
 * The smooth surface under its cage: clay, washed where a lens says something of the faces of the cage, or
 * with the stripes of a room that it mirrors. It is only looked at: what is pointed at is the cage.
 */
export class SmoothSurface {
  readonly group = new Group();
  private washes: Mesh<BufferGeometry, MeshBasicMaterial>[] = [];
  private readonly mesh = new Mesh(
    new BufferGeometry(),
    new ShaderMaterial({
      glslVersion: GLSL3,
      side: DoubleSide,
      polygonOffset: true,
      polygonOffsetFactor: 1.2,
      polygonOffsetUnits: 1,
      uniforms: { dim: { value: 1 }, stripes: { value: 0 } },
      vertexShader: `
        out vec3 vNormal;
        out vec3 vAt;
        void main() {
          vNormal = normalMatrix * normal;
          vec4 at = modelViewMatrix * vec4(position, 1.0);
          vAt = at.xyz;
          gl_Position = projectionMatrix * at;
        }`,
      fragmentShader: `
        uniform float dim;
        uniform float stripes;
        in vec3 vNormal;
        in vec3 vAt;
        out vec4 colour;
        const vec3 AWAY = vec3(0.749, 0.694, 0.529);
        const vec3 BUFF = vec3(0.918, 0.875, 0.749);
        const vec3 LIT = vec3(0.957, 0.925, 0.827);
        const vec3 INK = vec3(0.063, 0.157, 0.227);
        void main() {
          vec3 n = normalize(vNormal) * (gl_FrontFacing ? 1.0 : -1.0);
          float t = dot(n, normalize(vec3(-0.35, 0.75, 0.56)));
          vec3 clay = t > 0.35 ? mix(BUFF, LIT, (t - 0.35) / 0.65)
                               : mix(AWAY, BUFF, clamp((t + 0.55) / 0.9, 0.0, 1.0));
          vec3 r = reflect(normalize(vAt), n);
          float band = asin(clamp(r.y, -1.0, 1.0)) * 7.0;
          float width = fwidth(band);
          float edge = smoothstep(0.5 - width, 0.5 + width, abs(fract(band) - 0.5) * 2.0);
          colour = vec4(mix(clay, mix(clay, INK, 0.78), edge * stripes) * dim, 1.0);
        }`,
    }),
  );

  constructor() {
    this.mesh.frustumCulled = false;
    this.group.add(this.mesh);
    this.group.visible = false;
  }

  /** Shows a surface, placed by another one's origin; null shows none. */
  show(surface: Surface | null, origin: readonly number[], stripes: boolean) {
    this.wash(null, null);
    this.mesh.geometry.dispose();
    this.mesh.geometry = surface ? geometryOf(surface) : new BufferGeometry();
    this.group.visible = surface !== null;
    this.mesh.material.uniforms.stripes!.value = stripes ? 1 : 0;
    if (!surface) return;
    const [x, y, z] = surface.origin;
    this.group.position.set(x - origin[0]!, y - origin[1]!, z - origin[2]!);
  }

  /** Washes what belongs to the faces that the lens names. */
  wash(surface: Surface | null, picture: LensPicture | null) {
    for (const wash of this.washes) {
      wash.geometry.dispose();
      wash.material.dispose();
    }
    this.group.remove(...this.washes);
    this.washes = [];
    if (!surface || !picture) return;
    for (const tone of picture.faces) {
      if (tone.ids.length === 0) continue;
      const geometry = new BufferGeometry();
      geometry.setAttribute('position', this.mesh.geometry.getAttribute('position'));
      geometry.setIndex(new BufferAttribute(trianglesOf(surface, tone.ids), 1));
      const wash = washed(geometry, lookOf(tone.name));
      // As the clay is lit, so is what lies on it: the form stays to be seen.
      wash.material.blending = MultiplyBlending;
      wash.material.premultipliedAlpha = true;
      this.washes.push(wash);
    }
    this.group.add(...this.washes);
  }

  dim(by: number) {
    this.mesh.material.uniforms.dim!.value = by;
  }

  dispose() {
    this.wash(null, null);
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}

function geometryOf(surface: Surface): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(surface.positions, 3));
  geometry.setAttribute('normal', new BufferAttribute(surface.normals, 4, true));
  geometry.setIndex(new BufferAttribute(trianglesOf(surface), 1));
  return geometry;
}
