import type { Severity } from '../api/client';

/** The shapes by which kinds of finding are told apart, on a field of 16 by 16. */
const SHAPES = {
  ngon: { body: 'M8 1.2 13.9 4.6v6.8L8 14.8 2.1 11.4V4.6Z', colour: 'var(--mark-ngon)' },
  triangle: { body: 'M8 1.8 15 14H1Z', colour: 'var(--mark-triangle)' },
  vertex: {
    body: 'M8 1.6a6.4 6.4 0 1 1 0 12.8A6.4 6.4 0 0 1 8 1.6Z',
    colour: 'var(--mark-vertex)',
  },
} as const;

type Shape = keyof typeof SHAPES;

const SHAPE_OF_KIND: Record<string, Shape> = {
  ngon: 'ngon',
  triangle: 'triangle',
  'idle-vertex': 'vertex',
  double: 'vertex',
};

const SEVERITY_NAMES: Record<Severity, string> = {
  must: 'must mend',
  should: 'should mend',
  remark: 'remark',
};

export function colourOf(kind: string): string {
  return SHAPES[SHAPE_OF_KIND[kind] ?? 'vertex'].colour;
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

const DOT = 'M8 5.6a2.4 2.4 0 1 1 0 4.8 2.4 2.4 0 0 1 0-4.8Z';

/** The strokes alone; with a halo where they lie on the model. */
export function MarkShape(props: { kind: string; severity: Severity; halo?: boolean }) {
  const shape = SHAPE_OF_KIND[props.kind] ?? 'vertex';
  const { body, colour } = SHAPES[shape];
  const must = props.severity === 'must';
  const width = must ? 1 : props.severity === 'should' ? 1.9 : 1;
  const fill = must ? colour : props.severity === 'should' ? 'var(--sheet)' : 'none';
  return (
    <>
      {props.halo && (
        <path
          d={body}
          fill="var(--sheet)"
          stroke="var(--sheet)"
          strokeWidth={5 + width}
          strokeLinejoin="round"
        />
      )}
      <path d={body} fill={fill} stroke={colour} strokeWidth={width} strokeLinejoin="round" />
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
