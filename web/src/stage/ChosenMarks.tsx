import { useStage } from './stageContext';

const MOST = 600;

/** Chosen vertices: a ring on paper with a dot inside. Edges and faces are drawn by the scene. */
export function ChosenMarks({ vertices }: { vertices: readonly number[] }) {
  const stage = useStage();
  const { buffers } = stage;
  if (!buffers) return null;
  return (
    <g data-testid="chosen-vertices">
      {vertices.slice(0, MOST).map((v) => {
        if (!buffers.shown[v]) return null;
        const at = buffers.toWorld(buffers.local(v));
        const p = stage.project(at);
        if (!p.ahead || stage.isHidden(at)) return null;
        return (
          <g key={v} data-chosen-vertex={v}>
            <circle
              cx={p.x}
              cy={p.y}
              r={5}
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth={1.6}
            />
            <circle cx={p.x} cy={p.y} r={2.2} fill="var(--ink)" />
          </g>
        );
      })}
    </g>
  );
}
