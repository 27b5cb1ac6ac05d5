import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { api, type Finding } from '../../api/client';
import { queries } from '../../api/queries';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { Aim } from '../../stage/Aim';
import { ExerciseMarks } from '../../stage/ExerciseMarks';
import { LensBar } from '../../stage/LensBar';
import { LensLegend } from '../../stage/LensLegend';
import { LookedStage } from '../../stage/LookedStage';
import { MeshMarks } from '../../stage/MeshMarks';
import { useLooking } from '../../stage/useLooking';
import { Select } from '../../ui/Select';
import { Failure, Loading } from '../../ui/States';
import { counted } from '../../ui/time';
import { MarkBar } from './MarkBar';
import { StarterLedger } from './StarterLedger';
import type { EditorControl, Section } from './useEditor';
import { useMarking, type Mode } from './useMarking';

interface Props {
  control: EditorControl;
  section: Section;
}

/** The starter beside the editor, with what the check says of it by what counts now. */
export function StarterStage({ control, section }: Props) {
  const { data } = control;
  const [on, setOn] = useState<string | null>(null);
  const shown = on && data.references.some((r) => r.hash === on) ? on : null;
  return (
    <aside
      aria-label="The starter"
      className="flex w-[436px] shrink-0 flex-col border-l border-ink max-[1180px]:w-[340px] max-lg:h-[640px] max-lg:w-full max-lg:border-t max-lg:border-l-0"
    >
      {data.starter ? (
        <Loaded
          control={control}
          section={section}
          hash={data.starter.hash}
          on={shown}
          onShow={setOn}
        />
      ) : (
        <div className="flex flex-1 items-center justify-center bg-sea p-8">
          <p className="max-w-[260px] text-center text-ink2">
            Here stands the starter, once there is one, and beneath it what the check says of it.
          </p>
        </div>
      )}
    </aside>
  );
}

interface LoadedProps extends Props {
  hash: string;
  /** Of the reference that is shown; null: the starter. */
  on: string | null;
  onShow: (on: string | null) => void;
}

function Loaded(props: LoadedProps) {
  const { control, hash, on } = props;
  const { data } = control;
  const counts = [data.draft.profile, data.draft.wanted];
  const starter = useQuery(queries.starterMesh(data.id, hash));
  const reference = useQuery({ ...queries.referenceMesh(data.id, on ?? ''), enabled: on !== null });
  const starterCheck = useQuery({
    ...queries.starterCheck(data.id, hash, counts),
    enabled: on === null,
  });
  const referenceCheck = useQuery({
    ...queries.referenceCheck(data.id, on ?? '', counts),
    enabled: on !== null,
  });
  const bytes = on ? reference : starter;
  const check = on ? referenceCheck : starterCheck;
  const mesh = useMemo(() => (bytes.data ? MeshBuffers.read(bytes.data) : null), [bytes.data]);
  if (bytes.error) return <Failure error={bytes.error} onRetry={() => void bytes.refetch()} />;
  if (!mesh) return <Loading stage={on ? 'Fetching the reference' : 'Fetching the starter'} />;
  return <Shown key={on ?? hash} {...props} mesh={mesh} findings={check.data?.findings} />;
}

const OF_STARTER: readonly Mode[] = ['hard', 'covered', 'cuttable', 'held'];
const LINES: readonly Mode[] = ['line', 'draw'];

function Shown(
  props: LoadedProps & { mesh: MeshBuffers; findings: readonly Finding[] | undefined },
) {
  const { control, section, hash, mesh, on } = props;
  const { data, draft } = control;
  const { wanted } = draft;
  const source = useMemo(() => api.starterLens(data.id, hash), [data.id, hash]);
  const looking = useLooking('clay', mesh, source, on ? ['clay', 'stripes'] : null);
  const { stage, lens, bent, plain } = looking;
  const [chosen, setChosen] = useState<string | null>(null);
  const marking = useMarking(control, stage, on);
  const marks = useQuery({
    ...queries.marks(data.id, hash, data.draft.wanted),
    enabled: data.draft.wanted.cuttable.length > 0,
  });
  const cuttable = wanted.cuttable.length > 0 ? (marks.data?.cuttable.length ?? 0) : 0;
  const locked = cuttable > 0 && on === null ? marks.data?.locked : undefined;
  useEffect(() => {
    stage?.lock(locked ?? []);
  }, [stage, locked, looking.looked.mesh]);
  const findings = props.findings ?? [];
  const choose = (f: Finding) => {
    setChosen(f.key === chosen ? null : f.key);
    stage?.flyTo(f.place);
  };
  const unit = data.starter?.unit ?? 'mm';
  const modes = !data.isMine
    ? []
    : section === 'starter' && on === null
      ? OF_STARTER
      : section === 'references'
        ? LINES
        : [];
  return (
    <>
      <div className="condensed flex min-h-9 items-center border-b border-rule px-1.5">
        <LensBar lens={lens} onLens={looking.setLens} allowed={on ? ['clay', 'stripes'] : null} />
      </div>
      <div className="relative min-h-[260px] flex-1">
        <LookedStage
          looking={looking}
          unit={unit}
          insets={[16, 34, 16, 44]}
          label={
            marking.mode ? 'The starter: drag to turn, click to mark' : 'The starter: drag to turn'
          }
          keyboardAims={marking.mode !== null}
          draws={marking.box}
          onDrawn={marking.drawn}
          onHover={marking.point}
          onClick={marking.click}
          drawing={
            !bent && (
              <>
                <ExerciseMarks marked={wanted} />
                {marking.hover && <Aim picked={marking.hover} division={0} />}
                {marking.points.length > 0 && <DrawnPoints points={marking.points} />}
                {!marking.mode && (
                  <MeshMarks
                    findings={plain ? findings : findings.filter((f) => f.key === chosen)}
                    chosen={chosen}
                    onChoose={choose}
                  />
                )}
              </>
            )
          }
        >
          <div className="condensed absolute top-2 left-3 flex items-center gap-2 text-[13px] text-ink2">
            {data.references.length > 0 ? (
              <Select
                label="Which mesh is shown"
                size="small"
                value={on ?? ''}
                options={[
                  ['', 'Starter'],
                  ...data.references.map((r, i) => [r.hash, nameOfReference(i)] as const),
                ]}
                onChange={(next) => props.onShow(next || null)}
              />
            ) : (
              <b className="text-[15px] font-semibold text-ink">Starter</b>
            )}
            {counted(mesh.faceCount, 'face')}
          </div>
        </LookedStage>
      </div>
      <LensLegend lens={lens} looked={looking.looked} unit={unit} />
      <StarterLedger
        findings={props.findings}
        wanted={on ? { ...wanted, pardons: [] } : wanted}
        isMine={data.isMine && on === null}
        of={on ? 'reference' : 'starter'}
        chosen={chosen}
        onChoose={choose}
        onWanted={(next) => control.change({ wanted: next })}
      />
      {modes.length > 0 && (
        <MarkBar marking={marking} modes={modes} wanted={wanted} cuttable={cuttable} />
      )}
    </>
  );
}

/** References are lettered: which is which is said where they are listed. */
export function nameOfReference(index: number): string {
  return `Reference ${String.fromCharCode(65 + index)}`;
}

/** A line as far as it is drawn. */
function DrawnPoints({ points }: { points: readonly { x: number; y: number; z: number }[] }) {
  const marked = useMemo(
    () => ({
      hardLines: [],
      coveredEnds: [],
      held: [],
      lines: points.length > 1 ? [{ points: [...points] }] : [],
    }),
    [points],
  );
  return <ExerciseMarks marked={marked} ends={points} />;
}
