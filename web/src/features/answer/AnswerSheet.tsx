import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, type Note, type Review } from '../../api/client';
import { queries } from '../../api/queries';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { FarSide } from '../../stage/FarSide';
import { LensBar } from '../../stage/LensBar';
import { LensLegend } from '../../stage/LensLegend';
import { LookedStage } from '../../stage/LookedStage';
import { MeshMarks } from '../../stage/MeshMarks';
import { Pins } from '../../stage/Pins';
import { useSolution } from '../../stage/Solution';
import { useLooking } from '../../stage/useLooking';
import { Credits } from '../../trade/Credits';
import { Button } from '../../ui/Button';
import { CardLink } from '../../trade/CardLink';
import { WithTerms } from '../../trade/WithTerms';
import { FindingMark } from '../../trade/FindingMark';
import { WorkHead } from '../../ui/Head';
import { MeshPicture } from '../../trade/MeshPicture';
import { Failure, Loading } from '../../ui/States';
import { numberText, wallText, whenText } from '../../ui/time';
import { useAddressed } from '../../ui/useAddressed';
import { useKeys } from '../../ui/useKeys';

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
  const [chosen, setChosen] = useState<string | null>(null);
  const told = useMemo(() => toldOf(sheet), [sheet]);

  const openNote = (index: number) => {
    const chosenNote = answer.notes[index];
    if (!chosenNote) return;
    showNote(String(index + 1));
    setChosen(findingOf(sheet, chosenNote)?.key ?? null);
    stage?.flyTo(chosenNote.place, chosenNote.camera ?? undefined);
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
                Attempt {sheet.attempt}, returned {answer.returnedAt && whenText(answer.returnedAt)}{' '}
                by {answer.returnedBy}
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
            <ol className="border-t border-rule">
              {answer.notes.map((n, i) => (
                <NoteRow
                  key={i}
                  sheet={sheet}
                  note={n}
                  index={i}
                  open={i === open}
                  onOpen={openNote}
                />
              ))}
            </ol>
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

/** What is marked on the mesh: all that is to be mended; of remarks those about which the instructor says something. */
function toldOf({ check, answer }: Review) {
  return check.findings.filter(
    (f, i) => f.severity !== 'remark' || answer.notes.some((note) => note.finding === i),
  );
}

function findingOf(sheet: Review, note: Note) {
  return note.finding == null ? undefined : sheet.check.findings[note.finding];
}

function NoteRow(props: {
  sheet: Review;
  note: Note;
  index: number;
  open: boolean;
  onOpen: (index: number) => void;
}) {
  const { note, index, open } = props;
  const finding = findingOf(props.sheet, note);
  return (
    <li
      className={`border-b border-l-[3px] border-b-rule ${open ? 'border-l-magenta bg-magenta-wash' : 'border-l-transparent'}`}
    >
      <button
        type="button"
        aria-expanded={open}
        data-note={index + 1}
        className="flex w-full gap-3.5 px-5 py-3 text-left outline-offset-[-3px]"
        onClick={() => props.onOpen(index)}
      >
        <span className="flex h-[22px] w-[22px] shrink-0 items-center justify-center rounded-full bg-magenta text-[12px] font-semibold text-paper">
          {index + 1}
        </span>
        <span className="min-w-0 flex-1">
          <span className="block whitespace-pre-wrap">{note.text}</span>
          {finding && (
            <span className="condensed mt-1 flex items-center gap-1.5 text-[13px] text-ink2">
              <FindingMark
                kind={finding.kind}
                severity={finding.severity}
                title={finding.title}
                size={12}
              />
              {finding.title}
            </span>
          )}
        </span>
      </button>
      {open && finding && (
        <p className="-mt-2 pr-5 pb-3 pl-[56px] text-[13px] text-ink2">
          <WithTerms but={finding.kind}>{finding.sentence}</WithTerms>{' '}
          <CardLink kind={finding.kind} />
        </p>
      )}
    </li>
  );
}
