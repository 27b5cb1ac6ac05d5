import { BufferAttribute, BufferGeometry, DoubleSide, GLSL3, Mesh, ShaderMaterial } from 'three';
import type { MeshBuffers } from '../mesh/MeshBuffers';

/**
 * The smooth surface under its cage: clay, or with the stripes of a room that it mirrors. It is only
 * looked at: what is pointed at is the cage.
 */
export class SmoothSurface {
  readonly mesh = new Mesh(
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
    this.mesh.visible = false;
  }

  /** Shows a refined mesh, placed by another one's origin; null shows none. */
  show(buffers: MeshBuffers | null, origin: readonly number[], stripes: boolean) {
    this.mesh.geometry.dispose();
    this.mesh.geometry = buffers ? geometryOf(buffers, origin) : new BufferGeometry();
    this.mesh.visible = buffers !== null;
    this.mesh.material.uniforms.stripes!.value = stripes ? 1 : 0;
  }

  dim(by: number) {
    this.mesh.material.uniforms.dim!.value = by;
  }

  dispose() {
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}

function geometryOf(buffers: MeshBuffers, origin: readonly number[]): BufferGeometry {
  const positions = buffers.positions.slice(0, 3 * buffers.vertexEnd);
  for (let i = 0; i < positions.length; i++) {
    positions[i]! += buffers.origin[i % 3]! - origin[i % 3]!;
  }
  const index: number[] = [];
  for (let f = 0; f < buffers.faceEnd; f++) {
    if (!buffers.hasFace(f)) continue;
    const corners = buffers.corners(f);
    for (const corner of buffers.triangles(f)) index.push(corners[corner]!);
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions, 3));
  geometry.setIndex(index);
  geometry.computeVertexNormals();
  return geometry;
}
