import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, type Finding, type Note, type Review as ReviewData } from '../../api/client';
import { queries } from '../../api/queries';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { Aim } from '../../stage/Aim';
import { FarSide } from '../../stage/FarSide';
import { LensBar } from '../../stage/LensBar';
import { LensLegend } from '../../stage/LensLegend';
import { LookedStage } from '../../stage/LookedStage';
import { MeshMarks } from '../../stage/MeshMarks';
import { pick, type Picked } from '../../stage/pick';
import { Pins } from '../../stage/Pins';
import type { StageView } from '../../stage/StageView';
import { useSolution } from '../../stage/Solution';
import { useLooking } from '../../stage/useLooking';
import { Button } from '../../ui/Button';
import { WorkHead } from '../../ui/Head';
import { Failure, Loading, OfflineBand } from '../../ui/States';
import { counted, whenText } from '../../ui/time';
import { readAddress, useAddressed } from '../../ui/useAddressed';
import { useKeys } from '../../ui/useKeys';
import { AnswerPanel } from './AnswerPanel';
import { Ledger } from './Ledger';
import { useDraft } from './useDraft';
import { Wake } from './Wake';

export function Review({ id }: { id: string }) {
  const review = useQuery(queries.review(id));
  const bytes = useQuery(queries.submissionMesh(id));
  const mesh = useMemo(() => (bytes.data ? MeshBuffers.read(bytes.data) : null), [bytes.data]);
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
  return <OpenReview review={review.data} mesh={mesh} />;
}

const INSETS = [24, 60, 24, 60] as const;

function OpenReview({ review, mesh }: { review: ReviewData; mesh: MeshBuffers }) {
  const navigate = useNavigate();
  const source = useMemo(() => api.submissionLens(review.id), [review.id]);
  const looking = useLooking('sides', mesh, source);
  const { stage, lens, bent, plain } = looking;
  const { exercise } = review.assignment;
  const solution = useSolution({
    submission: review.id,
    hashes: review.references,
    unit: exercise.unit,
    beside: stage,
  });
  const {
    draft,
    change,
    unsaved,
    problem,
    theirs,
    choose: settle,
    giveBack,
    retry,
  } = useDraft(review);
  const [chosen, setChosen] = useAddressed('finding');
  const [chosenNote, setChosenNote] = useState<number | null>(null);
  const [hover, setHover] = useState<Picked | null>(null);
  const [picked, setPicked] = useState<Picked | null>(null);
  const returned = review.answer.returnedAt !== null;
  const { findings } = review.check;
  const { queue } = review;

  // Once, when the model stands there: not after everything that is chosen later.
  const worst = findings.find((f) => f.severity === 'must') ?? findings[0];
  const opened = useRef(false);
  useEffect(() => {
    if (!stage || opened.current) return;
    opened.current = true;
    const first = findings.find((f) => f.key === chosen) ?? worst;
    if (first && !readAddress('view') && stage.isHidden(first.place)) stage.turnToFace(first.place);
  }, [stage, findings, chosen, worst]);

  const choose = (finding: Finding) => {
    setChosen(finding.key === chosen ? null : finding.key);
    setPicked(null);
    stage?.flyTo(finding.place);
  };
  const walk = (by: number) => {
    if (findings.length === 0) return;
    const at = findings.findIndex((f) => f.key === chosen);
    const next =
      findings[
        (at < 0 ? (by > 0 ? 0 : findings.length - 1) : at + by + findings.length) % findings.length
      ]!;
    setChosen(next.key);
    setPicked(null);
    stage?.flyTo(next.place);
  };
  const pin = (note: Pick<Note, 'element' | 'place' | 'finding'>) => {
    const camera = stage?.cameraPlace ?? null;
    change({ notes: [...draft.notes, { ...note, text: '', camera }] });
    setChosenNote(draft.notes.length);
    setPicked(null);
  };
  const noteFinding = (finding: Finding) =>
    pin({
      element: finding.elements[0]!,
      place: finding.place,
      finding: findings.indexOf(finding),
    });
  const noteHere = () => {
    const finding = findings.find((f) => f.key === chosen);
    if (returned) return;
    if (picked)
      pin({
        element: { kind: picked.on, id: picked.id, ends: null },
        place: picked.at,
        finding: null,
      });
    else if (finding) noteFinding(finding);
  };
  const chooseNote = (index: number) => {
    setChosenNote(index);
    const note = draft.notes[index];
    if (note) stage?.flyTo(note.place, note.camera ?? undefined);
  };
  const open = (id: string | null | undefined) => {
    if (id) void navigate(`/review/${id}`);
  };
  const giveItBack = async () => {
    if (returned || !draft.verdict) return;
    const next = queue?.next ?? queue?.previous;
    if (await giveBack()) void navigate(next ? `/review/${next}` : '/desk');
  };

  useKeys({
    ArrowDown: () => walk(1),
    ArrowUp: () => walk(-1),
    n: noteHere,
    ...looking.keys,
    '[': () => open(queue?.previous),
    ']': () => open(queue?.next),
    'Ctrl Enter': () => void giveItBack(),
    Escape: () => {
      setPicked(null);
      setChosen(null);
    },
  });

  const status = returned
    ? `Returned ${whenText(review.answer.returnedAt!)}`
    : theirs
      ? ''
      : problem
        ? problem.message
        : unsaved
          ? 'Keeping'
          : draft.notes.length || draft.word || draft.verdict
            ? 'Kept'
            : '';

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
      </WorkHead>
      {problem?.offline && (
        <OfflineBand
          kept="Your answer is kept on this machine and goes out when it returns."
          onRetry={() => void retry()}
        />
      )}
      <div className="flex min-h-0 flex-1">
        <Ledger
          review={review}
          chosen={chosen}
          onChoose={choose}
          actions={(finding) =>
            !returned && (
              <Button
                look="instructor"
                size="small"
                shortcut="N"
                onClick={() => noteFinding(finding)}
              >
                Note
              </Button>
            )
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
          <div className="relative min-h-0 flex-1">
            <LookedStage
              looking={looking}
              unit={exercise.unit}
              insets={[...INSETS]}
              label={`${exercise.title} of ${review.student}: drag to turn, click a face to pick it`}
              onHover={(at) => {
                const picks = !returned && lens !== 'flow' && !bent;
                setHover(at && stage && picks ? pickFace(stage, at) : null);
              }}
              onClick={(at) => {
                if (!stage || returned || bent) return;
                setPicked(pickFace(stage, at));
              }}
              drawing={
                <>
                  {hover && !picked && <Aim picked={hover} division={0} />}
                  {picked && <Aim picked={picked} division={0} />}
                  {!bent && (
                    <>
                      <MeshMarks
                        findings={plain ? findings : findings.filter((f) => f.key === chosen)}
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
              <p className="condensed absolute top-2.5 left-3 text-[15px] font-semibold">
                Attempt {review.attempt}
                <span className="ml-3 text-[13px] font-normal text-ink2">
                  {counted(review.check.figures.faces, 'face')},{' '}
                  {counted(review.check.figures.quads, 'quad')}
                </span>
              </p>
              {plain && <FarSide findings={findings} />}
              {picked && !bent && (
                <div className="over-stage absolute top-3 right-3 flex items-center gap-2.5 border border-ink bg-sheet px-3 py-2">
                  <span>One {picked.on} picked.</span>
                  <Button look="instructor" size="small" shortcut="N" onClick={noteHere}>
                    Note here
                  </Button>
                  <Button size="small" onClick={() => setPicked(null)}>
                    Let go
                  </Button>
                </div>
              )}
            </LookedStage>
            {solution.view}
            <span className="absolute top-2 right-3">{solution.button}</span>
          </div>
          <LensLegend lens={lens} looked={looking.looked} unit={exercise.unit} />
          <Wake review={review} />
        </div>
        <AnswerPanel
          review={review}
          draft={draft}
          returned={returned}
          chosenNote={chosenNote}
          status={status}
          conflict={theirs && { notes: theirs.notes.length, word: theirs.word, onChoose: settle }}
          hasNext={Boolean(queue?.next)}
          onChange={change}
          onChooseNote={chooseNote}
          onReturn={() => void giveItBack()}
        />
      </div>
    </div>
  );
}

function pickFace(stage: StageView, at: { x: number; y: number }): Picked | null {
  const hit = stage.hit(at.x, at.y);
  return hit
    ? { on: 'face', id: hit.face, at: hit.at }
    : pick(stage, at.x, at.y, { faces: true, vertices: false, division: 0 });
}
