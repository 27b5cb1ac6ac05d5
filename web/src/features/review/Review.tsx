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
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { LensBar } from '../../stage/LensBar';
import { LensLegend } from '../../stage/LensLegend';
import type { Picked } from '../../stage/pick';
import type { StageView } from '../../stage/StageView';
import { useLooking } from '../../stage/useLooking';
import { SentBand, useCallBack } from '../../trade/SentBand';
import { useSent } from '../../trade/sent';
import { useTried } from '../../stage/useTried';
import { Button } from '../../ui/Button';
import { KeySheet } from '../../ui/KeySheet';
import { Failure, Loading, OfflineBand } from '../../ui/States';
import { whenText } from '../../ui/time';
import { readAddress, useAddressed } from '../../ui/useAddressed';
import { useKeys, type Keys } from '../../ui/useKeys';
import { AnswerPanel, WORD_FIELD } from './AnswerPanel';
import { BesideStage } from './BesideStage';
import { withDigit } from './byEye';
import { HandInStage } from './HandInStage';
import { REVIEW_KEYS } from './keys';
import { Ledger } from './Ledger';
import { MendForm } from './MendForm';
import { ReviewHead } from './ReviewHead';
import { isFlat, placesOf, standAt } from './seeing';
import { choicesOf, triedOf, useBeside, usualOf } from './useBeside';
import { isWritten, useDraft } from './useDraft';
import { useLease } from './useLease';
import { useNotes } from './useNotes';
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
    // Where it was fetched ahead, the queue has moved since.
    const { queryKey } = queries.review(id);
    if (client.getQueryData(queryKey)) void client.invalidateQueries({ queryKey });
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
      if (!there) return;
      const { beside } = usualOf(there, choicesOf(there));
      void client.prefetchQuery(queries.besideMesh(next, beside));
    });
    void client.prefetchQuery(queries.submissionMesh(next));
  }, [client, next]);
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
  const { stage, lens } = looking;
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
  const { draft, change, problem, theirs } = drafting;
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
  const notes = useNotes({ stage, draft, findings: review.check.findings, onChange: change });
  const [picked, setPicked] = useState<Picked | null>(null);
  const [byEye, setByEye] = useState<string | null>(null);
  const [waving, setWaving] = useState<string | null>(null);
  /** The finding for which mends are looked at. */
  const [mending, setMending] = useState<string | null>(null);
  /** The mend that is shown: dotted on the hand-in, and made of a copy in the second stage. */
  const [shown, show] = useState<Note['mend']>(null);
  const ghost = useTried(review.id, shown);
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
    stage.turnToSee(placesOf(stage.buffers, first));
  }, [stage, findings, chosen, worst, setChosen]);

  const choose = (finding: Finding) => {
    setChosen(finding.key === chosen ? null : finding.key);
    setPicked(null);
    setWaving(null);
    setMending(null);
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
    setMending(null);
    stage?.flyTo(next.place);
  };
  const noteHere = () => {
    if (!written) return;
    if (picked) notes.addAt(picked);
    else if (chosenFinding) notes.addToFinding(chosenFinding);
    setPicked(null);
  };
  /** Takes the last line back; without one, the answer that was given back last. */
  const takeBack = () => {
    if (!(written && notes.takeLineBack())) void callBack();
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

  /** Goes to a copy of the hand-in, to cut there what shall be the mend of a note. */
  const drawMend = async (note: Note) => {
    try {
      await drafting.keep();
      const copy = await api.copyOf(review.id, newKey());
      client.removeQueries(queries.review(review.id));
      void navigate(`/practice/${copy.id}?note=${review.id}.${note.id}`);
    } catch (e) {
      setTrouble(asProblem(e).message);
    }
  };
  const laid = shown ? triedOf(shown) : beside.chosen;

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
    m: () => written && chosenFinding && setMending(chosenFinding.key),
    d: () => written && setDrawing(!drawing),
    b: beside.toggle,
    r: () => document.getElementById(WORD_FIELD)?.focus(),
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
      setMending(null);
      show(null);
      setPicked(null);
      setChosen(null);
    },
  });

  return (
    <div className="flex h-full flex-col">
      <ReviewHead review={review} onOpen={open} onKeys={() => setTellsKeys(true)} />
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
            ) : mending === finding.key ? (
              <MendForm
                submission={review.id}
                finding={finding.key}
                onShow={show}
                onAttach={(mend) => {
                  notes.attach(finding, mend);
                  setMending(null);
                }}
                onDrop={() => setMending(null)}
              />
            ) : (
              <div className="flex flex-wrap gap-1.5">
                <Button
                  look="instructor"
                  size="small"
                  shortcut="N"
                  onClick={() => notes.addToFinding(finding)}
                >
                  Note
                </Button>
                <Button
                  look="instructor"
                  size="small"
                  shortcut="M"
                  onClick={() => setMending(finding.key)}
                >
                  Mend
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
              <HandInStage
                review={review}
                looking={looking}
                wake={wake}
                insets={stacked && !beside.alone ? FLAT_INSETS : INSETS}
                counting={counting}
                chosen={chosen}
                onChoose={choose}
                draft={draft}
                notes={notes}
                written={written}
                drawing={drawing}
                picked={picked}
                onPick={setPicked}
                onNote={noteHere}
                tellsNew={!beside.alone && (news.data?.fresh.length ?? 0) > 0}
                ghost={ghost}
              >
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
              </HandInStage>
            </div>
            {!beside.alone && (
              <div
                className={`relative flex min-h-0 min-w-0 flex-1 border-ink ${stacked ? 'border-t' : 'border-l'}`}
              >
                {settled && (
                  <BesideStage
                    key={laid.key}
                    review={review}
                    choices={beside.choices}
                    chosen={laid}
                    onChoose={(key) => {
                      show(null);
                      beside.choose(key);
                    }}
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
          chosenNote={notes.chosen}
          status={written || review.answer.state === 'out' ? statusText(review, drafting) : ''}
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
          onChooseNote={notes.choose}
          shown={shown}
          onShow={show}
          onDrawMend={(note) => void drawMend(note)}
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

/** Findings of the same kind that count as much. */
function alike(some: readonly Finding[], finding: Finding): readonly Finding[] {
  return some.filter((f) => f.kind === finding.kind && f.severity === finding.severity);
}

/** How far what is written is kept. */
function statusText(review: ReviewData, of: ReturnType<typeof useDraft>): string {
  if (review.answer.state === 'out') return `Returned ${whenText(review.answer.returnedAt!)}`;
  if (of.theirs) return '';
  if (of.problem) return of.problem.message;
  if (of.unsaved) return 'Keeping';
  return of.draft.notes.length || of.draft.word || of.draft.verdict ? 'Kept' : '';
}
