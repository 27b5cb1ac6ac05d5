import { api, type Change, type Preview } from '../../../api/client';
import type { Point } from '../../../mesh/MeshBuffers';
import { Aim, Following } from '../../../stage/Aim';
import { CutLine, letterOf } from '../../../stage/CutLine';
import { onEdgeAt, pick, type Picked } from '../../../stage/pick';
import { TwoWay } from '../../../ui/TwoWay';
import { counted } from '../../../ui/time';
import { PieceTable } from '../PieceTable';
import { anchorOf, finished, keepRuns, keptRuns, type PendingPoint, type Run } from '../pending';
import { AimFields, nextAim } from './AimFields';
import { AIM_NAMES, aimed, stepped, USUAL, type Aiming, type Coming } from './aiming';
import type { Cell, Next } from './cells';
import type { Ground, Hand, Hint, Xy } from './hand';
import { viewOf } from './hand';
import { ThenChoice, type Then } from './Then';
import { edgeVector, settle, trackOf, type Measure } from './measure';

const GRAB = 10;

/** Trace: points placed one by one over the surface, in one run or several. */
export function traceHand(ground: Ground, cell: Cell): Hand {
  const { mesh, stage, division, scope, workpiece, revision } = ground;
  const [runs, putRuns] = cell<readonly Run[]>('runs', () => keptRuns(workpiece, revision));
  /** Kept in this window too, so that a reload does not lose what is pending. */
  const setRuns = (next: Next<readonly Run[]>) =>
    putRuns((now) => {
      const then = next instanceof Function ? next(now) : next;
      keepRuns(workpiece, revision, then);
      return then;
    });
  const [through, setThrough] = cell('through', false);
  const [freehand, setFreehand] = cell('freehand', false);
  const [held, setHeld] = cell<{ run: number; point: number } | null>('held', null);
  const [hover, setHover] = cell<Picked | null>('hover', null);
  const [note, setNote] = cell<string | null>('note', null);
  const [aiming, setAiming] = cell<Aiming>('aiming', USUAL);
  const [then, setThen] = cell<Then>('then', 'none');

  const last = runs.at(-1);
  const open = last && !last.closed ? last : null;
  const ready = readyOf(runs);
  const changeOf = (runs: readonly Run[]): Change | null =>
    runs.length
      ? {
          tool: 'trace',
          runs: runs.map(({ points, thin }) => ({
            points: points.map(({ anchor, view }) => ({ anchor, view })),
            thin,
          })),
          reach: through ? 'through' : 'front',
          scope,
        }
      : null;
  const change = changeOf(ready);

  /** Moves the end of a piece until the core measures of the piece what was typed. */
  const typed = async (preview: Preview, piece: number, measure: Measure, wanted: number) => {
    const from = preview.pieces[piece]?.points[0]?.at;
    const end = ready.flatMap((run) => run.points.slice(1))[piece];
    const view = viewOf(stage);
    const track = from && end && trackOf(mesh, from, end, measure);
    if (!track || !view) return;
    const measured = async (value: number): Promise<number | null> => {
      const moved = track.at(value);
      const tried = moved && changeOf(readyOf(withEnd(runs, piece, moved)));
      if (!tried) return null;
      const answer = await api
        .preview(workpiece, revision, tried, view, [], false)
        .catch(() => null);
      return answer?.pieces[piece]?.[measure] ?? null;
    };
    const value = await settle(track, measured, wanted);
    const moved = value === null ? null : track.at(value);
    if (moved) {
      setNote(null);
      // What was placed meanwhile counts more than what was typed before.
      setRuns((now) => (now === runs ? withEnd(runs, piece, moved) : now));
    } else
      setNote(
        `Piece ${letterOf(piece)} can't have that: its end would leave its ${end.anchor.on}.`,
      );
  };

  /** Where the piece that is being aimed comes from. */
  const coming = (): Coming => {
    const points = held ? runs[held.run]!.points.slice(0, held.point) : (open?.points ?? []);
    const from = points.at(-1);
    return {
      from: from?.at ?? null,
      before: points.at(-2)?.at ?? null,
      leaving: from ? edgeOf(from, mesh) : null,
    };
  };

  const aim = (pixel: Xy | null): Picked | null => {
    if (!pixel || !stage) return null;
    const at = stepped(stage, aiming, coming(), pixel);
    const parts = aiming.by === 'parts' ? division : 0;
    const picked = pick(stage, at.x, at.y, { faces: true, vertices: true, division: parts });
    return picked && aimed(picked, aiming, coming(), mesh, ground.unit);
  };

  /** A point where the pointer is; off the model it is a place on the sight-line. */
  const pointAt = (at: Xy): PendingPoint | null => {
    const view = viewOf(stage);
    if (!stage || !view) return null;
    const picked = aim(at);
    if (picked) return { anchor: anchorOf(picked), view, at: picked.at };
    const pixel = stepped(stage, aiming, coming(), at);
    const beside = stage.onSight(pixel.x, pixel.y);
    return { anchor: { on: 'beside', at: beside }, view, at: beside };
  };

  const near = (at: Xy): { run: number; point: number } | null => {
    for (let run = 0; run < runs.length; run++) {
      for (let point = 0; point < runs[run]!.points.length; point++) {
        const p = stage!.project(runs[run]!.points[point]!.at);
        if (Math.hypot(p.x - at.x, p.y - at.y) < GRAB) return { run, point };
      }
    }
    return null;
  };

  const replace = (run: number, next: Run) => setRuns(runs.map((r, i) => (i === run ? next : r)));

  const putHeld = (at: Xy): boolean => {
    const put = pointAt(at);
    if (!put || !held) return false;
    const run = runs[held.run]!;
    replace(held.run, { ...run, points: run.points.map((p, i) => (i === held.point ? put : p)) });
    setHeld(null);
    return true;
  };

  const begin = (first: PendingPoint): boolean => {
    if (first.anchor.on === 'face') {
      setNote('A trace begins on a vertex, on an edge or beside the model, not inside a face.');
      return true;
    }
    setRuns([...runs, { points: [first], closed: false, thin: 0 }]);
    return true;
  };

  const click = (at: Xy): boolean => {
    if (!stage) return false;
    setNote(null);
    if (held) return putHeld(at);
    const grabbed = near(at);
    if (grabbed && open && grabbed.run === runs.length - 1 && grabbed.point === 0) {
      if (open.points.length < 3) return false;
      const first = { ...open.points[0]!, view: viewOf(stage)! };
      replace(runs.length - 1, { ...open, points: [...open.points, first], closed: true });
      return true;
    }
    if (grabbed) {
      setHeld(grabbed);
      return true;
    }
    const put = pointAt(at);
    if (!put) return false;
    if (!open) return begin(put);
    replace(runs.length - 1, { ...open, points: [...open.points, put] });
    return true;
  };

  const stroke = (path: readonly Xy[]) => {
    const points = path.map(pointAt).filter((p) => p !== null);
    if (points.length < 2 || !stage) return;
    // The ends go to the nearest border; between them the line is followed as it was drawn.
    const inner = points.slice(1, -1);
    const ends = [endOf(points[0]!, path[0]!), endOf(points.at(-1)!, path.at(-1)!)];
    const thin = 2.5 / stage.pixelsPerUnit;
    setRuns([...runs, { points: [ends[0]!, ...inner, ends[1]!], closed: true, thin }]);
  };

  const endOf = (point: PendingPoint, at: Xy): PendingPoint => {
    if (point.anchor.on !== 'face' || !stage) return point;
    const picked = onEdgeAt(stage, point.anchor.face, at.x, at.y);
    return picked ? { anchor: anchorOf(picked), view: point.view, at: picked.at } : point;
  };

  const back = (): boolean => {
    if (held) {
      setHeld(null);
      return true;
    }
    if (!last) return false;
    const left = last.thin > 0 ? [] : last.points.slice(0, -1);
    if (left.length) replace(runs.length - 1, { ...last, points: left, closed: false });
    else setRuns(runs.slice(0, -1));
    return true;
  };

  const drop = () => {
    setRuns([]);
    setHeld(null);
    setNote(null);
  };

  const endRun = () => {
    if (open && finished(open) === open.points.length && open.points.length > 1) {
      replace(runs.length - 1, { ...open, closed: true });
    }
  };

  const count = runs.reduce((n, run) => n + run.points.length, 0);
  const unready = runs.find((run) => finished(run) < run.points.length || run.points.length < 2);
  const missing =
    count === 0
      ? null
      : held
        ? 'Click where the point that is picked up shall lie.'
        : unready
          ? unready.points.length < 2
            ? 'Add a second point on a vertex, an edge or beside the model.'
            : 'The last point lies inside a face: go on to a vertex or an edge.'
          : null;

  return {
    pending: count > 0,
    change,
    missing: missing ?? note,
    hover,
    draws: freehand ? 'stroke' : undefined,
    point: (at) => setHover(aim(at)),
    click,
    stroke,
    back,
    drop,
    then: then === 'none' ? null : then,
    made: () => {
      drop();
      setHover(null);
    },
    hint: () => hintFor(hover, open?.points.length ?? 0, held !== null, freehand),
    keys: [
      { key: 'R', does: through ? 'right through' : 'front only', act: () => setThrough(!through) },
      { key: 'E', does: 'ends this run', act: endRun },
      {
        key: 'A',
        does: `aims by ${AIM_NAMES[aiming.by]}`,
        act: () => setAiming({ ...aiming, by: nextAim(aiming.by) }),
      },
      {
        key: 'K',
        does: freehand ? 'freehand: drag' : 'freehand',
        act: () => setFreehand(!freehand),
      },
    ],
    drawing: (preview) => (
      <TraceDrawing
        ground={ground}
        runs={runs}
        held={held}
        hover={hover}
        preview={preview}
        change={change}
      />
    ),
    slip: (preview) => (
      <>
        {preview && !preview.refusal && change && (
          <PieceTable
            preview={preview}
            unit={ground.unit}
            ends={ready.flatMap((run) => run.points.slice(1))}
            onTyped={(piece, measure, wanted) => void typed(preview, piece, measure, wanted)}
          />
        )}
        <TwoWay
          label="How deep"
          value={through ? 'through' : 'front'}
          options={[
            { value: 'front', name: 'Front only' },
            { value: 'through', name: 'Right through' },
          ]}
          onChange={(v) => setThrough(v === 'through')}
        />
        <AimFields aiming={aiming} unit={ground.unit} onChange={setAiming} />
        <p className="condensed text-[13px] text-ink2">
          {counted(count, 'point')} placed{runs.length > 1 ? ` in ${runs.length} runs` : ''}. A
          placed point can be picked up and moved.
        </p>
        <ThenChoice then={then} what="the smallest part that the line cuts off" onThen={setThen} />
      </>
    ),
  };
}

/** The runs with the end of their n-th piece, over all runs that are ready, put elsewhere. */
function withEnd(runs: readonly Run[], piece: number, end: PendingPoint): readonly Run[] {
  let left = piece;
  return runs.map((run) => {
    const pieces = Math.max(0, finished(run) - 1);
    const at = left + 1;
    left -= pieces;
    if (at < 1 || at > pieces) return run;
    return { ...run, points: run.points.map((p, i) => (i === at ? end : p)) };
  });
}

/** What of the runs can be cut as it is. */
function readyOf(runs: readonly Run[]): Run[] {
  return runs
    .map((run) => ({ ...run, points: run.points.slice(0, finished(run)) }))
    .filter((run) => run.points.length >= 2);
}

function hintFor(hover: Picked | null, points: number, held: boolean, freehand: boolean): Hint {
  if (freehand)
    return { lead: 'Drag', rest: 'over the model: the line that you draw becomes a cut.' };
  if (held) return { lead: 'Next click', rest: 'puts the point that is picked up down here.' };
  const verb = points === 0 ? 'begins a trace' : 'adds a point';
  if (!hover) {
    return points === 0
      ? { lead: 'Trace', rest: 'cuts from point to point: point at a vertex or an edge.' }
      : {
          lead: 'Next click',
          rest: `${verb} beside the model; the cut ends where the model does.`,
        };
  }
  switch (hover.on) {
    case 'vertex':
      return { lead: 'Next click', rest: `${verb} at this vertex.` };
    case 'edge': {
      return {
        lead: 'Next click',
        rest: `${verb} ${hover.snapped ?? 'on'} the edge under the pointer.`,
      };
    }
    case 'face':
      return points === 0
        ? { lead: 'No click here:', rest: 'a trace begins on a vertex or an edge, or beside.' }
        : {
            lead: 'Next click',
            rest: `adds a bend ${hover.snapped ? 'at the centre of' : 'inside'} this face; the trace must go on from it.`,
          };
  }
}

interface DrawingProps {
  ground: Ground;
  runs: readonly Run[];
  held: { run: number; point: number } | null;
  hover: Picked | null;
  preview: Preview | null;
  change: Change | null;
}

function TraceDrawing({ ground, runs, held, hover, preview, change }: DrawingProps) {
  const open = runs.at(-1);
  const last = open && !open.closed ? open.points.at(-1) : undefined;
  const loose = runs.flatMap((run) => {
    const from = Math.max(1, finished(run));
    return run.points.slice(from).map((p, i) => [run.points[from - 1 + i]!.at, p.at] as const);
  });
  const lifted = held ? runs[held.run]?.points[held.point] : undefined;
  return (
    <>
      {hover && <Aim picked={hover} division={ground.division} />}
      {(lifted ?? last) && hover && <Following from={(lifted ?? last)!.at} to={hover.at} />}
      {loose.map(([a, b], i) => (
        <Following key={i} from={a} to={b} />
      ))}
      {preview && !preview.refusal && change && <CutLine pieces={preview.pieces} letters />}
      {!change && last && <FirstPoint point={last} mesh={ground.mesh} />}
    </>
  );
}

/** The direction of the edge on which a placed point lies. */
function edgeOf({ anchor }: PendingPoint, mesh: Ground['mesh']): Point | null {
  return anchor.on === 'edge' && mesh.hasEdge(anchor.edge) ? edgeVector(mesh, anchor.edge) : null;
}

function FirstPoint({ point, mesh }: { point: PendingPoint; mesh: Ground['mesh'] }) {
  const use = point.anchor.on === 'vertex' ? 'used' : 'fresh';
  const points = [{ at: point.at, use, edge: edgeOf(point, mesh) } as const];
  const piece = { points: [...points], stretches: [1], length: 0, toLast: null, toEdge: null };
  return <CutLine letters={false} pieces={[piece]} />;
}
