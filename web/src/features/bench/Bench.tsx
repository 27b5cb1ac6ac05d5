import { useState, type ReactNode } from 'react';
import type { Finding, Workpiece } from '../../api/client';
import { MeshMarks } from '../../stage/MeshMarks';
import { Stage } from '../../stage/Stage';
import type { StageView } from '../../stage/StageView';
import { useCameraInAddress } from '../../stage/useCameraInAddress';
import { useLens } from '../../stage/useLens';
import { Button } from '../../ui/Button';
import { WorkHead } from '../../ui/Head';
import { Key } from '../../ui/Key';
import { Failure, Loading, OfflineBand } from '../../ui/States';
import { clockText, counted, whenText } from '../../ui/time';
import { useAddressed } from '../../ui/useAddressed';
import { useKeys } from '../../ui/useKeys';
import { Brief } from './Brief';
import { Dock } from './Dock';
import { HintLine } from './HintLine';
import { KeySheet } from './KeySheet';
import { LoopFields } from './LoopFields';
import { PendingDrawing } from './PendingDrawing';
import { PieceTable, Slip } from './Slip';
import { StepsPanel } from './StepsPanel';
import { usePendingCut } from './usePendingCut';
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

function OpenBench(props: {
  open: OpenWorkpiece;
  control: WorkpieceControl;
  handIn: Props['handIn'];
}) {
  const { open, control } = props;
  const { state, mesh } = open;
  const { exercise } = state;
  const [stage, setStage] = useState<StageView | null>(null);
  const [lens, setLens] = useLens('clay');
  useCameraInAddress(stage);
  const cut = usePendingCut(open, control, stage);
  const { tool, pending, preview, change } = cut;
  const [chosen, setChosen] = useAddressed('finding');
  const [briefOpen, setBriefOpen] = useState(state.steps.length === 0);
  const [keysOpen, setKeysOpen] = useState(false);

  const make = async () => {
    if (await cut.make()) setChosen(null);
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
    '1': () => cut.take('trace'),
    '2': () => cut.take('loops'),
    Enter: () => void make(),
    Escape: cut.drop,
    'Ctrl z': cut.back,
    'Ctrl y': () => void control.redo(),
    c: () => setLens('clay'),
    s: () => setLens(lens === 'sides' ? 'clay' : 'sides'),
    b: () => setBriefOpen(true),
    n: nextFinding,
    d: cut.nextDivision,
    m: cut.toggleCentre,
    x: () => stage?.fit(stage.azimuth + 180, 20),
    v: () => stage?.fit(),
    '?': () => setKeysOpen(true),
  });

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
        {props.handIn(state, !pending)}
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
            onHover={cut.point}
            onClick={(at) => cut.click(at) && setChosen(null)}
            drawing={
              <>
                <PendingDrawing cut={cut} mesh={mesh} />
                <MeshMarks
                  findings={state.check.findings}
                  chosen={chosen}
                  onChoose={choose}
                  atWork={[...cut.points.map((p) => p.at), ...(cut.hover ? [cut.hover.at] : [])]}
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
            {(pending || cut.missing) && (
              <Slip
                tool={tool === 'trace' ? 'Trace' : 'Loops'}
                preview={change ? preview : null}
                missing={cut.missing}
                busy={control.busy || !cut.current}
                problem={
                  control.problem && !control.problem.offline ? control.problem.message : null
                }
                onMake={() => void make()}
                onDrop={cut.drop}
              >
                {tool === 'trace' && preview && !preview.refusal && change && (
                  <PieceTable preview={preview} unit={exercise.unit} />
                )}
                {tool === 'trace' && (
                  <p className="condensed text-[13px] text-ink2">
                    {counted(cut.points.length, 'point')} placed. Only what you see in front is cut.
                  </p>
                )}
                {tool === 'loops' && cut.loop && (
                  <LoopFields
                    mesh={mesh}
                    loop={cut.loop}
                    unit={exercise.unit}
                    quads={preview?.splitFaces.length ?? 0}
                    onChange={cut.setLoop}
                  />
                )}
              </Slip>
            )}
          </Stage>
        </div>
      </div>
      <HintLine cut={cut} onKeys={() => setKeysOpen(true)} />
      <Dock
        tool={tool}
        findings={state.check.findings.length}
        onTool={cut.take}
        onCheck={nextFinding}
      />
      <Brief exercise={exercise} open={briefOpen} onClose={() => setBriefOpen(false)} />
      <KeySheet open={keysOpen} onClose={() => setKeysOpen(false)} />
    </div>
  );
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
