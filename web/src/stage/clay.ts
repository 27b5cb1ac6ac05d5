import { DoubleSide, GLSL3, ShaderMaterial } from 'three';

/** Clay, flat per face: from turned away to lit, by a light that comes over the viewer's left shoulder. */
export function clayMaterial(): ShaderMaterial {
  return new ShaderMaterial({
    glslVersion: GLSL3,
    side: DoubleSide,
    polygonOffset: true,
    polygonOffsetFactor: 1.2,
    polygonOffsetUnits: 1,
    uniforms: { dim: { value: 1 } },
    vertexShader: `
      in vec3 wash;
      in float washed;
      out vec3 vNormal;
      flat out vec4 vWash;
      void main() {
        vNormal = normalMatrix * normal;
        vWash = vec4(wash, washed);
        gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
      }`,
    fragmentShader: `
      uniform float dim;
      in vec3 vNormal;
      flat in vec4 vWash;
      out vec4 colour;
      const vec3 AWAY = vec3(0.749, 0.694, 0.529);
      const vec3 BUFF = vec3(0.918, 0.875, 0.749);
      const vec3 LIT = vec3(0.957, 0.925, 0.827);
      void main() {
        vec3 n = normalize(vNormal) * (gl_FrontFacing ? 1.0 : -1.0);
        float t = dot(n, normalize(vec3(-0.35, 0.75, 0.56)));
        vec3 clay = t > 0.35 ? mix(BUFF, LIT, (t - 0.35) / 0.65) : mix(AWAY, BUFF, clamp((t + 0.55) / 0.9, 0.0, 1.0));
        if (!gl_FrontFacing) clay *= 0.82;
        colour = vec4(mix(clay, vWash.rgb, vWash.a) * dim, 1.0);
      }`,
  });
}

/** Ink lines 0.9 wide, 5.5 apart, rising to the right, fixed to the screen. */
export function hatchMaterial(): ShaderMaterial {
  return new ShaderMaterial({
    glslVersion: GLSL3,
    side: DoubleSide,
    transparent: true,
    depthWrite: false,
    polygonOffset: true,
    polygonOffsetFactor: 0.4,
    polygonOffsetUnits: 0.4,
    uniforms: { ratio: { value: Math.min(window.devicePixelRatio, 2) } },
    vertexShader:
      'void main() { gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0); }',
    fragmentShader: `
      uniform float ratio;
      out vec4 colour;
      void main() {
        float across = (gl_FragCoord.x - gl_FragCoord.y) / ratio * 0.7071;
        float line = abs(mod(across, 5.5) - 2.75);
        if (line < 2.3) discard;
        colour = vec4(0.063, 0.157, 0.227, 0.62);
      }`,
  });
}

/** Over faces that can't be cut: darker, with fine level lines that stand still. */
export function shadeMaterial(): ShaderMaterial {
  return new ShaderMaterial({
    glslVersion: GLSL3,
    side: DoubleSide,
    transparent: true,
    depthWrite: false,
    polygonOffset: true,
    polygonOffsetFactor: 0.6,
    polygonOffsetUnits: 0.6,
    uniforms: { ratio: { value: Math.min(window.devicePixelRatio, 2) } },
    vertexShader:
      'void main() { gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0); }',
    fragmentShader: `
      uniform float ratio;
      out vec4 colour;
      void main() {
        float line = abs(mod(gl_FragCoord.y / ratio, 5.0) - 2.5);
        colour = vec4(0.063, 0.157, 0.227, line < 2.0 ? 0.2 : 0.42);
      }`,
  });
}
