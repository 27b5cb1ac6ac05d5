import { useCallback, useEffect, useState, type ReactNode } from 'react';
import type { Finding, Preview, View, Workpiece } from '../../api/client';
import type { MeshBuffers } from '../../mesh/MeshBuffers';
import { Aim, Following, PlaceTag, StopBar } from '../../stage/Aim';
import { CutLine } from '../../stage/CutLine';
import { MeshMarks } from '../../stage/MeshMarks';
import { pick, type Picked } from '../../stage/pick';
import { Stage } from '../../stage/Stage';
import type { StageView } from '../../stage/StageView';
import { useCameraInAddress } from '../../stage/useCameraInAddress';
import { useLens } from '../../stage/useLens';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { WorkHead } from '../../ui/Head';
import { Key } from '../../ui/Key';
import { Failure, Loading, OfflineBand } from '../../ui/States';
import { clockText, counted, whenText } from '../../ui/time';
import { useAddressed } from '../../ui/useAddressed';
import { useKeys } from '../../ui/useKeys';
import { Dock } from './Dock';
import { hintFor } from './hint';
import { KeySheet } from './KeySheet';
import { LoopFields } from './LoopFields';
import {
  anchorOf,
  finished,
  keepPoints,
  keptPoints,
  loopsOf,
  traceOf,
  usePreview,
  type PendingLoop,
  type PendingPoint,
  type Tool,
} from './pending';
import { PieceTable, Slip } from './Slip';
import { StepsPanel } from './StepsPanel';
import { useWorkpiece, type OpenWorkpiece, type WorkpieceControl } from './useWorkpiece';

interface Props {
  exercise: string;
  handIn: (state: Workpiece, main: boolean) => ReactNode;
}

export function Bench({ exercise, handIn }: Props) {
  const control = useWorkpiece(exercise);
  if (control.open) return <OpenBench open={control.open} control={control} handIn={handIn} />;
  if (control.error) {
    return <Failure error={control.error} onRetry={() => void control.reload()} />;
  }
  return <Loading stage="Laying out your working copy" />;
}

const SLIP_INSETS = [30, 60, 330, 30] as const;
const DIVISIONS = [2, 3, 4, 5, 0];

function OpenBench(props: {
  open: OpenWorkpiece;
  control: WorkpieceControl;
  handIn: Props['handIn'];
}) {
  const { open, control } = props;
  const { state, mesh } = open;
  const [stage, setStage] = useState<StageView | null>(null);
  const [tool, setTool] = useState<Tool>('trace');
  const [lens, setLens] = useLens('clay');
  useCameraInAddress(stage);
  const [points, setPoints] = useState<PendingPoint[]>(() => keptPoints(state.id, state.revision));
  const [loop, setLoop] = useState<PendingLoop | null>(null);
  const [atCentre, setAtCentre] = useState(true);
  const [division, setDivision] = useState(2);
  const [hover, setHover] = useState<Picked | null>(null);
  const [chosen, setChosen] = useAddressed('finding');
  const [briefOpen, setBriefOpen] = useState(state.steps.length === 0);
  const [keysOpen, setKeysOpen] = useState(false);
  const [slipNote, setSlipNote] = useState<string | null>(null);

  useEffect(() => {
    keepPoints(state.id, state.revision, points);
  }, [state.id, state.revision, points]);

  const view: View | null = stage?.cameraPlace
    ? { kind: 'perspective', eye: stage.cameraPlace.eye }
    : null;
  const ready = finished(points);
  const hovered: PendingLoop | null =
    tool === 'loops' && !loop && hover?.on === 'edge'
      ? { edge: hover.id, fraction: atCentre ? 0.5 : inside(hover.t) }
      : null;
  const shownLoop = loop ?? hovered;
  const change =
    tool === 'trace'
      ? ready >= 2
        ? traceOf(points.slice(0, ready))
        : null
      : shownLoop
        ? loopsOf(shownLoop)
        : null;
  const { preview, problem, current } = usePreview(
    state.id,
    state.revision,
    control.busy ? null : change,
    view,
  );
  const pending = tool === 'trace' ? points.length > 0 : loop !== null;

  const { reload } = control;
  useEffect(() => {
    if (problem?.status === 409) void reload();
  }, [problem, reload]);

  // The ring lights up at once, from the table; where the loop will lie comes from the core.
  const ringEdge = shownLoop && !(current && preview?.refusal) ? shownLoop.edge : -1;
  useEffect(() => {
    const ring = ringEdge >= 0 ? mesh.ringThrough(ringEdge) : null;
    stage?.light(ring?.faces ?? [], ring?.edges ?? []);
  }, [stage, mesh, ringEdge, open.version]);

  const aim = useCallback(
    (at: { x: number; y: number } | null): Picked | null =>
      at && stage
        ? pick(stage, at.x, at.y, {
            faces: tool === 'trace',
            vertices: tool === 'trace',
            division: tool === 'trace' ? division : 0,
          })
        : null,
    [stage, tool, division],
  );

  const click = (at: { x: number; y: number }) => {
    const picked = aim(at);
    if (!picked || !stage?.cameraPlace) return;
    setChosen(null);
    control.forgive();
    if (tool === 'loops') {
      if (picked.on === 'edge') {
        setLoop({ edge: picked.id, fraction: atCentre ? 0.5 : inside(picked.t) });
      }
      return;
    }
    if (picked.on === 'face' && points.length === 0) {
      setSlipNote('A trace begins on a vertex or on an edge, not inside a face.');
      return;
    }
    setSlipNote(null);
    const sight: View = { kind: 'perspective', eye: stage.cameraPlace.eye };
    setPoints([...points, { anchor: anchorOf(picked), view: sight, at: picked.at }]);
  };

  const drop = () => {
    setPoints([]);
    setLoop(null);
    setSlipNote(null);
    control.forgive();
  };

  const make = async () => {
    if (!change || !view || !pending || !current) return;
    if (!preview || preview.refusal || preview.changesNothing) return;
    if (tool === 'trace' && ready < points.length) return;
    if (await control.step(change, view)) {
      drop();
      setHover(null);
      setChosen(null);
    }
  };

  const back = () => {
    if (tool === 'loops' && loop) setLoop(null);
    else if (tool === 'trace' && points.length > 0) setPoints(points.slice(0, -1));
    else if (state.canUndo) void control.undo();
  };

  const take = (next: Tool) => {
    drop();
    setTool(next);
  };

  const choose = (finding: Finding) => {
    setChosen(finding.key === chosen ? null : finding.key);
    stage?.flyTo(finding.place);
  };

  const nextFinding = () => {
    const { findings } = state.check;
    const at = findings.findIndex((f) => f.key === chosen);
    const next = findings[(at + 1) % findings.length];
    if (next) {
      setChosen(next.key);
      stage?.flyTo(next.place);
    }
  };

  useKeys({
    '1': () => take('trace'),
    '2': () => take('loops'),
    Enter: () => void make(),
    Escape: drop,
    'Ctrl z': back,
    'Ctrl y': () => void control.redo(),
    c: () => setLens('clay'),
    s: () => setLens(lens === 'sides' ? 'clay' : 'sides'),
    b: () => setBriefOpen(true),
    n: nextFinding,
    d: () => setDivision(DIVISIONS[(DIVISIONS.indexOf(division) + 1) % DIVISIONS.length]!),
    m: () => setAtCentre(!atCentre),
    x: () => stage?.fit(stage.azimuth + 180, 20),
    v: () => stage?.fit(),
    '?': () => setKeysOpen(true),
  });

  const offline = control.problem?.offline || problem?.offline;
  const missing =
    tool === 'trace' && points.length > 0 && points.length < 2
      ? 'Add a second point on a vertex or an edge.'
      : tool === 'trace' && ready < points.length
        ? 'The last point lies inside a face: go on to a vertex or an edge.'
        : null;
  const hint = hintFor({ tool, hover, points: points.length, pending, preview, atCentre });
  const { exercise } = state;
  const last = points.at(-1);

  return (
    <div className="flex h-full flex-col">
      <WorkHead
        back={{ to: '/my-work', name: 'My work' }}
        title={exercise.title}
        about={
          <>
            <span className="truncate">
              {exercise.summary}
              {exercise.dueAt && `. Due ${whenText(exercise.dueAt)}`}
            </span>
            <button
              type="button"
              className="flex items-center gap-2 font-medium text-ink hover:underline"
              onClick={() => setBriefOpen(true)}
            >
              Brief <Key>B</Key>
            </button>
          </>
        }
      >
        <span className="text-ink2" data-testid="kept">
          {control.busy ? 'Keeping' : state.keptAt ? `Kept ${clockText(state.keptAt)}` : ''}
        </span>
        <Button
          size="small"
          shortcut="Ctrl Z"
          disabled={!pending && !state.canUndo}
          title={pending || state.canUndo ? undefined : 'There is no step to take back'}
          onClick={back}
        >
          Undo
        </Button>
        <Button
          size="small"
          shortcut="Ctrl Y"
          disabled={!state.canRedo}
          title={state.canRedo ? undefined : 'There is no step to make again'}
          onClick={() => void control.redo()}
        >
          Redo
        </Button>
        {props.handIn(state, !pending)}
      </WorkHead>
      {offline && (
        <OfflineBand
          kept="Your steps are kept on the server, your pending cut here."
          onRetry={() => void control.reload()}
        />
      )}
      <div className="flex min-h-0 flex-1">
        <StepsPanel
          state={state}
          pending={pending ? (tool === 'trace' ? 'Trace' : 'Loops') : null}
          chosen={chosen}
          onChoose={choose}
        />
        <div className="relative min-w-0 flex-1">
          <Stage
            mesh={mesh}
            version={open.version}
            lens={lens}
            unit={exercise.unit}
            insets={[...SLIP_INSETS]}
            label={`${exercise.title}: drag to turn, click to place a point`}
            onReady={setStage}
            onHover={(at) => setHover(aim(at))}
            onClick={click}
            drawing={
              <>
                {hover && <Aim picked={hover} division={tool === 'trace' ? division : 0} />}
                {last && hover && <Following from={last.at} to={hover.at} />}
                {tail(points, ready).map(([a, b], i) => (
                  <Following key={i} from={a} to={b} />
                ))}
                {preview && !preview.refusal && (
                  <CutLine pieces={preview.pieces} letters={tool === 'trace'} />
                )}
                {tool === 'trace' && !change && last && <FirstPoint point={last} mesh={mesh} />}
                {tool === 'loops' && preview && <Stops preview={preview} />}
                <MeshMarks
                  findings={state.check.findings}
                  chosen={chosen}
                  onChoose={choose}
                  atWork={[...points.map((p) => p.at), ...(hover ? [hover.at] : [])]}
                />
              </>
            }
          >
            <div className="absolute top-2.5 left-3 flex gap-1.5">
              <LensButton
                name="Clay"
                letter="C"
                on={lens === 'clay'}
                onClick={() => setLens('clay')}
              />
              <LensButton
                name="Sides"
                letter="S"
                on={lens === 'sides'}
                onClick={() => setLens('sides')}
              />
              <Button size="small" shortcut="V" onClick={() => stage?.fit()}>
                View all
              </Button>
              <Button size="small" shortcut="X" onClick={() => stage?.fit(stage.azimuth + 180, 20)}>
                Turn to the back
              </Button>
            </div>
            {(pending || slipNote) && (
              <Slip
                tool={tool === 'trace' ? 'Trace' : 'Loops'}
                preview={change ? preview : null}
                missing={missing ?? slipNote}
                busy={control.busy || !current}
                problem={
                  control.problem && !control.problem.offline ? control.problem.message : null
                }
                onMake={() => void make()}
                onDrop={drop}
              >
                {tool === 'trace' && preview && !preview.refusal && change && (
                  <PieceTable preview={preview} unit={exercise.unit} />
                )}
                {tool === 'trace' && (
                  <p className="condensed text-[13px] text-ink2">
                    {counted(points.length, 'point')} placed. Only what you see in front is cut.
                  </p>
                )}
                {tool === 'loops' && loop && (
                  <LoopFields
                    mesh={mesh}
                    loop={loop}
                    unit={exercise.unit}
                    quads={preview?.splitFaces.length ?? 0}
                    onChange={setLoop}
                  />
                )}
              </Slip>
            )}
          </Stage>
        </div>
      </div>
      <div className="flex h-[34px] shrink-0 items-center gap-5 border-t border-ink bg-shoal1 px-4 text-ink2">
        <span className="text-ink" data-testid="hint">
          <b className="font-semibold">{hint.lead}</b> {hint.rest}
        </span>
        {tool === 'trace' ? (
          <span>
            <Key>D</Key> division: {divisionName(division)}
          </span>
        ) : (
          <span>
            <Key>M</Key> {atCentre ? 'at the middle of the edge' : 'where you point'}
          </span>
        )}
        {pending && (
          <span>
            <Key>Ctrl Z</Key> takes the last {tool === 'trace' ? 'point' : 'click'} back
          </span>
        )}
        <button
          type="button"
          className="ml-auto flex items-center gap-1.5 hover:underline"
          onClick={() => setKeysOpen(true)}
        >
          <Key>?</Key> all keys
        </button>
      </div>
      <Dock
        tool={tool}
        findings={state.check.findings.length}
        onTool={take}
        onCheck={nextFinding}
      />
      <Dialog title={exercise.title} open={briefOpen} onClose={() => setBriefOpen(false)}>
        {exercise.brief.split('\n\n').map((p) => (
          <p key={p} className="mb-3">
            {p}
          </p>
        ))}
        <p className="mb-4 text-ink2">
          What counts: {exercise.profile}.{exercise.dueAt && ` Due ${whenText(exercise.dueAt)}.`}
        </p>
        <Button look="main" onClick={() => setBriefOpen(false)}>
          To the bench
        </Button>
      </Dialog>
      <KeySheet open={keysOpen} onClose={() => setKeysOpen(false)} />
    </div>
  );
}

/** A fraction that is surely between the ends. */
function inside(t: number): number {
  return Math.min(0.999, Math.max(0.001, t));
}

/** Placed points that don't count yet, as straight pieces. */
function tail(points: readonly PendingPoint[], ready: number) {
  const from = Math.max(1, ready);
  return points.slice(from).map((p, i) => [points[from - 1 + i]!.at, p.at] as const);
}

function divisionName(division: number): string {
  return ['none', '', 'halves', 'thirds', 'quarters', 'fifths'][division] ?? '';
}

function LensButton(props: { name: string; letter: string; on: boolean; onClick: () => void }) {
  return (
    <Button
      size="small"
      shortcut={props.letter}
      aria-pressed={props.on}
      className={props.on ? 'border-ink bg-shoal2 font-semibold' : ''}
      onClick={props.onClick}
    >
      {props.name}
    </Button>
  );
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
