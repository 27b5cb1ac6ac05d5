import type { Note, Review, Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Key } from '../../ui/Key';
import { counted, whenText } from '../../ui/time';
import { TwoWay } from '../../ui/TwoWay';
import { CreditsPanel } from './CreditsPanel';
import { NoteEditor } from './NoteEditor';
import type { Draft } from './useDraft';

interface Props {
  review: Review;
  credits: Schemas['CreditsView'] | null;
  draft: Draft;
  written: boolean;
  chosenNote: number | null;
  status: string;
  /** Another answer, written elsewhere meanwhile; one of the two is to stay. */
  conflict: { notes: number; word: string; onChoose: (mine: boolean) => void } | null;
  /** Who else has it open; null: nobody. */
  holder: string | null;
  onTakeOver: () => void;
  hasNext: boolean;
  byEye: string | null;
  onByEye: (name: string) => void;
  onChange: (next: Partial<Draft>) => void;
  onChooseNote: (index: number) => void;
  /** The mend that is shown on the mesh. */
  shown: Note['mend'];
  onShow: (mend: Note['mend']) => void;
  /** Asks for a copy to cut on what shall be the mend of a note. */
  onDrawMend: (note: Note) => void;
  onWalk: (kinds: readonly string[]) => void;
  onReturn: () => void;
  onKeepReady: () => void;
  onAmend: () => void;
  onCallBack: () => void;
  onLeave: () => void;
}

/** The field of the word to the student. */
export const WORD_FIELD = 'word-to-student';

/** The answer: credits, notes, a word, a verdict; the instructor's until it is out. */
export function AnswerPanel(props: Props) {
  const { review, draft, written } = props;
  const first = review.student.split(' ')[0];
  const put = (index: number, note: Note) =>
    props.onChange({ notes: draft.notes.map((n, i) => (i === index ? note : n)) });
  return (
    <aside
      aria-label="Answer"
      className="flex w-[296px] shrink-0 flex-col border-l border-rule max-[1200px]:w-[264px]"
    >
      {props.conflict && <Conflict mine={draft.notes.length} {...props.conflict} />}
      {props.holder && <Held holder={props.holder} onTakeOver={props.onTakeOver} />}
      <div className="min-h-0 flex-1 overflow-y-auto">
        {props.credits && <CreditsPanel {...props} credits={props.credits} />}
        <h2 className="flex justify-between border-t border-rule px-3.5 pt-2.5 pb-1 font-semibold first:border-t-0">
          Notes <span className="font-normal text-ink2">{draft.notes.length || ''}</span>
        </h2>
        {draft.notes.length === 0 && (
          <p className="px-3.5 pb-2 text-ink2">
            {written
              ? 'Choose a finding or click the mesh, then pin a note there; or draw on it.'
              : 'None.'}
          </p>
        )}
        <ol>
          {draft.notes.map((note, i) => (
            <NoteEditor
              key={note.id}
              review={review}
              note={note}
              index={i}
              chosen={i === props.chosenNote}
              written={written}
              onChoose={() => props.onChooseNote(i)}
              onChange={(next) => put(i, next)}
              shown={note.mend !== null && note.mend === props.shown}
              onShow={(isShown) => props.onShow(isShown ? note.mend : null)}
              onDrawMend={() => props.onDrawMend(note)}
              onTakeAway={() =>
                props.onChange({ notes: draft.notes.filter((_, other) => other !== i) })
              }
            />
          ))}
        </ol>
        <label className="mt-1 block border-t border-rule px-3.5 pt-3">
          <span className="flex justify-between font-semibold">
            A word to {first}
            {written && <Key>R</Key>}
          </span>
          <textarea
            id={WORD_FIELD}
            className="mt-1.5 block min-h-[64px] w-full rounded-ctl border border-ctl bg-sheet px-2 py-1.5"
            value={draft.word}
            maxLength={8000}
            disabled={!written}
            onKeyDown={(e) => e.key === 'Escape' && e.currentTarget.blur()}
            onChange={(e) => props.onChange({ word: e.target.value })}
          />
        </label>
        <p className="px-3.5 pt-1 text-[12px] text-ink2" role="status">
          {props.status}
        </p>
        <Sayings sayings={review.sayings} />
      </div>
      <Foot {...props} />
    </aside>
  );
}

function Foot(props: Props) {
  const { review, draft, written } = props;
  const { state, said } = review.answer;
  if (state === 'out') {
    return (
      <div className="space-y-2 border-t border-ink px-3.5 py-3">
        <p className="text-[13px] text-ink2">
          {draft.verdict === 'accepted' ? 'Accepted' : 'Try again'}. What was said stays readable to
          both.
        </p>
        <Button look="instructor" size="tall" className="w-full" onClick={props.onAmend}>
          Amend this answer
        </Button>
      </div>
    );
  }
  if (state === 'going') {
    return (
      <div className="space-y-2 border-t border-ink px-3.5 py-3">
        <p className="text-[13px] text-ink2">
          It goes out {review.answer.returnedAt && whenText(review.answer.returnedAt)}.
        </p>
        <Button look="instructor" size="tall" className="w-full" onClick={props.onCallBack}>
          Call it back
        </Button>
      </div>
    );
  }
  const why = written
    ? draft.verdict
      ? undefined
      : 'Give a verdict first'
    : 'Somebody else has it open';
  return (
    <div className="space-y-2.5 border-t border-ink px-3.5 py-3">
      <TwoWay
        label="Verdict"
        instructor
        disabled={!written}
        value={draft.verdict}
        options={[
          { value: 'accepted', name: 'Accepted', shortcut: 'Y' },
          { value: 'tryAgain', name: 'Try again', shortcut: 'K' },
        ]}
        onChange={(verdict) => props.onChange({ verdict })}
      />
      <Button
        look="instructor-main"
        size="tall"
        className="w-full"
        shortcut="Ctrl ↵"
        disabled={!written || !draft.verdict}
        title={why}
        onClick={props.onReturn}
      >
        {props.hasNext ? 'Return and open the next' : 'Return'}
      </Button>
      <p className="flex justify-between text-[13px]">
        {said > 0 ? (
          <button type="button" className="underline" onClick={props.onLeave}>
            Leave it as it was
          </button>
        ) : (
          <button
            type="button"
            className="underline disabled:text-ink2 disabled:no-underline"
            disabled={!written || !draft.verdict}
            title={why ?? 'It goes out with the others that you keep ready'}
            onClick={props.onKeepReady}
          >
            {state === 'ready' ? 'Kept ready' : 'Keep ready'}
          </button>
        )}
        <span className="text-ink2">{said > 0 && 'The student reads what was said before.'}</span>
      </p>
    </div>
  );
}

function Held({ holder, onTakeOver }: { holder: string; onTakeOver: () => void }) {
  return (
    <div role="status" className="border-b border-ink bg-shoal1 px-3.5 py-2.5" data-testid="held">
      <p className="font-semibold">{holder} has this answer open</p>
      <p className="mt-0.5 text-[13px] text-ink2">
        You can read it. Take it over with what is written, and {holder.split(' ')[0]} is told.
      </p>
      <Button size="small" look="instructor" className="mt-2" onClick={onTakeOver}>
        Take over
      </Button>
    </div>
  );
}

/** What was said before it was amended. */
function Sayings({ sayings }: { sayings: Review['sayings'] }) {
  if (sayings.length === 0) return null;
  return (
    <section className="mt-2 border-t border-rule px-3.5 py-2.5">
      <h2 className="font-semibold">Said before</h2>
      {sayings.map((s) => (
        <details key={s.number} className="mt-1 text-[13px]">
          <summary className="cursor-pointer">
            {whenText(s.outAt)}, {s.by}: {s.verdict === 'accepted' ? 'accepted' : 'try again'}
          </summary>
          <p className="mt-1 whitespace-pre-wrap">{s.word}</p>
          <ol className="ml-4 list-decimal">
            {s.notes.map((text, i) => (
              <li key={i}>{text}</li>
            ))}
          </ol>
        </details>
      ))}
    </section>
  );
}

function Conflict({
  mine,
  notes,
  word,
  onChoose,
}: NonNullable<Props['conflict']> & { mine: number }) {
  return (
    <div role="alert" className="border-b border-ink bg-shoal1 px-3.5 py-2.5">
      <p className="font-semibold">This answer was changed elsewhere</p>
      <p className="mt-0.5 text-[13px] text-ink2">
        Here are {counted(mine, 'note')}, there {counted(notes, 'note')}
        {word ? ` and the word “${word.slice(0, 60)}${word.length > 60 ? '…' : ''}”` : ''}. Nothing
        is lost until you choose.
      </p>
      <div className="mt-2 flex gap-2">
        <Button size="small" look="instructor" onClick={() => onChoose(true)}>
          Keep what is here
        </Button>
        <Button size="small" onClick={() => onChoose(false)}>
          Take the other
        </Button>
      </div>
    </div>
  );
}
