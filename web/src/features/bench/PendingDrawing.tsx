import type { Preview } from '../../api/client';
import type { MeshBuffers } from '../../mesh/MeshBuffers';
import { Aim, Following, PlaceTag, StopBar } from '../../stage/Aim';
import { CutLine } from '../../stage/CutLine';
import type { PendingPoint } from './pending';
import type { PendingCut } from './usePendingCut';

/** What the stage shows of a pending cut: what is aimed at, the line so far, where it stops. */
export function PendingDrawing({ cut, mesh }: { cut: PendingCut; mesh: MeshBuffers }) {
  const { tool, hover, points, preview, change } = cut;
  const last = points.at(-1);
  return (
    <>
      {hover && <Aim picked={hover} division={tool === 'trace' ? cut.division : 0} />}
      {last && hover && <Following from={last.at} to={hover.at} />}
      {tail(points, cut.ready).map(([a, b], i) => (
        <Following key={i} from={a} to={b} />
      ))}
      {preview && !preview.refusal && (
        <CutLine pieces={preview.pieces} letters={tool === 'trace'} />
      )}
      {tool === 'trace' && !change && last && <FirstPoint point={last} mesh={mesh} />}
      {tool === 'loops' && preview && <Stops preview={preview} />}
    </>
  );
}

/** Placed points that don't count yet, as straight pieces. */
function tail(points: readonly PendingPoint[], ready: number) {
  const from = Math.max(1, ready);
  return points.slice(from).map((p, i) => [points[from - 1 + i]!.at, p.at] as const);
}

/** The direction of the edge on which a placed point lies. */
function edgeOf({ anchor }: PendingPoint, mesh: MeshBuffers) {
  if (anchor.on !== 'edge' || !mesh.hasEdge(anchor.edge)) return null;
  const [p, q] = mesh.ends(anchor.edge).map((v) => mesh.local(v));
  return { x: q![0] - p![0], y: q![1] - p![1], z: q![2] - p![2] };
}

function FirstPoint({ point, mesh }: { point: PendingPoint; mesh: MeshBuffers }) {
  const use = point.anchor.on === 'vertex' ? 'used' : 'fresh';
  const points = [{ at: point.at, use, edge: edgeOf(point, mesh) } as const];
  const piece = { points: [...points], stretches: [1], length: 0, toLast: null, toEdge: null };
  return <CutLine letters={false} pieces={[piece]} />;
}

function Stops({ preview }: { preview: Preview }) {
  const line = preview.pieces[0]?.points ?? [];
  const ends = [
    { at: line[0]?.at, towards: line[1]?.at },
    { at: line.at(-1)?.at, towards: line.at(-2)?.at },
  ];
  return (
    <>
      {preview.remarks
        .filter((r) => r.at && r.stop && r.stop !== 'border')
        .map((remark, i) => {
          const end = ends.find(
            (e) =>
              e.at && e.at.x === remark.at!.x && e.at.y === remark.at!.y && e.at.z === remark.at!.z,
          );
          return (
            <g key={i}>
              {end?.at && end.towards && <StopBar at={end.at} towards={end.towards} />}
              <PlaceTag
                at={remark.at!}
                text={`Stops here: ${stopName(remark)}`}
                hiddenText={`Stops behind: ${stopName(remark)}`}
                lift={i === 0 ? 40 : -60}
              />
            </g>
          );
        })}
    </>
  );
}

function stopName({ stop, text }: Preview['remarks'][number]): string {
  if (stop === 'triangle') return 'a triangle';
  if (stop === 'crowded') return 'a crowded edge';
  return /a face with \d+ sides/.exec(text)?.[0] ?? 'too many sides';
}
