import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { type Finding, type Review } from '../../api/client';
import { queries } from '../../api/queries';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import type { Insets } from '../../stage/Eye';
import { GhostLines } from '../../stage/GhostLines';
import { GoneEdges } from '../../stage/GoneEdges';
import { MeshMarks } from '../../stage/MeshMarks';
import { PlaceRing } from '../../stage/PlaceRing';
import { Stage } from '../../stage/Stage';
import type { StageView } from '../../stage/StageView';
import { useTogether } from '../../stage/useTogether';
import { ghostOf } from '../../stage/useTried';
import { Select } from '../../ui/Select';
import { Failure, Loading } from '../../ui/States';
import type { BesideChoice } from './useBeside';

interface Props {
  review: Review;
  choices: readonly BesideChoice[];
  chosen: BesideChoice;
  onChoose: (key: string) => void;
  unit: string;
  insets: Readonly<Insets>;
  /** The stage of the hand-in, with which it turns. */
  beside: StageView | null;
  /** The finding that is chosen there. */
  finding: Finding | null;
  /** Whether marks stand where they say. */
  marked: boolean;
}

/** What is laid beside the hand-in: turned with it, with the edges that are gone from it crossed out. */
export function BesideStage(props: Props) {
  const { review, chosen } = props;
  const bytes = useQuery(queries.besideMesh(review.id, chosen.beside));
  const edges = useQuery(queries.besideEdges(review.id, chosen.beside));
  const mesh = useMemo(() => (bytes.data ? MeshBuffers.read(bytes.data) : null), [bytes.data]);
  const [stage, setStage] = useState<StageView | null>(null);
  useTogether(props.beside, stage);
  const found = useFindings(review, chosen);
  return (
    <div className="relative min-w-0 flex-1 bg-sea" data-testid="beside">
      {bytes.error ? (
        <Failure error={bytes.error} onRetry={() => void bytes.refetch()} />
      ) : !mesh ? (
        <Loading stage={`Fetching ${chosen.name.toLowerCase()}`} />
      ) : (
        <Stage
          mesh={mesh}
          version={0}
          lens="sides"
          unit={props.unit}
          insets={[...props.insets]}
          label={`${chosen.name}: drag to turn`}
          onReady={setStage}
          drawing={
            <>
              {chosen.beside.sort === 'mend' ? (
                edges.data && <GhostLines ghost={ghostOf(mesh, edges.data, [])} isAdvice />
              ) : (
                <GoneEdges edges={edges.data?.gone ?? []} />
              )}
              {props.marked && (
                <MeshMarks findings={found} chosen={null} onChoose={() => undefined} />
              )}
              {props.finding && <PlaceRing place={props.finding.place} />}
            </>
          }
        />
      )}
      <span className="absolute top-2 left-3 flex items-center gap-2">
        <Select
          label="What lies beside it"
          size="small"
          className="w-32"
          value={chosen.key}
          options={(props.choices.includes(chosen)
            ? props.choices
            : [chosen, ...props.choices]
          ).map((c) => [c.key, c.name] as const)}
          onChange={props.onChoose}
        />
      </span>
      {edges.data && chosen.beside.sort !== 'mend' && (
        <p className="condensed pointer-events-none absolute top-9 left-3 text-[13px] text-ink2">
          <svg width={26} height={9} viewBox="0 0 26 9" aria-hidden className="mr-1.5 inline">
            <path d="M0 4.500h26" stroke="var(--ink)" />
            <path d="M6 2l5 5M11 2l-5 5M16 2l5 5M21 2l-5 5" stroke="var(--ink)" strokeWidth={1.3} />
          </svg>
          {goneText(chosen, edges.data.gone.length)}
        </p>
      )}
    </div>
  );
}

function goneText({ beside }: BesideChoice, count: number): string {
  if (beside.sort === 'reference') {
    return count > 0 ? 'edges that the hand-in has not' : 'the hand-in has every edge of it';
  }
  return count > 0 ? 'edges that are gone' : 'no edge is gone';
}

/** Of another attempt, what was found there. */
function useFindings(review: Review, chosen: BesideChoice): readonly Finding[] {
  const attempt = review.attempts.find((a) => `attempt-${a.attempt}` === chosen.key);
  const other = useQuery({ ...queries.review(attempt?.id ?? ''), enabled: attempt !== undefined });
  return useMemo(
    () =>
      attempt && other.data ? other.data.check.findings.filter((f) => f.severity !== 'remark') : [],
    [attempt, other.data],
  );
}
