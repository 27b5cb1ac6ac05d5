import { Color, DoubleSide, GLSL3, ShaderMaterial } from 'three';

/** The floor's lines, a pixel wide at any distance and fading where they would run together. */
export function graticuleMaterial(): ShaderMaterial {
  return new ShaderMaterial({
    glslVersion: GLSL3,
    side: DoubleSide,
    transparent: true,
    depthWrite: false,
    uniforms: { line: { value: new Color() } },
    vertexShader: `
      in vec2 square;
      in vec2 across;
      out vec2 vSquare;
      out vec2 vAcross;
      void main() {
        vSquare = square;
        vAcross = across;
        gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
      }`,
    fragmentShader: `
      uniform vec3 line;
      in vec2 vSquare;
      in vec2 vAcross;
      out vec4 colour;
      void main() {
        vec2 perPixel = fwidth(vSquare);
        vec2 pixels = abs(fract(vSquare - 0.5) - 0.5) / perPixel;
        vec2 seen = (1.0 - clamp(pixels, 0.0, 1.0)) * (1.0 - smoothstep(0.08, 0.3, perPixel));
        float fade = 1.0 - smoothstep(0.45, 1.0, length(vAcross));
        colour = vec4(line, max(seen.x, seen.y) * fade);
      }`,
  });
}
