import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, type ReactNode } from 'react';
import type { Change, Schemas } from '../../../api/client';
import { queries } from '../../../api/queries';
import type { MeshBuffers, Point } from '../../../mesh/MeshBuffers';
import { useStage } from '../../../stage/stageContext';
import { Button } from '../../../ui/Button';
import { useRested } from '../../../ui/useRested';
import { posed } from './poses';

type Motions = Schemas['FoldMotions'];

const MOST_EDGES = 1500;
const REST_MS = 120;

interface Props {
  workpiece: string;
  revision: number;
  mesh: MeshBuffers;
  /** The fold at its end. */
  change: Change;
  /** How much of the way from flat is played. */
  share: number;
  /** Drawn while the motions are not known. */
  children: ReactNode;
}

/** The panels where they are on the way to a fold, by the motions that the core tells. */
export function FoldPlay({ workpiece, revision, mesh, change, share, children }: Props) {
  const key = JSON.stringify(change);
  const rested = useRested(key, REST_MS);
  const asked = useMemo(() => JSON.parse(rested) as Change, [rested]);
  const motions = useQuery(queries.foldMotions(workpiece, revision, asked)).data;
  const panels = useMemo(() => (motions ? edgesOf(motions, mesh) : []), [motions, mesh]);
  if (!motions || rested !== key) return children;
  return <Panels motions={motions} panels={panels} share={share} />;
}

interface Panel {
  lines: readonly (readonly [Point, Point])[];
  poses: readonly number[];
  /** Whether it passes through another one from a stop on. */
  passes: boolean;
}

/** The sides of the faces of each panel, once each. */
function edgesOf(motions: Motions, mesh: MeshBuffers): Panel[] {
  let left = MOST_EDGES;
  return motions.panels.map((panel) => {
    const edges = new Set(
      panel.faces.flatMap((f) => (mesh.hasFace(f) ? [...mesh.edgesOf(f)] : [])),
    );
    const lines = [...edges].slice(0, left).map((e) => {
      const [a, b] = mesh.ends(e).map((v) => mesh.toWorld(mesh.local(v)));
      return [a!, b!] as const;
    });
    left -= lines.length;
    const passes = motions.passing?.faces.some((f) => panel.faces.includes(f)) ?? false;
    return { lines, poses: panel.poses, passes };
  });
}

function Panels(props: { motions: Motions; panels: readonly Panel[]; share: number }) {
  const stage = useStage();
  const { motions, panels } = props;
  const at = props.share * (motions.stops - 1);
  let lines = '';
  let crossed = '';
  for (const panel of panels) {
    const place = posed(panel.poses, motions.stops, at);
    let d = '';
    for (const [a, b] of panel.lines) {
      const p = stage.project(place(a));
      const q = stage.project(place(b));
      if (p.ahead && q.ahead) d += `M${p.x} ${p.y}L${q.x} ${q.y}`;
    }
    if (panel.passes && motions.passing && at >= motions.passing.stop - 1e-9) crossed += d;
    else lines += d;
  }
  return (
    <g fill="none" data-testid="fold-play">
      <path d={lines + crossed} stroke="var(--sheet)" strokeWidth={5} />
      <path d={lines} stroke="var(--ink)" strokeWidth={2} strokeDasharray="7 4" />
      <path d={crossed} stroke="var(--ink)" strokeWidth={3.4} data-passing />
    </g>
  );
}

const PLAY_MS = 2400;

/** Plays from flat to the end, once; for who wants no motion it shows the end. */
export function PlayButton(props: { disabled: boolean; onShare: (share: number) => void }) {
  const frame = useRef(0);
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  const play = () => {
    cancelAnimationFrame(frame.current);
    if (matchMedia('(prefers-reduced-motion: reduce)').matches) {
      props.onShare(1);
      return;
    }
    const start = performance.now();
    const next = (now: number) => {
      const share = Math.min(1, (now - start) / PLAY_MS);
      props.onShare(share);
      if (share < 1) frame.current = requestAnimationFrame(next);
    };
    frame.current = requestAnimationFrame(next);
  };
  return (
    <Button size="small" className="px-2" disabled={props.disabled} onClick={play}>
      Play
    </Button>
  );
}
