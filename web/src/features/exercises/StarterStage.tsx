import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api, type Finding } from '../../api/client';
import { queries } from '../../api/queries';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { LensBar } from '../../stage/LensBar';
import { LensLegend } from '../../stage/LensLegend';
import { LookedStage } from '../../stage/LookedStage';
import { MeshMarks } from '../../stage/MeshMarks';
import { useLooking } from '../../stage/useLooking';
import { FindingMark } from '../../trade/FindingMark';
import { FoldRow } from '../../trade/FoldRow';
import { foldedRows, isFold } from '../../trade/folding';
import { Failure, Loading } from '../../ui/States';
import { counted } from '../../ui/time';
import { useToggled } from '../../ui/useToggled';
import type { EditorData } from './useEditor';

/** The starter beside the editor, with what the check says of it by what counts now. */
export function StarterStage({ data }: { data: EditorData }) {
  return (
    <aside
      aria-label="The starter"
      className="flex w-[436px] shrink-0 flex-col border-l border-ink max-[1180px]:w-[340px] max-lg:h-[640px] max-lg:w-full max-lg:border-t max-lg:border-l-0"
    >
      {data.starter ? (
        <Loaded data={data} hash={data.starter.hash} />
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

function Loaded({ data, hash }: { data: EditorData; hash: string }) {
  const bytes = useQuery(queries.starterMesh(data.id, hash));
  const check = useQuery(
    queries.starterCheck(data.id, hash, [data.draft.profile, data.draft.wanted]),
  );
  const mesh = useMemo(() => (bytes.data ? MeshBuffers.read(bytes.data) : null), [bytes.data]);
  if (bytes.error) return <Failure error={bytes.error} onRetry={() => void bytes.refetch()} />;
  if (!mesh) return <Loading stage="Fetching the starter" />;
  return <Shown key={hash} data={data} hash={hash} mesh={mesh} findings={check.data?.findings} />;
}

function Shown(props: {
  data: EditorData;
  hash: string;
  mesh: MeshBuffers;
  findings: readonly Finding[] | undefined;
}) {
  const { data, hash, mesh } = props;
  const source = useMemo(() => api.starterLens(data.id, hash), [data.id, hash]);
  const looking = useLooking('clay', mesh, source);
  const { stage, lens, bent, plain } = looking;
  const [chosen, setChosen] = useState<string | null>(null);
  const findings = props.findings ?? [];
  const choose = (f: Finding) => {
    setChosen(f.key === chosen ? null : f.key);
    stage?.flyTo(f.place);
  };
  const unit = data.starter?.unit ?? 'mm';
  return (
    <>
      <div className="condensed flex min-h-9 items-center border-b border-rule px-1.5">
        <LensBar lens={lens} onLens={looking.setLens} />
      </div>
      <div className="relative min-h-[260px] flex-1">
        <LookedStage
          looking={looking}
          unit={unit}
          insets={[16, 34, 16, 44]}
          label="The starter: drag to turn"
          drawing={
            !bent && (
              <MeshMarks
                findings={plain ? findings : findings.filter((f) => f.key === chosen)}
                chosen={chosen}
                onChoose={choose}
              />
            )
          }
        >
          <p className="condensed absolute top-2.5 left-3 text-[13px] text-ink2">
            <b className="mr-2 text-[15px] font-semibold text-ink">Starter</b>
            {counted(mesh.faceCount, 'face')}
          </p>
        </LookedStage>
      </div>
      <LensLegend lens={lens} looked={looking.looked} unit={unit} />
      <StarterLedger findings={props.findings} chosen={chosen} onChoose={choose} />
    </>
  );
}

function StarterLedger(props: {
  findings: readonly Finding[] | undefined;
  chosen: string | null;
  onChoose: (f: Finding) => void;
}) {
  const { findings, chosen, onChoose } = props;
  const [unfolded, unfold] = useToggled();
  const rows = useMemo(
    () => foldedRows(findings ?? [], (f) => f, unfolded, chosen),
    [findings, unfolded, chosen],
  );
  const count = (severity: string) => findings?.filter((f) => f.severity === severity).length ?? 0;
  return (
    <section
      aria-label="What the check says of the starter"
      data-testid="starter-ledger"
      className="condensed thin-scroll max-h-[38%] min-h-[120px] overflow-y-auto border-t border-ink"
      tabIndex={0}
    >
      <h3 className="border-b border-rule px-3 py-2 text-[15px]">
        {findings === undefined ? (
          <span className="text-ink2">Inspecting the starter</span>
        ) : findings.length === 0 ? (
          <b className="font-semibold">Clean by what counts</b>
        ) : (
          <>
            <b className="font-semibold">{count('must')}</b> must,{' '}
            <b className="font-semibold">{count('should')}</b> should: the task, if nothing else is
            said
          </>
        )}
      </h3>
      <ul>
        {rows.map((row) =>
          isFold(row) ? (
            <li key={row.fold}>
              <FoldRow
                finding={row.first}
                count={row.count}
                isOpen={row.isOpen}
                onFold={() => unfold(row.fold)}
                className="px-3"
              />
            </li>
          ) : (
            <li key={row.key}>
              <button
                type="button"
                aria-pressed={row.key === chosen}
                className={`flex w-full items-center gap-2 px-3 py-1 text-left ${row.key === chosen ? 'border-l-[3px] border-ink bg-shoal1 pl-[9px]' : 'hover:bg-shoal1'}`}
                onClick={() => onChoose(row)}
              >
                <FindingMark kind={row.kind} severity={row.severity} title={row.title} size={14} />
                <span className="truncate">{row.title}</span>
              </button>
            </li>
          ),
        )}
      </ul>
    </section>
  );
}
