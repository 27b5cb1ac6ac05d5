import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, asProblem, newKey, type Demonstration, type Frame } from '../../api/client';
import { queries } from '../../api/queries';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { CutLine } from '../../stage/CutLine';
import { FarSide } from '../../stage/FarSide';
import { GhostLines } from '../../stage/GhostLines';
import { LensBar } from '../../stage/LensBar';
import { LensLegend } from '../../stage/LensLegend';
import { LENSES } from '../../stage/lenses';
import { LookedStage } from '../../stage/LookedStage';
import { MeshMarks } from '../../stage/MeshMarks';
import { RemarkRings } from '../../stage/RemarkRings';
import { useLooking } from '../../stage/useLooking';
import { SpeedChoice } from '../../trade/SpeedChoice';
import { Button } from '../../ui/Button';
import { WorkHead } from '../../ui/Head';
import { Failure, Loading } from '../../ui/States';
import { counted, whenText } from '../../ui/time';
import { TwoOf } from '../../ui/TwoOf';
import { useAddressed } from '../../ui/useAddressed';
import { useKeys } from '../../ui/useKeys';
import { FrameLine } from './FrameLine';
import { FrameRail } from './FrameRail';
import { HandoutMenu } from './HandoutMenu';
import { ShowTo } from './ShowTo';
import { Telling } from './Telling';
import { usePlaying } from './usePlaying';

/** A demonstration, played forth and back while the model is turned. */
export function Player({ id }: { id: string }) {
  const view = useQuery(queries.demonstration(id));
  const first = view.data?.frames[0]?.mesh;
  const bytes = useQuery({
    ...queries.demonstrationMesh(id, first ?? ''),
    enabled: first !== undefined,
  });
  const error = (!view.data && view.error) || bytes.error;
  if (error) {
    return (
      <Failure
        error={error}
        onRetry={() => {
          void view.refetch();
          void bytes.refetch();
        }}
      />
    );
  }
  if (!view.data || !bytes.data) return <Loading stage="Opening the demonstration" />;
  return <Open demonstration={view.data} starter={bytes.data} />;
}

const INSETS = [30, 60, 30, 40] as const;

function Open({ demonstration, starter }: { demonstration: Demonstration; starter: ArrayBuffer }) {
  const { id, frames, mine } = demonstration;
  const [shownMesh, setShownMesh] = useState(frames[0]!.mesh);
  const [edits, setEdits] = useAddressed('tell');
  const [follows, setFollows] = useState(true);
  const telling = mine && edits !== null;
  const playing = usePlaying(frames, true);
  const frame = playing.frame;
  const bytes = useQuery({
    ...queries.demonstrationMesh(id, frame.mesh),
    placeholderData: keepPreviousData,
  });
  const there = bytes.isSuccess && !bytes.isPlaceholderData;
  const mesh = useMemo(() => MeshBuffers.read(bytes.data ?? starter), [bytes.data, starter]);
  if (there && shownMesh !== frame.mesh) setShownMesh(frame.mesh);
  const source = useMemo(() => api.demonstrationLens(id, shownMesh), [id, shownMesh]);
  const looking = useLooking('clay', mesh, source);
  const { stage, lens, plain, bent } = looking;
  useAhead(id, frames, playing.at);

  const see = useEffectEvent((to: Frame) => {
    if (!follows) return;
    if (to.camera) stage?.flyTo(to.camera.target, to.camera);
    const named = LENSES.find((l) => l.lens === to.lens)?.lens;
    if (named && named !== lens) looking.setLens(named);
  });
  useEffect(() => {
    if (stage && there) see(frame);
  }, [stage, frame, there, follows]);

  // Findings of one state name elements that another may not have.
  const check = useQuery(queries.demonstrationCheck(id, shownMesh));
  const told = useMemo(
    () => (check.data?.findings ?? []).filter((f) => f.severity !== 'remark'),
    [check.data],
  );
  const asks = frame.kind === 'question' && playing.isOpen;
  const pending = useQuery({
    ...queries.demonstrationPending(id, frame.step, demonstration.revision),
    enabled: asks && frame.title !== 'Taken back',
  });
  const preview = asks ? pending.data : undefined;

  useKeys({
    ' ': playing.toggle,
    ArrowRight: playing.stepOn,
    ArrowLeft: playing.stepBack,
    Home: () => playing.go(0),
    End: () => playing.go(playing.reached),
    Escape: () => setEdits(null),
    ...looking.keys,
  });
  return (
    <div className="flex h-full flex-col">
      <WorkHead
        back={{ to: '/demonstrations', name: 'Demonstrations' }}
        title={demonstration.title}
        about={
          <span className="truncate">
            {demonstration.by ? `by ${demonstration.by}` : 'came with Fair Edge'}
          </span>
        }
      >
        <ShowTo demonstration={demonstration} />
        <HandoutMenu id={id} />
        {mine ? (
          <Button
            size="small"
            aria-pressed={telling}
            onClick={() => setEdits(telling ? null : 'yes')}
          >
            {telling ? 'Back to playing' : 'Write captions'}
          </Button>
        ) : (
          <CopyButton id={id} />
        )}
      </WorkHead>
      <div className="flex min-h-0 flex-1 max-md:flex-col">
        <section
          aria-label={telling ? 'What is said' : 'What is shown'}
          className="flex w-[400px] shrink-0 flex-col border-r border-ink max-lg:w-[330px] max-md:order-2 max-md:min-h-0 max-md:w-full max-md:flex-1 max-md:border-r-0"
        >
          {telling ? (
            <Telling
              demonstration={demonstration}
              at={frame.step}
              onGo={(step) => playing.go(frames.findIndex((f) => f.step === step))}
              camera={() => stage?.cameraPlace ?? null}
              lens={lens}
              onDone={() => setEdits(null)}
            />
          ) : (
            <>
              <FrameRail frames={frames} playing={playing} knowsAll={mine} />
              <Branch demonstration={demonstration} at={playing.at} />
            </>
          )}
        </section>
        <div className="flex min-w-0 flex-1 flex-col max-md:flex-none">
          <div className="relative min-h-0 flex-1 max-md:h-80 max-md:flex-none">
            <LookedStage
              looking={looking}
              unit={demonstration.unit}
              insets={[...INSETS]}
              label={`${demonstration.title}: drag to turn`}
              onReady={(view) => {
                if (frame.camera) view.flyTo(frame.camera.target, frame.camera);
              }}
              drawing={
                !bent && (
                  <>
                    {preview && <GhostLines ghost={preview.ghost} />}
                    {preview && <CutLine pieces={preview.pieces} letters={false} />}
                    {preview && <RemarkRings remarks={preview.remarks} />}
                    <MeshMarks findings={plain ? told : []} chosen={null} onChoose={() => {}} />
                  </>
                )
              }
            >
              {plain && <FarSide findings={told} />}
              <div className="absolute top-2.5 right-3 left-3 flex flex-wrap items-start gap-1.5">
                <TwoOf
                  label="Whose view"
                  value={follows}
                  first={[true, 'Follow the view']}
                  second={[false, 'Turn freely']}
                  onChange={setFollows}
                />
                <LensBar lens={lens} onLens={looking.setLens} />
                <Button size="small" shortcut="V" onClick={looking.viewAll}>
                  All
                </Button>
              </div>
            </LookedStage>
          </div>
          <LensLegend lens={lens} looked={looking.looked} unit={demonstration.unit} />
          <div className="condensed shrink-0 border-t border-ink px-3 py-2">
            <div className="flex items-center gap-2.5">
              <Button
                size="small"
                shortcut="Space"
                aria-pressed={playing.playing}
                onClick={playing.toggle}
              >
                {playing.playing ? 'Pause' : 'Play'}
              </Button>
              <Button
                size="small"
                shortcut="←"
                disabled={playing.at === 0}
                title={playing.at === 0 ? 'This is the starter' : undefined}
                onClick={playing.stepBack}
              >
                Step back
              </Button>
              <Button
                size="small"
                shortcut="→"
                disabled={playing.at === playing.last}
                title={playing.at === playing.last ? 'This is the last' : undefined}
                onClick={playing.stepOn}
              >
                Step on
              </Button>
              <p className="min-w-0 flex-1 truncate text-ink2" role="status" data-testid="where">
                {playing.at === 0 ? 'The starter' : `Step ${playing.at} of ${playing.last}`}
                {playing.playing && playing.waits ? '. It waits for your answer.' : '.'}
              </p>
              <SpeedChoice speed={playing.speed} onSpeed={playing.setSpeed} />
            </div>
            <FrameLine
              frames={frames}
              playing={playing}
              knowsAll={mine}
              tries={demonstration.tries}
            />
          </div>
        </div>
      </div>
    </div>
  );
}

/** Fetches what comes next while this is looked at. */
function useAhead(id: string, frames: readonly Frame[], at: number) {
  const client = useQueryClient();
  useEffect(() => {
    for (const next of [frames[at + 1], frames[at - 1]]) {
      if (next) void client.prefetchQuery(queries.demonstrationMesh(id, next.mesh));
    }
  }, [client, id, frames, at]);
}

/** From the state at hand to the bench and back. */
function Branch(props: { demonstration: Demonstration; at: number }) {
  const { demonstration, at } = props;
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  const [last] = demonstration.tries;
  const bench = (practice: string, from: number) =>
    void navigate(`/practice/${practice}?shown=${demonstration.id}.${from}`);
  const begin = async () => {
    try {
      const piece = await api.tryDemonstration(demonstration.id, at, newKey());
      bench(piece.id, at);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  return (
    <footer className="shrink-0 border-t border-ink px-5 py-3">
      {problem && (
        <p role="alert" className="mb-2 border-l-[3px] border-ink bg-shoal1 px-3 py-1.5">
          {problem}
        </p>
      )}
      <div className="flex items-center gap-3">
        <Button look="main" size="tall" onClick={() => void begin()}>
          Try it yourself from here
        </Button>
        <p className="min-w-0 text-[13px] leading-4 text-ink2">
          A practice piece from {at === 0 ? 'the starter' : `step ${at}`}. This page waits for you.
        </p>
      </div>
      {last && (
        <div className="mt-2.5 flex items-center gap-3 border-t border-rule pt-2.5 text-[13px] text-ink2">
          <p className="min-w-0 flex-1">
            Your try {whenText(last.begunAt)}, {counted(last.steps, 'step')}
          </p>
          <Button size="small" onClick={() => bench(last.practice, last.frame)}>
            Go on with it
          </Button>
        </div>
      )}
    </footer>
  );
}

/** For whoever teaches: one of their own, to be told otherwise. */
function CopyButton({ id }: { id: string }) {
  const me = useQuery(queries.me());
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  if (!me.data?.mayTeach) return null;
  const copy = async () => {
    try {
      const made = await api.copyDemonstration(id, newKey());
      void navigate(`/demonstrations/${made.id}?tell=yes`);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  return (
    <>
      {problem && <span role="alert">{problem}</span>}
      <Button size="small" onClick={() => void copy()}>
        Make it my own
      </Button>
    </>
  );
}
