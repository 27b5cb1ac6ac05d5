import { useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, asProblem, newKey } from '../../api/client';
import { queries } from '../../api/queries';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { LensBar } from '../../stage/LensBar';
import { LENSES, type Lens } from '../../stage/lenses';
import { LookedStage } from '../../stage/LookedStage';
import { useLooking } from '../../stage/useLooking';
import { Button } from '../../ui/Button';
import { TwoOf } from '../../ui/TwoOf';
import { WorkHead } from '../../ui/Head';
import { Empty, Failure, Loading, OfflineBand } from '../../ui/States';
import { useKeys } from '../../ui/useKeys';
import { NO_LENS, SEEN } from './seen';
import { useShow, type Show } from './useShow';

const INSETS = [30, 60, 30, 40] as const;

/** Somebody's bench, as it is shown to the class. */
export function FollowShow({ course }: { course: string }) {
  const { show, online } = useShow(course);
  const { data } = show;
  const bytes = useQuery({
    ...queries.showMesh(course, data?.workpiece ?? '', data?.revision ?? 0),
    enabled: !!data,
  });
  if (show.error && data === undefined) {
    return <Failure error={show.error} onRetry={() => void show.refetch()} />;
  }
  if (data === null) {
    return (
      <>
        <WorkHead back={{ to: '/', name: 'Back' }} title="Nothing is shown now" />
        <Empty title="Nothing is shown to the class now.">
          When your instructor shows a bench it opens here by itself.
        </Empty>
      </>
    );
  }
  if (!data || !bytes.data) return <Loading stage="Looking what is shown" />;
  return (
    <div className="flex h-full flex-col">
      <Shown
        course={course}
        show={data}
        bytes={bytes.data}
        band={
          !online && (
            <OfflineBand
              kept="It goes on by itself when the line is back."
              onRetry={() => void show.refetch()}
            />
          )
        }
      />
    </div>
  );
}

function Shown(props: { course: string; show: Show; bytes: ArrayBuffer; band: React.ReactNode }) {
  const { course, show, bytes } = props;
  const navigate = useNavigate();
  const mesh = useMemo(() => MeshBuffers.read(bytes), [bytes]);
  const looking = useLooking('clay', mesh, NO_LENS, SEEN);
  const { stage, lens } = looking;
  const [follows, setFollows] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const see = useEffectEvent(({ camera, lens: shown }: Show) => {
    if (!follows) return;
    if (camera) stage?.follow(camera);
    const named = LENSES.find((l) => l.lens === shown)?.lens as Lens | undefined;
    if (named && SEEN.includes(named) && named !== lens) looking.setLens(named);
  });
  useEffect(() => {
    if (stage) see(show);
  }, [stage, show, follows, mesh]);
  useKeys({ ...looking.keys });
  const branch = async () => {
    try {
      const piece = await api.tryShow(course, newKey());
      void navigate(`/practice/${piece.id}?live=${course}`);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  return (
    <>
      <WorkHead
        back={{ to: '/', name: 'Back' }}
        title={show.title}
        about={<span className="truncate">shown by {show.by}, now</span>}
      >
        {problem && <span role="alert">{problem}</span>}
        <Button look="main" size="small" onClick={() => void branch()}>
          Try it yourself from here
        </Button>
      </WorkHead>
      {props.band}
      <div className="relative min-h-0 flex-1">
        <LookedStage
          looking={looking}
          unit={show.unit}
          insets={[...INSETS]}
          label={`${show.title}: drag to turn`}
        >
          <div className="absolute top-2.5 left-3 flex flex-wrap items-start gap-1.5">
            <TwoOf
              label="Whose view"
              value={follows}
              first={[true, 'Follow the view']}
              second={[false, 'Turn freely']}
              onChange={setFollows}
            />
            <LensBar lens={lens} onLens={looking.setLens} allowed={SEEN} />
            <Button size="small" shortcut="V" onClick={looking.viewAll}>
              All
            </Button>
          </div>
        </LookedStage>
      </div>
      <footer className="flex min-h-14 shrink-0 items-center gap-6 border-t border-ink px-5 py-2.5">
        <p className="condensed shrink-0 text-ink2" data-testid="shown-step">
          {show.step === 0
            ? 'The starter'
            : `Step ${show.step}: ${show.brief ? `${show.tool}, ${show.brief}` : show.tool}`}
        </p>
        <p
          role="status"
          data-testid="shown-caption"
          className={`min-w-0 flex-1 text-[17px] leading-6 ${show.caption ? 'border-l-[3px] border-magenta pl-3' : ''}`}
        >
          {show.caption}
        </p>
      </footer>
    </>
  );
}
