import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { api, type Finding, type Workpiece, type WorkpiecePlace } from '../../api/client';
import { queries } from '../../api/queries';
import { Aim } from '../../stage/Aim';
import { ChosenMarks } from '../../stage/ChosenMarks';
import { ExerciseMarks } from '../../stage/ExerciseMarks';
import { FarSide } from '../../stage/FarSide';
import { LensBar } from '../../stage/LensBar';
import { SILENT } from '../../stage/lenses';
import { LensLegend } from '../../stage/LensLegend';
import { LookedStage } from '../../stage/LookedStage';
import { MeshMarks } from '../../stage/MeshMarks';
import { RemarkRings } from '../../stage/RemarkRings';
import { useLooking } from '../../stage/useLooking';
import { usePendingSmooth } from '../../stage/usePendingSmooth';
import { Button } from '../../ui/Button';
import { Failure, Loading, OfflineBand } from '../../ui/States';
import { KeySheet } from '../../ui/KeySheet';
import { useAddressed } from '../../ui/useAddressed';
import { useKeys } from '../../ui/useKeys';
import { BenchHead } from './BenchHead';
import { BenchWake } from './BenchWake';
import { BringIn } from './BringIn';
import { Brief, BriefBeside, type BriefPlace } from './Brief';
import { ChooseBar } from './ChooseBar';
import { CommandFinder } from './CommandFinder';
import { commandsOf, keysOf, type Deeds } from './commands';
import { Dock } from './Dock';
import { viewOf, type Hint, type Xy } from './hands/hand';
import { HintLine } from './HintLine';
import { BENCH_KEYS } from './keys';
import { PartsPanel } from './PartsPanel';
import { SheetPanel } from './SheetPanel';
import { Slip } from './Slip';
import { StepsPanel } from './StepsPanel';
import { isElementTool, itemOf, type Tool } from './tools';
import { useChoosing } from './useChoosing';
import { NOTHING, useChosen } from './useChosen';
import { usePendingCut, type PendingCut } from './usePendingCut';
import {
  useWorkpiece,
  type Incoming,
  type OpenWorkpiece,
  type WorkpieceControl,
} from './useWorkpiece';

interface Props {
  place: WorkpiecePlace;
  back: { to: string; name: string };
  /** What can be done with the workpiece as it stands, beside cutting it. */
  actions?: (state: Workpiece, main: boolean) => ReactNode;
  /** What stands under the brief. */
  underBrief?: ReactNode;
  /** What stands in the corner of the stage. */
  company?: (state: Workpiece) => ReactNode;
  /** What is pinned to the model. */
  pinned?: (state: Workpiece) => ReactNode;
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
  const [glass, setGlass] = useState(false);
  const [sheet, setSheet] = useState(false);
  const [parts, setParts] = useState(false);
  const asked = useRef<((at: Xy) => void) | null>(null);
  const askClick = useCallback((take: typeof asked.current) => {
    asked.current = take;
  }, []);
  const source = useMemo(
    () => api.workpieceLens(state.id, state.revision),
    [state.id, state.revision],
  );
  const allowed = state.task.tells === 'all' ? null : SILENT;
  const looking = useLooking('clay', mesh, source, allowed);
  const { stage, lens, looked, bent, plain } = looking;
  const marked = useQuery({ ...queries.workpieceMarks(state.id), enabled: task.isMarked }).data;
  const chosen = useChosen(open);
  const choosing = useChoosing(stage, chosen);
  const [dialog, setDialog] = useState<'keys' | 'find' | 'bring' | null>(null);
  const [finding, setFinding] = useAddressed('finding');
  const nextFinding = () => {
    const { findings } = state.check;
    const at = findings.findIndex((f) => f.key === finding);
    const next = findings[(at + 1) % findings.length];
    if (!next) return;
    setFinding(next.key);
    stage?.flyTo(next.place);
  };
  const cut = usePendingCut(
    open,
    control,
    stage,
    chosen,
    () => setDialog('bring'),
    state.check.findings.find((f) => f.key === finding) ?? null,
    nextFinding,
  );
  const { tool, hand, pending, preview } = cut;
  const isMend = tool === 'mend' && pending && cut.current && preview !== null && !preview.refusal;
  usePendingSmooth(looking, state.id, state.revision, isMend ? cut.change : null);
  const [brief, setBrief] = useState<BriefPlace>(state.steps.length === 0 ? 'over' : null);

  useEffect(() => {
    stage?.choose(chosen.chosen.faces, chosen.chosen.edges);
  }, [stage, chosen.chosen, version, looked.mesh]);
  useEffect(() => {
    stage?.hide(chosen.hidden);
  }, [stage, chosen.hidden, version, looked.mesh]);
  useEffect(() => {
    stage?.lock(marked?.locked ?? []);
  }, [stage, marked, version, looked.mesh]);
  useEffect(() => {
    stage?.setGlass(glass);
  }, [stage, glass]);

  const choose = (f: Finding) => {
    setFinding(f.key === finding ? null : f.key);
    stage?.flyTo(f.place);
  };

  // What came in is taken in hand to meet the rest, once its revision is there.
  const broughtAt = useRef(-1);
  const { take: takeTool } = cut;
  const { viewAll } = looking;
  const { choose: chooseElements } = chosen;
  useEffect(() => {
    if (broughtAt.current !== state.revision) return;
    broughtAt.current = -1;
    takeTool('meet');
    chooseElements({ ...NOTHING, faces: state.chosen.slice(0, 1) });
    viewAll();
  }, [state, takeTool, chooseElements, viewAll]);
  const bring = (from: Incoming) => {
    const view = viewOf(stage);
    if (!view) return;
    broughtAt.current = state.revision + 1;
    void control.bring(from, view).then((came) => {
      if (came) setDialog(null);
      else broughtAt.current = -1;
    });
  };

  const deeds: Deeds = {
    take: cut.take,
    make: () => void (!bent && cut.make().then((made) => made && setFinding(null))),
    choose: choosing.begin,
    leave: () => (bent ? looking.setLens('bend') : choosing.mode ? choosing.end() : cut.drop()),
    again: () => cut.again?.(),
    back: cut.back,
    redo: () => void control.redo(),
    startAgain: () => void control.goTo(null),
    deleteOthers: () => void cut.deleteAllBut(chosen.chosen.faces),
    viewAll: looking.viewAll,
    turnAround: looking.turnAround,
    lookSquarely: () => {
      const face = chosen.chosen.faces.at(-1) ?? (hand.hover?.on === 'face' ? hand.hover.id : -1);
      if (face >= 0) stage?.lookAt(face);
    },
    setLens: looking.setLens,
    nextEven: cut.nextEven,
    toggleGlass: () => setGlass(!glass),
    toggleChoosing: choosing.toggle,
    toggleSheet: () => {
      setParts(false);
      setSheet(!sheet);
    },
    toggleParts: () => {
      setSheet(false);
      setParts(!parts);
    },
    nextFinding,
    mend: () => cut.take('mend'),
    nextDivision: cut.nextDivision,
    openBrief: () => setBrief(brief ? null : 'over'),
    openKeys: () => setDialog('keys'),
    openFinder: () => setDialog('find'),
    bringIn: () => {
      control.forgive();
      setDialog('bring');
    },
  };
  useKeys({ ...looking.keys, ...keysOf(deeds, tool, hand.keys) });

  const click = (at: Xy) => {
    if (bent) return;
    if (asked.current) asked.current(at);
    else if (choosing.mode) choosing.click(at);
    else if (cut.click(at)) setFinding(null);
  };
  const point = (at: Xy | null) => {
    if (bent) hand.point(null);
    else if (choosing.mode) choosing.point(at);
    else hand.point(at);
  };

  return (
    <div className="relative flex h-full flex-col overflow-hidden">
      <BenchHead
        state={state}
        back={props.back}
        busy={control.busy}
        pending={pending}
        onBrief={deeds.openBrief}
        onUndo={deeds.back}
        onRedo={deeds.redo}
      >
        {props.actions?.(state, !pending)}
      </BenchHead>
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
          onMend={task.mends ? deeds.mend : null}
          marked={marked}
          head={
            <BriefBeside task={task} place={brief} onPlace={setBrief} more={props.underBrief} />
          }
        />
        <div className="flex min-w-0 flex-1 flex-col">
          <div className="relative min-h-0 flex-1">
            <LookedStage
              looking={looking}
              version={version}
              unit={task.unit}
              insets={[...SLIP_INSETS]}
              label={`${task.title}: drag to turn, click to place a point`}
              keyboardAims={tool !== 'mend'}
              onHover={point}
              onClick={click}
              draws={bent ? undefined : choosing.mode ? choosing.draws : hand.draws}
              onDrawn={(path) => (choosing.mode ? choosing.drawn(path) : hand.stroke?.(path))}
              drawing={
                <>
                  {marked && !bent && <ExerciseMarks marked={marked} />}
                  {!bent && !choosing.mode && hand.drawing(preview)}
                  {!bent && !choosing.mode && pending && preview && (
                    <RemarkRings remarks={preview.remarks} />
                  )}
                  {choosing.mode && choosing.aimed && <Aim picked={choosing.aimed} division={0} />}
                  {!bent && <ChosenMarks vertices={chosen.chosen.vertices} />}
                  {!bent && props.pinned?.(state)}
                  <MeshMarks
                    findings={plain ? state.check.findings : []}
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
                  on={choosing.mode !== null}
                  onClick={choosing.toggle}
                />
                <StageButton name="Glass" letter="G" on={glass} onClick={deeds.toggleGlass} />
                <StageButton
                  name={cut.even ? `Kept even across ${cut.even.toUpperCase()}` : 'Keep even'}
                  letter="I"
                  on={cut.even !== null}
                  onClick={deeds.nextEven}
                />
                <Button size="small" shortcut="V" onClick={deeds.viewAll}>
                  All
                </Button>
                <Button size="small" shortcut="X" onClick={deeds.turnAround}>
                  To the back
                </Button>
                <StageButton name="Parts" letter="L" on={parts} onClick={deeds.toggleParts} />
                {task.sheet && (
                  <Button size="small" aria-pressed={sheet} onClick={deeds.toggleSheet}>
                    Tracing sheet
                  </Button>
                )}
              </div>
              <div className="absolute top-[78px] left-3">{props.company?.(state)}</div>
              <div className="absolute top-[42px] left-3 rounded-ctl bg-paper/90">
                <LensBar
                  lens={lens}
                  onLens={looking.setLens}
                  taken={hand.keys.map((k) => k.key)}
                  allowed={allowed}
                />
              </div>
              {plain && <FarSide findings={state.check.findings} />}
              {sheet && (
                <SheetPanel
                  stage={stage}
                  unit={task.unit}
                  onAskClick={askClick}
                  given={task.sheet ? `${api.picturesOf(task.owner)}${task.sheet}` : undefined}
                  onClose={() => setSheet(false)}
                />
              )}
              {parts && (
                <PartsPanel
                  state={state}
                  control={control}
                  chosen={chosen}
                  view={() => viewOf(stage)}
                  onClose={() => setParts(false)}
                />
              )}
              {choosing.mode && (
                <ChooseBar
                  mode={choosing.mode}
                  control={chosen}
                  onMode={choosing.setMode}
                  onDeleteOthers={deeds.deleteOthers}
                />
              )}
              {!choosing.mode && !bent && (
                <SlipOf
                  cut={cut}
                  control={control}
                  isTold={task.tells === 'all'}
                  onMake={deeds.make}
                />
              )}
            </LookedStage>
          </div>
          <LensLegend lens={lens} looked={looked} unit={task.unit} />
        </div>
      </div>
      <HintLine
        cut={cut}
        choosing={bent ? BENT : choosing.hint}
        onFind={deeds.openFinder}
        onKeys={deeds.openKeys}
      />
      <Dock
        tool={tool}
        findings={state.check.findings.length}
        onTool={cut.take}
        onCheck={deeds.nextFinding}
        bends={bent}
        onBend={() => looking.setLens('bend')}
      >
        <BenchWake state={state} onGo={(step) => void control.goTo(step)} />
      </Dock>
      <Brief task={task} place={brief} onPlace={setBrief} more={props.underBrief} />
      <KeySheet
        title="Keys of the bench"
        keys={BENCH_KEYS}
        open={dialog === 'keys'}
        onClose={() => setDialog(null)}
      />
      <BringIn
        open={dialog === 'bring'}
        unit={task.unit}
        busy={control.busy}
        refused={control.problem?.message ?? null}
        onBring={bring}
        onClose={() => {
          setDialog(null);
          control.forgive();
        }}
      />
      <CommandFinder
        commands={commandsOf(deeds, chosen)}
        open={dialog === 'find'}
        onClose={() => setDialog(null)}
      />
    </div>
  );
}

const BENT: Hint = { lead: 'Bent', rest: 'for a look. Any other lens goes back to the cut.' };

/** A tool whose slip says first of what it shall be made. */
function opensAtOnce(tool: Tool): boolean {
  return ['straight', 'outline', 'fold', 'mend'].includes(tool) || isElementTool(tool);
}

function SlipOf(props: {
  cut: PendingCut;
  control: WorkpieceControl;
  isTold: boolean;
  onMake: () => void;
}) {
  const { cut, control } = props;
  const { hand, preview } = cut;
  // What is only aimed at has no slip yet.
  if (!hand.pending && !hand.missing && !cut.note && !opensAtOnce(cut.tool)) return null;
  const item = itemOf(cut.tool);
  return (
    <Slip
      tool={item.name}
      state={hand.pending ? 'pending' : 'in hand'}
      make={item.make}
      preview={hand.pending ? preview : null}
      isTold={props.isTold}
      isLate={cut.change !== null && !cut.current}
      missing={hand.missing}
      busy={control.busy}
      problem={control.problem && !control.problem.offline ? control.problem.message : cut.note}
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
