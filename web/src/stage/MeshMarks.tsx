import type { Finding } from '../api/client';
import type { MeshBuffers, Point } from '../mesh/MeshBuffers';
import { MarkShape, colourOf } from '../trade/FindingMark';
import { numberText } from '../ui/time';
import { clusters, useSight, type Cluster } from './sight';
import { useStage } from './stageContext';
import type { StageView } from './StageView';

const CLEAR = 20;

/** A mark for more findings than this takes the eye nearer; one for fewer chooses the first. */
const FEW = 5;

interface Props {
  findings: readonly Finding[];
  chosen: string | null;
  onChoose: (finding: Finding) => void;
  /**
   * Places at which a tool is at work. Where this is given marks let the pointer through, and those
   * near such a place go: a mark never covers what is aimed at.
   */
  atWork?: readonly Point[];
}

/** The marks of findings where the eye sees them; near ones join, the chosen one shows its place. */
export function MeshMarks({ findings, chosen, onChoose, atWork }: Props) {
  const stage = useStage();
  const sight = useSight(stage, findings);
  const chosenFinding = findings.find((f) => f.key === chosen);
  const seen = clusters(stage, findings, sight, chosenFinding).filter((mark) =>
    isFree(stage, mark, atWork ?? []),
  );
  return (
    <g data-testid="marks">
      {seen.map(({ finding, x, y, findings: joined }) => (
        <g
          key={finding.key}
          transform={`translate(${x - 8.5} ${y - 8.5}) scale(1.06)`}
          className={atWork ? '' : 'pointer-events-auto cursor-pointer'}
          data-finding={finding.key}
          onClick={() =>
            joined.length > FEW ? stage.approach(joined.map((f) => f.place)) : onChoose(finding)
          }
        >
          <title>
            {joined.length > FEW
              ? `${numberText(joined.length)} findings: a click goes nearer`
              : finding.title}
          </title>
          <MarkShape kind={finding.kind} severity={finding.severity} halo />
          {joined.length > 1 && (
            <text
              x={19}
              y={12}
              fontSize={11}
              fontWeight={600}
              fill="var(--ink)"
              stroke="var(--sheet)"
              strokeWidth={4}
              paintOrder="stroke"
            >
              {numberText(joined.length)}
            </text>
          )}
        </g>
      ))}
      {chosenFinding && stage.buffers && (
        <ChosenPlace finding={chosenFinding} buffers={stage.buffers} />
      )}
    </g>
  );
}

function isFree(stage: StageView, mark: Cluster, places: readonly Point[]): boolean {
  return places.every((place) => {
    const p = stage.project(place);
    return Math.hypot(mark.x - p.x, mark.y - p.y) > CLEAR;
  });
}

/** The element bare, outlined in the finding's colour. */
function ChosenPlace({ finding, buffers }: { finding: Finding; buffers: MeshBuffers }) {
  const stage = useStage();
  const at = (v: number) => stage.project(buffers.toWorld(buffers.local(v)));
  const colour = colourOf(finding.kind);
  const outlines = finding.elements.map((element) => {
    if (element.kind === 'vertex') {
      if (!buffers.shown[element.id]) return '';
      const p = at(element.id);
      return `M${p.x - 8} ${p.y}a8 8 0 1 0 16 0a8 8 0 1 0 -16 0`;
    }
    const corners =
      element.kind === 'face'
        ? [...buffers.corners(element.id)]
        : buffers.hasEdge(element.id)
          ? buffers.ends(element.id)
          : [];
    const points = corners.map((v) => at(v)).map((p) => `${p.x} ${p.y}`);
    return points.length ? `M${points.join('L')}${element.kind === 'face' ? 'Z' : ''}` : '';
  });
  const d = outlines.join('');
  return (
    <g fill="none" strokeLinejoin="round" data-testid="chosen-place">
      <path d={d} stroke="var(--sheet)" strokeWidth={5.6} />
      <path d={d} stroke={colour} strokeWidth={2.6} />
    </g>
  );
}
