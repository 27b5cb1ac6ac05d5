import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
import { LineSegments2 } from 'three/examples/jsm/lines/LineSegments2.js';
import { LineSegmentsGeometry } from 'three/examples/jsm/lines/LineSegmentsGeometry.js';

export const INK = '#10283a';
const NEARER = '2.5e-5';

/** Lines of an even width on the screen. */
export function fatLines(color: string, linewidth: number, order: number) {
  const material = new LineMaterial({ color, linewidth, depthWrite: false });
  // A little nearer than the faces that it borders, or they would take half of its width.
  material.onBeforeCompile = (shader) => {
    const end = '#include <logdepthbuf_vertex>';
    shader.vertexShader = shader.vertexShader.replace(
      end,
      `gl_Position.z -= ${NEARER} * gl_Position.w;\n${end}`,
    );
  };
  const lines = new LineSegments2(new LineSegmentsGeometry(), material);
  lines.frustumCulled = false;
  lines.renderOrder = order;
  return lines;
}

export function setLines(lines: LineSegments2, positions: Float32Array) {
  const geometry = new LineSegmentsGeometry();
  geometry.setPositions(positions.length ? positions : new Float32Array(6));
  lines.geometry.dispose();
  lines.geometry = geometry;
}
