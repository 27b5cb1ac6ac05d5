import type { Severity } from '../api/client';

/** The shapes by which kinds of finding are told apart, on a field of 16 by 16. */
const SHAPES = {
  ngon: { body: 'M8 1.2 13.9 4.6v6.8L8 14.8 2.1 11.4V4.6Z', colour: 'var(--mark-ngon)' },
  triangle: { body: 'M8 1.8 15 14H1Z', colour: 'var(--mark-triangle)' },
  vertex: {
    body: 'M8 1.6a6.4 6.4 0 1 1 0 12.8A6.4 6.4 0 0 1 8 1.6Z',
    colour: 'var(--mark-vertex)',
  },
  flow: { body: 'M1 6h4.6V2.6L11 8l-5.4 5.4V10H1Z', colour: 'var(--mark-flow)' },
  support: {
    body: 'M1.800 14.200V8A6.200 6.200 0 0 1 8 1.800h6.200v5.400H9A1.800 1.800 0 0 0 7.200 9v5.200Z',
    colour: 'var(--mark-support)',
  },
  shape: {
    body: 'M1.600 1.600h8.400v4.400h4.400v8.400H6v-4.400H1.600Z',
    colour: 'var(--mark-shape)',
  },
  surface: { body: 'M2 2h11.6l-2.8 3.2 3 2.6-3.6 3L13 14H2Z', colour: 'var(--mark-surface)' },
} as const;

type Shape = keyof typeof SHAPES;

const SHAPE_OF_KIND: Record<string, Shape> = {
  ngon: 'ngon',
  triangle: 'triangle',
  'flat-corner': 'triangle',
  'all-triangles': 'triangle',
  'idle-vertex': 'vertex',
  'bent-vertex': 'vertex',
  double: 'vertex',
  seam: 'vertex',
  touching: 'vertex',
  'short-edge': 'vertex',
  slit: 'vertex',
  'loose-vertex': 'vertex',
  'loose-edge': 'vertex',
  'idle-loop': 'vertex',
  'ring-stop': 'flow',
  'loop-end': 'flow',
  'dead-end': 'flow',
  pole: 'flow',
  spiral: 'flow',
  jump: 'flow',
  stretched: 'flow',
  askew: 'flow',
  'soft-edge': 'support',
  pinch: 'support',
  tight: 'support',
  'no-collar': 'support',
  placed: 'shape',
  moved: 'shape',
  'one-sided': 'shape',
  'off-line': 'shape',
  'too-many': 'shape',
  lopsided: 'shape',
};

/** All other kinds are of the surface. */
function shapeOf(kind: string): Shape {
  return SHAPE_OF_KIND[kind] ?? 'surface';
}

export const SEVERITY_NAMES: Record<Severity, string> = {
  must: 'must mend',
  should: 'should mend',
  remark: 'remark',
};

export function colourOf(kind: string): string {
  return SHAPES[shapeOf(kind)].colour;
}

interface Props {
  kind: string;
  severity: Severity;
  title: string;
  size?: number;
}

/** The mark of a finding, in a list. */
export function FindingMark({ size = 16, ...mark }: Props) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 16 16"
      role="img"
      aria-label={`${mark.title}, ${SEVERITY_NAMES[mark.severity]}`}
      className="shrink-0"
    >
      <title>{`${mark.title}, ${SEVERITY_NAMES[mark.severity]}`}</title>
      <MarkShape kind={mark.kind} severity={mark.severity} />
    </svg>
  );
}

const BAR = 'M13.6 2v12';
const DOT = 'M8 5.6a2.4 2.4 0 1 1 0 4.8 2.4 2.4 0 0 1 0-4.8Z';

/** The strokes alone; with a halo where they lie on the model. */
export function MarkShape(props: { kind: string; severity: Severity; halo?: boolean }) {
  const shape = shapeOf(props.kind);
  const { body, colour } = SHAPES[shape];
  const must = props.severity === 'must';
  const width = must ? 1 : props.severity === 'should' ? 1.9 : 1;
  const fill = must ? colour : props.severity === 'should' ? 'var(--sheet)' : 'none';
  return (
    <>
      {props.halo && (
        <path
          d={shape === 'flow' ? body + BAR : body}
          fill="var(--sheet)"
          stroke="var(--sheet)"
          strokeWidth={5 + width}
          strokeLinejoin="round"
        />
      )}
      <path d={body} fill={fill} stroke={colour} strokeWidth={width} strokeLinejoin="round" />
      {shape === 'flow' && (
        <path
          d={BAR}
          fill="none"
          stroke={colour}
          strokeWidth={must ? 2 : width}
          strokeLinecap="round"
        />
      )}
      {shape === 'vertex' && (
        <path
          d={DOT}
          fill={must ? 'var(--sheet)' : colour}
          opacity={props.severity === 'remark' ? 0.6 : 1}
        />
      )}
    </>
  );
}
