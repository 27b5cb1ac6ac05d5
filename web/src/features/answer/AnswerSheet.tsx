import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, type Note, type Review } from '../../api/client';
import { queries } from '../../api/queries';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { FarSide } from '../../stage/FarSide';
import { GhostLines } from '../../stage/GhostLines';
import { LensBar } from '../../stage/LensBar';
import { LensLegend } from '../../stage/LensLegend';
import { LookedStage } from '../../stage/LookedStage';
import { MeshMarks } from '../../stage/MeshMarks';
import { Pins } from '../../stage/Pins';
import { Strokes } from '../../stage/Strokes';
import { viewText } from '../../stage/useCameraInAddress';
import { useSolution } from '../../stage/Solution';
import { useLooking } from '../../stage/useLooking';
import { Credits } from '../../trade/Credits';
import { Button } from '../../ui/Button';
import { WorkHead } from '../../ui/Head';
import { MeshPicture } from '../../trade/MeshPicture';
import { PaperMenu } from '../../trade/PaperMenu';
import { useTried } from '../../stage/useTried';
import { Failure, Loading } from '../../ui/States';
import { numberText, wallText, whenText } from '../../ui/time';
import { useAddressed } from '../../ui/useAddressed';
import { useKeys } from '../../ui/useKeys';
import { NoteRow } from './NoteRow';

/** The returned sheet with its notes, each at its place on the mesh. */
export function AnswerSheet({ id }: { id: string }) {
  const answer = useQuery(queries.answer(id));
  const bytes = useQuery(queries.submissionMesh(id));
  const mesh = useMemo(() => (bytes.data ? MeshBuffers.read(bytes.data) : null), [bytes.data]);
  const error = answer.error ?? bytes.error;
  if (error) return <Failure error={error} onRetry={() => void answer.refetch()} />;
  if (!answer.data || !mesh) {
    // The picture that the server drew is there long before a large mesh is.
    return (
      <Loading stage="Opening the answer">
        <MeshPicture
          submission={id}
          size="sheet"
          of="what you handed in"
          report={answer.data?.report ?? -1}
        />
      </Loading>
    );
  }
  return <OpenAnswer sheet={answer.data} mesh={mesh} />;
}

const INSETS = [30, 60, 30, 40] as const;

function OpenAnswer({ sheet, mesh }: { sheet: Review; mesh: MeshBuffers }) {
  const navigate = useNavigate();
  const source = useMemo(() => api.submissionLens(sheet.id), [sheet.id]);
  const looking = useLooking('sides', mesh, source);
  const { stage, lens, bent, plain } = looking;
  const solution = useSolution({
    submission: sheet.id,
    hashes: sheet.references,
    unit: sheet.assignment.exercise.unit,
    beside: stage,
  });
  const [noteShown, showNote] = useAddressed('note');
  const { answer, check, assignment } = sheet;
  const { exercise, dueAt } = assignment;
  const note = Number(noteShown ?? 0) - 1;
  const open = note >= 0 && note < answer.notes.length ? note : null;
  const ghost = useTried(sheet.id, open === null ? null : (answer.notes[open]?.mend ?? null));
  const [chosen, setChosen] = useState<string | null>(null);
  const told = useMemo(() => toldOf(sheet), [sheet]);

  const openNote = (index: number) => {
    const chosenNote = answer.notes[index];
    if (!chosenNote) return;
    showNote(String(index + 1));
    setChosen(findingOf(sheet, chosenNote)?.key ?? null);
    stage?.flyTo(chosenNote.place, chosenNote.camera ?? undefined);
  };
  /** The same place on the bench, seen from the same side, its finding chosen. */
  const onBench = (at: Note, withMend = false) => {
    const params = new URLSearchParams();
    if (withMend) params.set('mend', `${sheet.id}.${at.id}`);
    const finding = findingOf(sheet, at);
    if (finding) params.set('finding', finding.key);
    const place = at.camera ?? stage?.cameraPlace;
    if (place) params.set('view', viewText(place));
    void navigate(`/bench/${assignment.id}?${params}`);
  };
  const step = (by: number) => {
    const count = answer.notes.length;
    if (count > 0) openNote(open === null ? (by > 0 ? 0 : count - 1) : (open + by + count) % count);
  };
  useKeys({
    '[': () => step(-1),
    ']': () => step(1),
    ...looking.keys,
  });
  const accepted = answer.verdict === 'accepted';
  return (
    <div className="flex h-full flex-col">
      <WorkHead back={{ to: '/my-work', name: 'My work' }} title={exercise.title} about="Answer">
        {solution.button}
        <PaperMenu submission={sheet.id} />
        <Button
          size="small"
          shortcut="["
          className="max-md:hidden"
          disabled={answer.notes.length === 0}
          title={answer.notes.length ? undefined : 'There are no notes'}
          onClick={() => step(-1)}
        >
          Previous note
        </Button>
        <Button
          size="small"
          shortcut="]"
          className="max-md:hidden"
          disabled={answer.notes.length === 0}
          title={answer.notes.length ? undefined : 'There are no notes'}
          onClick={() => step(1)}
        >
          Next note
        </Button>
      </WorkHead>
      <div className="flex min-h-0 flex-1 max-md:flex-col max-md:overflow-y-auto">
        <section
          aria-label="Answer"
          className="flex w-[460px] shrink-0 flex-col border-r border-ink max-lg:w-[380px] max-md:order-2 max-md:w-full max-md:border-r-0"
        >
          <div className="min-h-0 flex-1 overflow-y-auto">
            <div className="px-6 pt-5 pb-4">
              <p className="text-ink2">
                Attempt {sheet.attempt}, {answer.said > 1 ? 'amended' : 'returned'}{' '}
                {answer.returnedAt && whenText(answer.returnedAt)} by {answer.returnedBy}
              </p>
              <div className="mt-1 flex items-baseline justify-between text-[22px] leading-7 font-semibold">
                <h2>{exercise.title}</h2>
                <p className="text-magenta" data-testid="verdict">
                  {accepted ? 'Accepted' : 'Try again'}
                </p>
              </div>
            </div>
            {answer.word && (
              <div className="border-t border-rule px-6 py-4">
                <p className="border-l-[3px] border-magenta pl-3 whitespace-pre-wrap">
                  {answer.word}
                </p>
              </div>
            )}
            <Before sheet={sheet} />
            <ol className="border-t border-rule">
              {answer.notes.map((n, i) => (
                <NoteRow
                  key={n.id}
                  sheet={sheet}
                  note={n}
                  index={i}
                  finding={findingOf(sheet, n)}
                  open={i === open}
                  onOpen={openNote}
                  onBench={() => onBench(n)}
                  onTryMend={() => onBench(n, true)}
                />
              ))}
            </ol>
            <WavedThrough sheet={sheet} />
            {sheet.credits && (
              <div className="border-t border-rule px-2.5">
                <Credits credits={sheet.credits} />
              </div>
            )}
            <p className="px-6 py-3.5 text-ink2">
              {check.must + check.should === 0
                ? 'The check found nothing to mend.'
                : `The check found ${[check.must && `${numberText(check.must)} to mend`, check.should && `${numberText(check.should)} that should be mended`].filter(Boolean).join(', ')}.`}
              {sheet.since && ` Since attempt ${sheet.since.attempt}: `}
              {sheet.since && (
                <>
                  <b className="font-semibold text-ink">{sheet.since.gone} gone</b>
                  {sheet.since.still > 0 && `, ${sheet.since.still} still there`}
                  {sheet.since.fresh > 0 ? `, ${sheet.since.fresh} new.` : ', nothing new.'}
                </>
              )}
            </p>
          </div>
          <Attempts sheet={sheet} />
          <footer className="flex items-center justify-between gap-3 border-t border-ink px-6 py-3.5">
            <span className="text-ink2">{dueAt && `Due ${wallText(dueAt, assignment.zone)}`}</span>
            <Button
              look={accepted ? 'plain' : 'main'}
              size="tall"
              onClick={() => void navigate(`/bench/${assignment.id}`)}
            >
              {accepted ? 'Open the bench' : `Start attempt ${sheet.attempt + 1} on the bench`}
            </Button>
          </footer>
        </section>
        <div className="flex min-w-0 flex-1 flex-col max-md:flex-none">
          <div className="relative min-h-0 flex-1 max-md:h-80 max-md:flex-none">
            <LookedStage
              looking={looking}
              unit={exercise.unit}
              insets={[...INSETS]}
              label={`${exercise.title}, attempt ${sheet.attempt}: drag to turn`}
              onReady={(view) => {
                const first = open === null ? undefined : answer.notes[open];
                if (first) view.flyTo(first.place, first.camera ?? undefined);
              }}
              drawing={
                <>
                  {!bent && (
                    <>
                      <MeshMarks
                        findings={plain ? told : []}
                        chosen={chosen}
                        onChoose={(f) => setChosen(f.key === chosen ? null : f.key)}
                      />
                      {ghost && <GhostLines ghost={ghost} isAdvice />}
                      <Strokes notes={answer.notes} chosen={open} />
                      <Pins
                        notes={answer.notes}
                        marks={told.filter((f) => f.key !== chosen).map((f) => f.place)}
                        chosen={open}
                        onChoose={openNote}
                      />
                    </>
                  )}
                </>
              }
            >
              {plain && <FarSide findings={told} />}
              <div className="absolute top-2.5 right-3 left-3 flex items-start gap-1.5">
                <LensBar lens={lens} onLens={looking.setLens} />
                <Button size="small" shortcut="V" onClick={looking.viewAll}>
                  All
                </Button>
              </div>
            </LookedStage>
            {solution.view}
          </div>
          <LensLegend lens={lens} looked={looking.looked} unit={exercise.unit} />
        </div>
      </div>
    </div>
  );
}

/** What this answer said before it was amended. */
function Before({ sheet }: { sheet: Review }) {
  return sheet.sayings.map((said) => (
    <details key={said.number} className="border-t border-rule px-6 py-2 text-[13px]">
      <summary className="cursor-pointer text-ink2">
        Said before, {whenText(said.outAt)}:{' '}
        {said.verdict === 'accepted' ? 'accepted' : 'try again'}
      </summary>
      <p className="mt-1 whitespace-pre-wrap">{said.word}</p>
      <ol className="ml-4 list-decimal">
        {said.notes.map((text, i) => (
          <li key={i}>{text}</li>
        ))}
      </ol>
    </details>
  ));
}

/** Findings that were waved through: struck out, with the reason. */
function WavedThrough({ sheet }: { sheet: Review }) {
  if (sheet.waved.length === 0) return null;
  return (
    <section className="border-b border-rule px-6 py-3">
      <h3 className="text-ink2">Waved through: they don’t count</h3>
      <ul className="condensed">
        {sheet.waved.slice(0, 12).map((w) => (
          <li key={w.finding}>
            <span className="line-through">{sheet.check.findings[w.finding]?.title}</span>{' '}
            <span className="text-ink2">{w.reason}</span>
          </li>
        ))}
        {sheet.waved.length > 12 && (
          <li className="text-ink2">and {sheet.waved.length - 12} more</li>
        )}
      </ul>
    </section>
  );
}

/** All attempts and their answers in one line of marks. */
function Attempts({ sheet }: { sheet: Review }) {
  if (sheet.attempts.length < 2) return null;
  return (
    <nav
      aria-label="Attempts"
      className="condensed flex items-center gap-3 overflow-x-auto border-t border-rule px-6 py-2"
    >
      {sheet.attempts.map((a) => {
        const words = a.verdict ? (a.verdict === 'accepted' ? 'accepted' : 'try again') : 'waits';
        const here = a.id === sheet.id;
        const sign = (
          <span
            className={`flex items-center gap-1.5 whitespace-nowrap ${here ? 'font-semibold' : ''}`}
          >
            <svg width={12} height={12} viewBox="-6 -6 12 12" aria-hidden>
              <circle
                r={4.5}
                fill={a.verdict === 'accepted' ? 'var(--magenta)' : 'var(--sheet)'}
                stroke={a.verdict ? 'var(--magenta)' : 'var(--ink)'}
                strokeWidth={1.5}
              />
            </svg>
            Attempt {a.attempt}: {words}
          </span>
        );
        return a.verdict && !here ? (
          <Link key={a.id} to={`/answer/${a.id}`} className="hover:underline">
            {sign}
          </Link>
        ) : (
          <span key={a.id} aria-current={here ? 'page' : undefined}>
            {sign}
          </span>
        );
      })}
    </nav>
  );
}

/** What is marked on the mesh: all that is to be mended; of remarks those about which the instructor says something. */
function toldOf({ check, answer, waved: sheetWaved }: Review) {
  const waved = new Set(sheetWaved.map((w) => w.finding));
  return check.findings.filter(
    (f, i) =>
      !waved.has(i) && (f.severity !== 'remark' || answer.notes.some((note) => note.finding === i)),
  );
}

function findingOf(sheet: Review, note: Note) {
  return note.finding == null ? undefined : sheet.check.findings[note.finding];
}
