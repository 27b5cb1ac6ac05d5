import { useEffect, useRef } from 'react';
import type { Review } from '../../api/client';
import { Button } from '../../ui/Button';
import { FindingMark } from '../../trade/FindingMark';
import { counted } from '../../ui/time';
import { Credits } from '../../trade/Credits';
import { TwoWay } from '../../ui/TwoWay';
import type { Draft } from './useDraft';

interface Props {
  review: Review;
  draft: Draft;
  returned: boolean;
  chosenNote: number | null;
  status: string;
  /** Another answer, written elsewhere meanwhile; one of the two is to stay. */
  conflict: { notes: number; word: string; onChoose: (mine: boolean) => void } | null;
  hasNext: boolean;
  onChange: (next: Partial<Draft>) => void;
  onChooseNote: (index: number) => void;
  onReturn: () => void;
}

/** The answer: notes, a word, a verdict; the instructor's until it is returned. */
export function AnswerPanel(props: Props) {
  const { review, draft, returned } = props;
  const first = review.student.split(' ')[0];
  return (
    <aside
      aria-label="Answer"
      className="flex w-[296px] shrink-0 flex-col border-l border-rule max-[1200px]:w-[264px]"
    >
      {props.conflict && <Conflict mine={draft.notes.length} {...props.conflict} />}
      <div className="min-h-0 flex-1 overflow-y-auto">
        <h2 className="flex justify-between px-3.5 pt-2.5 pb-1 font-semibold">
          Notes <span className="font-normal text-ink2">{draft.notes.length || ''}</span>
        </h2>
        {draft.notes.length === 0 && (
          <p className="px-3.5 pb-2 text-ink2">
            {returned ? 'None.' : 'Choose a finding or click a face, then pin a note there.'}
          </p>
        )}
        <ol>
          {draft.notes.map((note, i) => (
            <NoteRow key={i} index={i} note={note} {...props} />
          ))}
        </ol>
        {review.credits && <Credits credits={review.credits} />}
        <label className="mt-1 block border-t border-rule px-3.5 pt-3">
          <span className="font-semibold">A word to {first}</span>
          <textarea
            className="mt-1.5 block min-h-[84px] w-full rounded-ctl border border-ctl bg-sheet px-2 py-1.5"
            value={draft.word}
            maxLength={8000}
            disabled={returned}
            onChange={(e) => props.onChange({ word: e.target.value })}
          />
        </label>
        <p className="px-3.5 pt-1 text-[12px] text-ink2" role="status">
          {props.status}
        </p>
      </div>
      <div className="space-y-3 border-t border-ink px-3.5 py-3">
        <p className="text-[13px] text-ink2">Verdict</p>
        <TwoWay
          label="Verdict"
          instructor
          disabled={returned}
          value={draft.verdict}
          options={[
            { value: 'accepted', name: 'Accepted' },
            { value: 'tryAgain', name: 'Try again' },
          ]}
          onChange={(verdict) => props.onChange({ verdict })}
        />
        <Button
          look="instructor-main"
          size="tall"
          className="w-full"
          shortcut="Ctrl ↵"
          disabled={returned || !draft.verdict}
          title={
            returned ? 'It is returned already' : draft.verdict ? undefined : 'Give a verdict first'
          }
          onClick={props.onReturn}
        >
          {returned ? 'Returned' : props.hasNext ? 'Return and open the next' : 'Return'}
        </Button>
      </div>
    </aside>
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

function NoteRow(props: Props & { index: number; note: Draft['notes'][number] }) {
  const { index, note, draft } = props;
  const chosen = index === props.chosenNote;
  const field = useRef<HTMLTextAreaElement>(null);
  useEffect(() => {
    if (chosen && note.text === '') field.current?.focus();
  }, [chosen, note.text]);
  const finding = note.finding == null ? undefined : props.review.check.findings[note.finding];
  const put = (text: string) =>
    props.onChange({ notes: draft.notes.map((n, i) => (i === index ? { ...n, text } : n)) });
  return (
    <li
      className={`flex gap-2.5 border-l-[3px] px-3 py-2 ${chosen ? 'border-magenta bg-magenta-wash' : 'border-transparent'}`}
    >
      <button
        type="button"
        aria-label={`Note ${index + 1}: show its place`}
        className="flex h-[22px] w-[22px] shrink-0 items-center justify-center rounded-full bg-magenta text-[12px] font-semibold text-paper"
        onClick={() => props.onChooseNote(index)}
      >
        {index + 1}
      </button>
      <div className="min-w-0 flex-1">
        {props.returned ? (
          <p>{note.text}</p>
        ) : (
          <textarea
            ref={field}
            aria-label={`Text of note ${index + 1}`}
            placeholder="What should be seen here?"
            className="block [field-sizing:content] min-h-[56px] w-full rounded-ctl border border-ctl bg-sheet px-2 py-1"
            value={note.text}
            maxLength={4000}
            onFocus={() => !chosen && props.onChooseNote(index)}
            onChange={(e) => put(e.target.value)}
          />
        )}
        <p className="condensed mt-1 flex items-center gap-1.5 text-[12px] text-ink2">
          {finding && (
            <FindingMark
              kind={finding.kind}
              severity={finding.severity}
              title={finding.title}
              size={12}
            />
          )}
          <span className="flex-1">{finding?.title ?? `pinned to a ${note.element.kind}`}</span>
          {!props.returned && (
            <button
              type="button"
              className="underline"
              onClick={() => props.onChange({ notes: draft.notes.filter((_, i) => i !== index) })}
            >
              Take away
            </button>
          )}
        </p>
      </div>
    </li>
  );
}
