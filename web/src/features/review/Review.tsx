import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import {
  api,
  asProblem,
  newKey,
  type Finding,
  type Note,
  type Review as ReviewData,
} from '../../api/client';
import { queries } from '../../api/queries';
import { MeshBuffers, type Point } from '../../mesh/MeshBuffers';
import { Aim } from '../../stage/Aim';
import { FarSide } from '../../stage/FarSide';
import { LensBar } from '../../stage/LensBar';
import { LensLegend } from '../../stage/LensLegend';
import { LookedStage } from '../../stage/LookedStage';
import { MeshMarks } from '../../stage/MeshMarks';
import { pick, type Picked } from '../../stage/pick';
import { Pins } from '../../stage/Pins';
import { Strokes } from '../../stage/Strokes';
import { onSurface } from '../../stage/strokes';
import type { StageView } from '../../stage/StageView';
import { useLooking } from '../../stage/useLooking';
import { SentBand, useCallBack } from '../../trade/SentBand';
import { useSent } from '../../trade/sent';
import { Button } from '../../ui/Button';
import { WorkHead } from '../../ui/Head';
import { Failure, Loading, OfflineBand } from '../../ui/States';
import { counted, whenText } from '../../ui/time';
import { KeySheet } from '../../ui/KeySheet';
import { readAddress, useAddressed } from '../../ui/useAddressed';
import { useKeys, type Keys } from '../../ui/useKeys';
import { AnswerPanel } from './AnswerPanel';
import { BesideStage } from './BesideStage';
import { withDigit } from './byEye';
import { REVIEW_KEYS } from './keys';
import { Ledger } from './Ledger';
import { useBeside } from './useBeside';
import { isWritten, useDraft } from './useDraft';
import { useLease } from './useLease';
import { useWake } from './useWake';
import { WakePanel } from './WakePanel';
import { WaveForm } from './WaveForm';

export function Review({ id }: { id: string }) {
  const review = useQuery(queries.review(id));
  const bytes = useQuery(queries.submissionMesh(id));
  const mesh = useMemo(() => (bytes.data ? MeshBuffers.read(bytes.data) : null), [bytes.data]);
  // Counted up where the answer is to be read anew: taken over, amended, called back.
  const [turn, setTurn] = useState(0);
  useAhead(review.data?.queue?.next);
  const client = useQueryClient();
  useEffect(() => {
    // It may have been fetched ahead, and the queue has moved since.
    void client.invalidateQueries(queries.review(id));
  }, [client, id]);
  const error = review.error ?? bytes.error;
  if (error) {
    return (
      <Failure
        error={error}
        onRetry={() => {
          void review.refetch();
          void bytes.refetch();
        }}
      />
    );
  }
  if (!review.data || !mesh) return <Loading stage="Opening the submission" />;
  const anew = async () => {
    await review.refetch();
    setTurn(turn + 1);
  };
  return <OpenReview key={turn} review={review.data} mesh={mesh} onAnew={anew} />;
}

/** Has the next hand-in at hand before it is asked for. */
function useAhead(next: string | null | undefined) {
  const client = useQueryClient();
  useEffect(() => {
    if (!next) return;
    void client.prefetchQuery(queries.review(next)).then(() => {
      const there = client.getQueryData(queries.review(next).queryKey);
      const beside = there && choicesAhead(there);
      if (beside) void client.prefetchQuery(queries.besideMesh(next, beside));
    });
    void client.prefetchQuery(queries.submissionMesh(next));
  }, [client, next]);
}

function choicesAhead(review: ReviewData) {
  const before = review.attempts.find((a) => a.attempt === review.attempt - 1);
  if (before) return { sort: 'attempt', which: String(before.attempt) } as const;
  const reference = review.references[0];
  return reference
    ? ({ sort: 'reference', which: reference } as const)
    : ({ sort: 'starter', which: '0' } as const);
}

const INSETS = [24, 60, 24, 60] as const;
/** Beside the furniture, which stands in the corners. */
const FLAT_INSETS = [170, 18, 170, 18] as const;

interface OpenProps {
  review: ReviewData;
  mesh: MeshBuffers;
  onAnew: () => Promise<void>;
}

function OpenReview({ review, mesh, onAnew }: OpenProps) {
  const navigate = useNavigate();
  const client = useQueryClient();
  const source = useMemo(() => api.submissionLens(review.id), [review.id]);
  const { exercise } = review.assignment;
  const stageNow = useRef<StageView | null>(null);
  const wake = useWake(review, mesh, (at) => standAt(stageNow.current, review.views[at - 1]));
  const looking = useLooking('sides', wake.mesh, source, wake.isPast ? ['clay', 'sides'] : null);
  const { stage, lens, bent } = looking;
  useEffect(() => {
    stageNow.current = stage;
  }, [stage]);
  const plain = looking.plain && !wake.isPast;
  const beside = useBeside(review);
  const settled = useSettled(stage);
  // Flat things have more room one above the other.
  const stacked = useMemo(() => isFlat(mesh), [mesh]);
  const lease = useLease(review.id);
  const drafting = useDraft(review);
  const { draft, change, unsaved, problem, theirs } = drafting;
  const written = isWritten(review.answer) && lease.holder === null;
  // What is kept since the review was read.
  const isAhead = drafting.keptRevision > review.answer.revision;
  const credits = useQuery({
    queryKey: ['credits', review.id, drafting.keptRevision, review.waved.length],
    queryFn: () => api.credits(review.id),
    enabled: written && review.credits !== null && isAhead,
    placeholderData: (before) => before,
  });
  const gets = (isAhead ? credits.data : undefined) ?? review.credits;
  const [chosen, setChosen] = useAddressed('finding');
  const [chosenNote, setChosenNote] = useState<number | null>(null);
  const [hover, setHover] = useState<Picked | null>(null);
  const [picked, setPicked] = useState<Picked | null>(null);
  const [byEye, setByEye] = useState<string | null>(null);
  const [waving, setWaving] = useState<string | null>(null);
  const [drawing, setDrawing] = useState(false);
  const [tellsKeys, setTellsKeys] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const tellSent = useSent((s) => s.tell);
  const callBack = useCallBack();
  const { findings } = review.check;
  const { queue } = review;
  const waved = useMemo(() => new Set(review.waved.map((w) => w.finding)), [review.waved]);
  const counting = useMemo(() => findings.filter((_, i) => !waved.has(i)), [findings, waved]);
  const chosenFinding = findings.find((f) => f.key === chosen) ?? null;

  const news = useQuery({
    ...queries.besideEdges(review.id, beside.chosen.beside),
    enabled: !beside.alone,
  });
  useEffect(() => {
    stage?.tellNew(!beside.alone && plain ? (news.data?.fresh ?? []) : []);
  }, [stage, news.data, beside.alone, plain, wake.mesh]);

  // Once, when the model stands there: not after everything that is chosen later.
  const worst = counting.find((f) => f.severity === 'must') ?? counting[0];
  const opened = useRef(false);
  useEffect(() => {
    if (!stage || opened.current) return;
    opened.current = true;
    const first = findings.find((f) => f.key === chosen) ?? worst;
    if (!first || readAddress('view')) return;
    if (chosen === null) setChosen(first.key);
    stage.turnToSee(placesOf(stage, first));
  }, [stage, findings, chosen, worst, setChosen]);

  const choose = (finding: Finding) => {
    setChosen(finding.key === chosen ? null : finding.key);
    setPicked(null);
    setWaving(null);
    stage?.flyTo(finding.place);
  };
  const walkAmong = (some: readonly Finding[], by: number) => {
    if (some.length === 0) return;
    const at = some.findIndex((f) => f.key === chosen);
    const next =
      some[(at < 0 ? (by > 0 ? 0 : some.length - 1) : at + by + some.length) % some.length]!;
    setChosen(next.key);
    setPicked(null);
    setWaving(null);
    stage?.flyTo(next.place);
  };
  const addNote = (note: Pick<Note, 'element' | 'place' | 'finding' | 'strokes'>) => {
    const camera = stage?.cameraPlace ?? null;
    const whole: Note = {
      ...note,
      id: newKey(),
      kind: 'mend',
      text: '',
      camera,
      phrase: null,
      thread: null,
    };
    change({ notes: [...draft.notes, whole] });
    setChosenNote(draft.notes.length);
    setPicked(null);
  };
  const noteFinding = (finding: Finding) =>
    addNote({
      element: finding.elements[0] ?? { kind: 'face', id: 0, ends: null },
      place: finding.place,
      finding: findings.indexOf(finding),
      strokes: [],
    });
  const noteHere = () => {
    if (!written) return;
    if (picked)
      addNote({
        element: { kind: picked.on, id: picked.id, ends: null },
        place: picked.at,
        finding: null,
        strokes: [],
      });
    else if (chosenFinding) noteFinding(chosenFinding);
  };
  const chooseNote = (index: number) => {
    setChosenNote(index);
    const note = draft.notes[index];
    if (note) stage?.flyTo(note.place, note.camera ?? undefined);
  };
  const draw = (path: readonly { x: number; y: number }[]) => {
    if (!stage || !written) return;
    const lines = onSurface(stage, path);
    if (lines.length === 0) return;
    const at = chosenNote === null ? undefined : draft.notes[chosenNote];
    if (at && at.strokes.length > 0) {
      const strokes = [...at.strokes, ...lines];
      change({ notes: draft.notes.map((n, i) => (i === chosenNote ? { ...n, strokes } : n)) });
      return;
    }
    const first = lines[0]!;
    const place = first[Math.floor(first.length / 2)]!;
    const spot = stage.project(place);
    const face = stage.hit(spot.x, spot.y)?.face ?? 0;
    addNote({
      element: { kind: 'face', id: face, ends: null },
      place,
      finding: null,
      strokes: lines,
    });
  };
  /** Takes the last line back; without one, the answer that was given back last. */
  const takeBack = () => {
    const at = chosenNote === null ? undefined : draft.notes[chosenNote];
    if (written && at && at.strokes.length > 0) {
      const strokes = at.strokes.slice(0, -1);
      change({ notes: draft.notes.map((n, i) => (i === chosenNote ? { ...n, strokes } : n)) });
    } else void callBack.undo();
  };
  const wave = async (finding: Finding, reason: string, all: boolean) => {
    const some = all ? alike(counting, finding) : [finding];
    await tried(() =>
      api.wave(
        review.id,
        some.map((f) => f.key),
        reason,
      ),
    );
    setWaving(null);
  };
  const tried = async (act: () => Promise<unknown>) => {
    try {
      await act();
      setTrouble(null);
    } catch (e) {
      setTrouble(asProblem(e).message);
    }
    await client.invalidateQueries(queries.review(review.id));
  };
  const anewAfter = (act: () => Promise<unknown>) => async () => {
    await tried(act);
    await onAnew();
  };
  const open = (id: string | null | undefined) => {
    if (id) void navigate(`/review/${id}`);
  };
  const onward = () => void navigate(queue?.next ? `/review/${queue.next}` : '/desk');
  const giveItBack = async () => {
    if (!written || !draft.verdict) return;
    if (!(await drafting.giveBack())) return;
    tellSent([review.id], review.student);
    onward();
  };
  const keepItReady = async () => {
    if (written && draft.verdict && (await drafting.keepReady())) onward();
  };

  const digits: Keys = {};
  if (written && gets) {
    for (let digit = 1; digit <= 9; digit++) {
      digits[String(digit)] = () => {
        const said = withDigit(gets, draft, byEye, digit);
        if (!said) return;
        change({ seen: said.seen });
        setByEye(said.next);
      };
    }
  }
  useKeys({
    ...digits,
    ArrowDown: () => walkAmong(findings, 1),
    ArrowUp: () => walkAmong(findings, -1),
    n: noteHere,
    w: () => written && chosenFinding && setWaving(chosenFinding.key),
    d: () => written && setDrawing(!drawing),
    b: beside.toggle,
    r: () => document.querySelector<HTMLElement>('textarea:not([aria-label])')?.focus(),
    y: () => written && change({ verdict: 'accepted' }),
    k: () => written && change({ verdict: 'tryAgain' }),
    ' ': wake.toggle,
    ArrowLeft: () => {
      wake.stop();
      wake.go(wake.at - 1);
    },
    ArrowRight: () => {
      wake.stop();
      wake.go(wake.at + 1);
    },
    ...looking.keys,
    '[': () => open(queue?.previous),
    ']': () => open(queue?.next),
    'Ctrl Enter': () => void giveItBack(),
    'Ctrl z': takeBack,
    '?': () => setTellsKeys(true),
    Escape: () => {
      setDrawing(false);
      setWaving(null);
      setPicked(null);
      setChosen(null);
    },
  });

  return (
    <div className="flex h-full flex-col">
      <WorkHead
        back={{ to: '/desk', name: 'Desk' }}
        title={exercise.title}
        about={
          <>
            <span className="text-[15px] text-ink">{review.student}</span>
            <span className="truncate">
              attempt {review.attempt}, handed in {whenText(review.handedInAt)}
            </span>
          </>
        }
      >
        {queue && queue.position > 0 && (
          <span className="text-ink2">
            {queue.position} of {queue.waiting} waiting
          </span>
        )}
        <Button
          size="small"
          shortcut="["
          disabled={!queue?.previous}
          title={queue?.previous ? undefined : 'None waits longer'}
          onClick={() => open(queue?.previous)}
        >
          Previous
        </Button>
        <Button
          size="small"
          shortcut="]"
          disabled={!queue?.next}
          title={queue?.next ? undefined : 'None came later'}
          onClick={() => open(queue?.next)}
        >
          Next
        </Button>
        <Button size="small" shortcut="?" onClick={() => setTellsKeys(true)}>
          Keys
        </Button>
      </WorkHead>
      <KeySheet
        title="Keys of a review"
        keys={REVIEW_KEYS}
        open={tellsKeys}
        onClose={() => setTellsKeys(false)}
      />
      <SentBand />
      {trouble && (
        <p role="alert" className="border-b border-ink bg-shoal1 px-4 py-1.5">
          {trouble}
        </p>
      )}
      {problem?.offline && (
        <OfflineBand
          kept="Your answer is kept on this machine and goes out when it returns."
          onRetry={() => void drafting.retry()}
        />
      )}
      <div className="flex min-h-0 flex-1">
        <Ledger
          review={review}
          chosen={chosen}
          onChoose={choose}
          onCountAgain={written ? (id) => void tried(() => api.countAgain(review.id, id)) : null}
          actions={(finding) =>
            written &&
            (waving === finding.key ? (
              <WaveForm
                alike={alike(counting, finding).length}
                onWave={(reason, all) => void wave(finding, reason, all)}
                onDrop={() => setWaving(null)}
              />
            ) : (
              <div className="flex gap-1.5">
                <Button
                  look="instructor"
                  size="small"
                  shortcut="N"
                  onClick={() => noteFinding(finding)}
                >
                  Note
                </Button>
                {!waved.has(findings.indexOf(finding)) && (
                  <Button size="small" shortcut="W" onClick={() => setWaving(finding.key)}>
                    Wave through
                  </Button>
                )}
              </div>
            ))
          }
        />
        <div className="flex min-w-0 flex-1 flex-col">
          <div
            className="condensed flex h-10 shrink-0 items-center gap-1 border-b border-rule px-2"
            role="toolbar"
            aria-label="Views"
          >
            <LensBar lens={lens} onLens={looking.setLens} />
            <span className="ml-auto flex gap-1.5">
              <Button size="small" shortcut="V" onClick={looking.viewAll}>
                All
              </Button>
              <Button size="small" shortcut="X" onClick={looking.turnAround}>
                To the back
              </Button>
            </span>
          </div>
          <div className={`flex min-h-0 flex-1 ${stacked ? 'flex-col' : ''}`}>
            <div
              className={`relative min-h-0 min-w-0 flex-1 ${beside.alone ? '' : 'max-[1200px]:hidden'}`}
            >
              <LookedStage
                looking={looking}
                unit={exercise.unit}
                insets={[...(stacked && !beside.alone ? FLAT_INSETS : INSETS)]}
                label={`${exercise.title} of ${review.student}: drag to turn, click the mesh to pick a place`}
                draws={drawing ? 'stroke' : undefined}
                onDrawn={draw}
                onHover={(at) => {
                  const picks = written && !drawing && lens !== 'flow' && !bent && !wake.isPast;
                  setHover(at && stage && picks ? pickPlace(stage, at) : null);
                }}
                onClick={(at) => {
                  if (!stage || !written || bent || drawing || wake.isPast) return;
                  setPicked(pickPlace(stage, at));
                }}
                drawing={
                  <>
                    {hover && !picked && <Aim picked={hover} division={0} />}
                    {picked && <Aim picked={picked} division={0} />}
                    {!bent && !wake.isPast && (
                      <>
                        <Strokes notes={draft.notes} chosen={chosenNote} />
                        <MeshMarks
                          findings={plain ? counting : counting.filter((f) => f.key === chosen)}
                          chosen={chosen}
                          onChoose={choose}
                        />
                        <Pins
                          notes={draft.notes}
                          marks={findings.filter((f) => f.key !== chosen).map((f) => f.place)}
                          chosen={chosenNote}
                          onChoose={chooseNote}
                        />
                      </>
                    )}
                  </>
                }
              >
                <p className="condensed pointer-events-none absolute top-2.5 left-3 text-[15px] font-semibold">
                  Attempt {review.attempt}
                  <span className="ml-3 text-[13px] font-normal text-ink2">
                    {wake.isPast
                      ? `at step ${wake.at} of ${wake.last}`
                      : counted(review.check.figures.faces, 'face')}
                  </span>
                  {!beside.alone && plain && (news.data?.fresh.length ?? 0) > 0 && (
                    <span className="block text-[13px] font-normal text-ink2">
                      <svg
                        width={26}
                        height={9}
                        viewBox="0 0 26 9"
                        aria-hidden
                        className="mr-1.5 inline"
                      >
                        <path d="M0 4.500h26" stroke="var(--ink)" strokeWidth={2.4} />
                      </svg>
                      new edges
                    </span>
                  )}
                </p>
                {plain && <FarSide findings={counting} />}
                {picked && !bent && (
                  <div className="over-stage absolute top-16 left-3 flex items-center gap-2.5 border border-ink bg-sheet px-3 py-2">
                    <span>One {picked.on} picked.</span>
                    <Button look="instructor" size="small" shortcut="N" onClick={noteHere}>
                      Note here
                    </Button>
                    <Button size="small" onClick={() => setPicked(null)}>
                      Let go
                    </Button>
                  </div>
                )}
                <span className="absolute top-2 right-3 flex gap-1.5">
                  {written && (
                    <Button
                      look="instructor"
                      size="small"
                      shortcut="D"
                      aria-pressed={drawing}
                      className={drawing ? 'bg-magenta-wash font-semibold' : ''}
                      onClick={() => setDrawing(!drawing)}
                    >
                      {drawing ? 'Drawing' : 'Draw'}
                    </Button>
                  )}
                  {beside.alone && (
                    <Button size="small" shortcut="B" onClick={beside.toggle}>
                      Two stages
                    </Button>
                  )}
                </span>
              </LookedStage>
            </div>
            {!beside.alone && (
              <div
                className={`relative flex min-h-0 min-w-0 flex-1 border-ink ${stacked ? 'border-t' : 'border-l'}`}
              >
                {settled && (
                  <BesideStage
                    key={beside.chosen.key}
                    review={review}
                    choices={beside.choices}
                    chosen={beside.chosen}
                    onChoose={beside.choose}
                    unit={exercise.unit}
                    insets={stacked ? FLAT_INSETS : INSETS}
                    beside={stage}
                    finding={chosenFinding}
                    marked={plain}
                  />
                )}
                <span className="absolute top-2 right-3">
                  <Button size="small" shortcut="B" onClick={beside.toggle}>
                    One stage
                  </Button>
                </span>
              </div>
            )}
          </div>
          <LensLegend lens={lens} looked={looking.looked} unit={exercise.unit} />
          <WakePanel review={review} wake={wake} />
        </div>
        <AnswerPanel
          review={review}
          credits={gets}
          draft={draft}
          written={written}
          chosenNote={chosenNote}
          status={statusText(review, drafting)}
          conflict={
            theirs && {
              notes: theirs.notes.length,
              word: theirs.word,
              onChoose: drafting.choose,
            }
          }
          holder={isWritten(review.answer) ? lease.holder : null}
          onTakeOver={() => void lease.takeOver().then(onAnew)}
          hasNext={Boolean(queue?.next)}
          byEye={byEye}
          onByEye={setByEye}
          onChange={change}
          onChooseNote={chooseNote}
          onWalk={(kinds) =>
            walkAmong(
              counting.filter((f) => kinds.includes(f.kind)),
              1,
            )
          }
          onReturn={() => void giveItBack()}
          onKeepReady={() => void keepItReady()}
          onAmend={() => void anewAfter(() => api.amend(review.id))()}
          onCallBack={() => void anewAfter(() => api.callBack(review.id))()}
          onLeave={() => void anewAfter(() => api.leaveAsItWas(review.id))()}
        />
      </div>
    </div>
  );

  function statusText(of: ReviewData, { draft: now }: { draft: typeof draft }): string {
    if (of.answer.state === 'out') return `Returned ${whenText(of.answer.returnedAt!)}`;
    if (theirs || !written) return '';
    if (problem) return problem.message;
    if (unsaved) return 'Keeping';
    return now.notes.length || now.word || now.verdict ? 'Kept' : '';
  }
}

const SETTLE_MS = 40;

/** Whether a stage was drawn once: what stands beside it does not keep it waiting. */
function useSettled(stage: StageView | null): boolean {
  const [settled, setSettled] = useState<StageView | null>(null);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(stage), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [stage]);
  return stage !== null && settled === stage;
}

const FLAT = 1.6;

/** Whether a form is so much wider than it is high. */
function isFlat(mesh: MeshBuffers): boolean {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let v = 0; v < mesh.vertexEnd; v++) {
    if (!mesh.shown[v]) continue;
    mesh.local(v).forEach((at, axis) => {
      low[axis] = Math.min(low[axis]!, at);
      high[axis] = Math.max(high[axis]!, at);
    });
  }
  const [x, y, z] = high.map((at, axis) => at - low[axis]!);
  return Math.max(x!, y!) > FLAT * z!;
}

/** Findings of the same kind that count as much. */
function alike(some: readonly Finding[], finding: Finding): readonly Finding[] {
  return some.filter((f) => f.kind === finding.kind && f.severity === finding.severity);
}

/** Where a finding is to be seen: the corners of its elements, not too many. */
function placesOf(stage: StageView, finding: Finding): Point[] {
  const { buffers } = stage;
  if (!buffers) return [finding.place];
  const corners = finding.elements.slice(0, 12).flatMap((element) => {
    if (element.kind === 'vertex') return [element.id];
    if (element.kind === 'edge') return buffers.hasEdge(element.id) ? buffers.ends(element.id) : [];
    return buffers.hasFace(element.id) ? [...buffers.corners(element.id)] : [];
  });
  return [finding.place, ...corners.map((v) => buffers.toWorld(buffers.local(v)))];
}

/** Stands to a step as whoever cut it saw the model. */
function standAt(stage: StageView | null, view: ReviewData['views'][number] | undefined) {
  const now = stage?.cameraPlace;
  if (!stage || !now || !view) return;
  const { target } = now;
  const eye =
    view.kind === 'perspective'
      ? view.eye
      : {
          x: target.x - view.direction.x,
          y: target.y - view.direction.y,
          z: target.z - view.direction.z,
        };
  stage.flyTo(target, { eye, target });
}

function pickPlace(stage: StageView, at: { x: number; y: number }): Picked | null {
  return pick(stage, at.x, at.y, { faces: true, vertices: true, division: 0 });
}
