import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { api, type Finding, type Workpiece, type WorkpiecePlace } from '../../api/client';
import { Aim } from '../../stage/Aim';
import { ChosenMarks } from '../../stage/ChosenMarks';
import { MeshMarks } from '../../stage/MeshMarks';
import { edgeAt, inside, pick, type Picked } from '../../stage/pick';
import { Stage } from '../../stage/Stage';
import type { StageView } from '../../stage/StageView';
import { useCameraInAddress } from '../../stage/useCameraInAddress';
import { FarSide } from '../../stage/FarSide';
import { LensBar } from '../../stage/LensBar';
import { isBent, isComputed, LENSES, lensKeys } from '../../stage/lenses';
import { LensLegend, LensSpots } from '../../stage/LensLegend';
import { useLens } from '../../stage/useLens';
import { useLensPicture } from '../../stage/useLensPicture';
import { Button } from '../../ui/Button';
import { WorkHead } from '../../ui/Head';
import { Key } from '../../ui/Key';
import { Failure, Loading, OfflineBand } from '../../ui/States';
import { clockText, whenText } from '../../ui/time';
import { useAddressed } from '../../ui/useAddressed';
import { useKeys } from '../../ui/useKeys';
import { BenchWake } from './BenchWake';
import { Brief } from './Brief';
import { CHOOSE_WAYS, ChooseBar, type ChooseMode } from './ChooseBar';
import { CommandFinder, type Command } from './CommandFinder';
import { Dock } from './Dock';
import { viewOf, type Hint } from './hands/hand';
import { HintLine } from './HintLine';
import { KeySheet } from './KeySheet';
import { SheetPanel } from './SheetPanel';
import { Slip } from './Slip';
import { StepsPanel } from './StepsPanel';
import { GROUPS, groupOf, isCleanTool, itemOf, type Tool } from './tools';
import { kindOf, othersOf, toggled, useChosen } from './useChosen';
import { usePendingCut, type PendingCut } from './usePendingCut';
import { useWorkpiece, type OpenWorkpiece, type WorkpieceControl } from './useWorkpiece';

interface Props {
  place: WorkpiecePlace;
  back: { to: string; name: string };
  /** What can be done with the workpiece as it stands, beside cutting it. */
  actions?: (state: Workpiece, main: boolean) => ReactNode;
}

export function Bench({ place, ...rest }: Props) {
  const control = useWorkpiece(place);
  if (control.open) return <OpenBench open={control.open} control={control} {...rest} />;
  if (control.error) {
    return <Failure error={control.error} onRetry={() => void control.reload()} />;
  }
  return <Loading stage="Laying out your working copy" />;
}

const SLIP_INSETS = [30, 60, 330, 30] as const;

function OpenBench(
  props: { open: OpenWorkpiece; control: WorkpieceControl } & Omit<Props, 'place'>,
) {
  const { open, control } = props;
  const { state, mesh, version } = open;
  const { task } = state;
  const [stage, setStage] = useState<StageView | null>(null);
  const [lens, setLens] = useLens('clay');
  const [glass, setGlass] = useState(false);
  const [sheet, setSheet] = useState(false);
  const asked = useRef<((at: { x: number; y: number }) => void) | null>(null);
  const askClick = useCallback((take: typeof asked.current) => {
    asked.current = take;
  }, []);
  useCameraInAddress(stage);
  const source = useMemo(
    () => api.workpieceLens(state.id, state.revision),
    [state.id, state.revision],
  );
  const looked = useLensPicture(stage, lens, mesh, source);
  const chosen = useChosen(open);
  const [choosing, setChoosing] = useState<ChooseMode | null>(null);
  const [aimed, setAimed] = useState<Picked | null>(null);
  const cut = usePendingCut(open, control, stage, chosen);
  const { tool, hand, pending, preview } = cut;
  const [finding, setFinding] = useAddressed('finding');
  const [briefOpen, setBriefOpen] = useState(state.steps.length === 0);
  const [dialog, setDialog] = useState<'keys' | 'find' | null>(null);

  useEffect(() => {
    stage?.choose(chosen.chosen.faces, chosen.chosen.edges);
  }, [stage, chosen.chosen, version, looked.mesh]);
  useEffect(() => {
    stage?.hide(chosen.hidden);
  }, [stage, chosen.hidden, version, looked.mesh]);
  useEffect(() => {
    stage?.setGlass(glass);
  }, [stage, glass]);

  const make = async () => {
    if (!isBent(lens) && (await cut.make())) setFinding(null);
  };

  const choose = (f: Finding) => {
    setFinding(f.key === finding ? null : f.key);
    stage?.flyTo(f.place);
  };

  const nextFinding = () => {
    const { findings } = state.check;
    const at = findings.findIndex((f) => f.key === finding);
    const next = findings[(at + 1) % findings.length];
    if (next) {
      setFinding(next.key);
      stage?.flyTo(next.place);
    }
  };

  const aimToChoose = (at: { x: number; y: number } | null): Picked | null =>
    at && stage && choosing
      ? pick(stage, at.x, at.y, {
          faces: choosing.kind === 'faces',
          edges: choosing.kind === 'edges',
          vertices: choosing.kind === 'vertices',
          division: 0,
        })
      : null;

  const click = (at: { x: number; y: number }) => {
    if (isBent(lens)) return;
    if (asked.current) return asked.current(at);
    if (!choosing) return cut.click(at) && setFinding(null);
    const picked = aimToChoose(at);
    if (picked) chosen.choose(toggled(chosen.chosen, kindOf(picked), picked.id));
  };

  const drawn = (path: readonly { x: number; y: number }[]) => {
    if (!choosing || !stage) return hand.stroke?.(path);
    const found = inside(stage, path, choosing.kind);
    const before = chosen.chosen[choosing.kind];
    chosen.choose({ ...chosen.chosen, [choosing.kind]: [...new Set([...before, ...found])] });
  };

  const group = groupOf(tool);
  const takeGroup = (step: number) => {
    const next = GROUPS[(group + step + GROUPS.length) % GROUPS.length]!;
    cut.take(next.tools[0]!.tool);
  };
  const deleteOthers = async () => {
    const view = viewOf(stage);
    const faces = othersOf(chosen.chosen.faces, mesh);
    if (view && faces.length > 0 && chosen.chosen.faces.length > 0) {
      await control.step({ tool: 'delete', faces, edges: [], vertices: [] }, view);
    }
  };
  const turnAround = () => stage?.fit(stage.azimuth + 180, 20);
  const lookSquarely = () => {
    const face = chosen.chosen.faces.at(-1) ?? (hand.hover?.on === 'face' ? hand.hover.id : -1);
    if (face >= 0) stage?.lookAt(face);
  };
  const commands: Command[] = [
    ...GROUPS.flatMap((g) =>
      g.tools.map((t) => ({ name: t.name, also: g.name, act: () => cut.take(t.tool) })),
    ),
    { name: 'Choose faces, edges, vertices', shortcut: 'O', act: () => setChoosing(FACES) },
    { name: 'Hide the chosen faces', act: chosen.hide },
    { name: 'Delete all but the chosen faces', act: () => void deleteOthers() },
    { name: 'Show all faces', act: chosen.showAll },
    { name: 'Let go of what is chosen', act: chosen.clear },
    ...Object.entries(CHOOSE_WAYS).flatMap(([kind, ways]) =>
      ways.map(([way, name]) => ({
        name: `${name}, from the chosen ${kind}`,
        act: () => void chosen.go(way),
      })),
    ),
    { name: 'View all', shortcut: 'V', act: () => stage?.fit() },
    { name: 'Turn to the back', shortcut: 'X', act: turnAround },
    { name: 'Look squarely at the chosen face', shortcut: 'Q', act: lookSquarely },
    { name: 'Glass', also: 'far side', shortcut: 'G', act: () => setGlass(!glass) },
    ...LENSES.map((l) => ({
      name: `${l.name} lens`,
      also: l.about,
      shortcut: l.letter,
      act: () => setLens(l.lens),
    })),
    { name: 'Next finding', shortcut: 'N', act: nextFinding },
    { name: 'Again: make the last change once more', shortcut: 'J', act: () => cut.again?.() },
    { name: 'Start again from the starter', act: () => void control.goTo(null) },
    { name: 'Tracing sheet', also: 'picture image', act: () => setSheet(!sheet) },
    { name: 'Undo', shortcut: 'Ctrl Z', act: cut.back },
    { name: 'Redo', shortcut: 'Ctrl Y', act: () => void control.redo() },
    { name: 'Brief', shortcut: 'B', act: () => setBriefOpen(true) },
    { name: 'Keys', shortcut: '?', act: () => setDialog('keys') },
  ];

  useKeys({
    ...lensKeys(setLens),
    ...Object.fromEntries(
      GROUPS[group]!.tools.map((t, i) => [String(i + 1), () => cut.take(t.tool)]),
    ),
    ...Object.fromEntries(hand.keys.map((k) => [k.key.toLowerCase(), k.act])),
    ',': () => takeGroup(-1),
    '.': () => takeGroup(1),
    '/': () => setDialog('find'),
    Enter: () => void make(),
    Escape: () => (isBent(lens) ? setLens('bend') : choosing ? setChoosing(null) : cut.drop()),
    'Ctrl z': cut.back,
    'Ctrl y': () => void control.redo(),
    g: () => setGlass(!glass),
    b: () => setBriefOpen(true),
    n: nextFinding,
    d: cut.nextDivision,
    o: () => setChoosing(choosing ? null : FACES),
    q: lookSquarely,
    j: () => cut.again?.(),
    x: turnAround,
    v: () => stage?.fit(),
    '?': () => setDialog('keys'),
  });

  return (
    <div className="flex h-full flex-col">
      <WorkHead
        back={props.back}
        title={task.title}
        about={
          <>
            <span className="truncate">
              {task.summary}
              {task.dueAt && `. Due ${whenText(task.dueAt)}`}
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
          onClick={cut.back}
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
        {props.actions?.(state, !pending)}
      </WorkHead>
      {cut.offline && (
        <OfflineBand
          kept="Your steps are kept on the server, your pending cut here."
          onRetry={() => void control.reload()}
        />
      )}
      <div className="flex min-h-0 flex-1">
        <StepsPanel
          state={state}
          control={control}
          onAgain={cut.again}
          pending={pending ? itemOf(tool).name : null}
          chosen={finding}
          onChoose={choose}
        />
        <div className="flex min-w-0 flex-1 flex-col">
          <div className="relative min-h-0 flex-1">
            <Stage
              mesh={looked.mesh}
              version={open.version}
              lens={lens}
              unit={task.unit}
              insets={[...SLIP_INSETS]}
              label={`${task.title}: drag to turn, click to place a point`}
              onReady={setStage}
              keyboardAims
              onHover={(at) => {
                if (isBent(lens)) hand.point(null);
                else if (choosing) setAimed(aimToChoose(at));
                else hand.point(at);
                if (lens === 'flow') looked.lookAt(at && stage ? edgeAt(stage, at) : -1);
              }}
              onClick={click}
              draws={
                isBent(lens)
                  ? undefined
                  : choosing
                    ? choosing.by === 'click'
                      ? undefined
                      : choosing.by
                    : hand.draws
              }
              onDrawn={drawn}
              drawing={
                <>
                  {!isBent(lens) && !choosing && hand.drawing(preview)}
                  {choosing && aimed && <Aim picked={aimed} division={0} />}
                  {!isBent(lens) && <ChosenMarks vertices={chosen.chosen.vertices} />}
                  <LensSpots looked={looked} unit={task.unit} />
                  <MeshMarks
                    findings={isComputed(lens) || isBent(lens) ? [] : state.check.findings}
                    chosen={finding}
                    onChoose={choose}
                    atWork={hand.hover ? [hand.hover.at] : []}
                  />
                </>
              }
            >
              <div className="absolute top-2.5 left-3 flex gap-1.5">
                <StageButton
                  name="Choose"
                  letter="O"
                  on={choosing !== null}
                  onClick={() => setChoosing(choosing ? null : FACES)}
                />
                <StageButton name="Glass" letter="G" on={glass} onClick={() => setGlass(!glass)} />
                <Button size="small" shortcut="V" onClick={() => stage?.fit()}>
                  All
                </Button>
                <Button size="small" shortcut="X" onClick={turnAround}>
                  To the back
                </Button>
              </div>
              <div className="absolute top-[42px] left-3 rounded-ctl bg-paper/90">
                <LensBar lens={lens} onLens={setLens} taken={hand.keys.map((k) => k.key)} />
              </div>
              {!isComputed(lens) && !isBent(lens) && <FarSide findings={state.check.findings} />}
              {sheet && (
                <SheetPanel
                  stage={stage}
                  unit={task.unit}
                  onAskClick={askClick}
                  onClose={() => setSheet(false)}
                />
              )}
              {choosing && (
                <ChooseBar
                  mode={choosing}
                  control={chosen}
                  onMode={setChoosing}
                  onDeleteOthers={() => void deleteOthers()}
                />
              )}
              {(pending || hand.missing || cut.change || opensAtOnce(tool)) &&
                !choosing &&
                !isBent(lens) && <SlipOf cut={cut} control={control} onMake={() => void make()} />}
            </Stage>
          </div>
          <LensLegend lens={lens} looked={looked} unit={task.unit} />
        </div>
      </div>
      <HintLine
        cut={cut}
        choosing={isBent(lens) ? BENT : choosing && chooseHint(choosing)}
        onFind={() => setDialog('find')}
        onKeys={() => setDialog('keys')}
      />
      <Dock
        tool={tool}
        findings={state.check.findings.length}
        onTool={cut.take}
        onCheck={nextFinding}
        bends={isBent(lens)}
        onBend={() => setLens('bend')}
      >
        <BenchWake state={state} onGo={(step) => void control.goTo(step)} />
      </Dock>
      <Brief task={task} open={briefOpen} onClose={() => setBriefOpen(false)} />
      <KeySheet open={dialog === 'keys'} onClose={() => setDialog(null)} />
      <CommandFinder commands={commands} open={dialog === 'find'} onClose={() => setDialog(null)} />
    </div>
  );
}

const BENT: Hint = { lead: 'Bent', rest: 'for a look. Any other lens goes back to the cut.' };

const FACES: ChooseMode = { kind: 'faces', by: 'click' };

function chooseHint({ kind, by }: ChooseMode): Hint {
  const name = { faces: 'a face', edges: 'an edge', vertices: 'a vertex' }[kind];
  return by === 'click'
    ? { lead: 'Next click', rest: `on ${name} chooses it, or lets it go.` }
    : { lead: 'Drag', rest: `round the ${kind} to choose; a click chooses one, or lets it go.` };
}

/** A tool whose slip says first of what it shall be made. */
function opensAtOnce(tool: Tool): boolean {
  return tool === 'straight' || tool === 'outline' || isCleanTool(tool);
}

function SlipOf(props: { cut: PendingCut; control: WorkpieceControl; onMake: () => void }) {
  const { cut, control } = props;
  const { hand, preview } = cut;
  // What is only aimed at has no slip yet.
  if (!hand.pending && !hand.missing && !opensAtOnce(cut.tool)) return null;
  const item = itemOf(cut.tool);
  return (
    <Slip
      tool={item.name}
      state={hand.pending ? 'pending' : 'in hand'}
      make={item.make}
      preview={hand.pending ? preview : null}
      missing={hand.missing}
      busy={control.busy || !cut.current}
      problem={control.problem && !control.problem.offline ? control.problem.message : null}
      onMake={props.onMake}
      onDrop={cut.drop}
    >
      {hand.slip(preview)}
    </Slip>
  );
}

function StageButton(props: { name: string; letter: string; on: boolean; onClick: () => void }) {
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
