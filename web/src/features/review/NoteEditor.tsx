import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, type Finding, type Note, type Review } from '../../api/client';
import { queries } from '../../api/queries';
import { FindingMark } from '../../trade/FindingMark';
import { NOTE_KINDS, NoteSign } from '../../trade/NoteSign';
import { counted } from '../../ui/time';
import { fitting } from './phrases';

interface Props {
  review: Review;
  note: Note;
  index: number;
  chosen: boolean;
  written: boolean;
  onChoose: () => void;
  onChange: (note: Note) => void;
  onTakeAway: () => void;
  /** Whether its mend is shown on the mesh. */
  shown: boolean;
  onShow: (shown: boolean) => void;
  onDrawMend: () => void;
}

/** A note: what it wants, its words, its place; phrases that fit stand below the one at hand. */
export function NoteEditor(props: Props) {
  const { note, index, chosen, written } = props;
  const finding = note.finding === null ? undefined : props.review.check.findings[note.finding];
  return (
    <li
      data-note={index + 1}
      className={`flex gap-2 border-l-[3px] py-2 pr-3 pl-2 ${chosen ? 'border-magenta bg-magenta-wash' : 'border-transparent'}`}
    >
      <button
        type="button"
        aria-label={`Note ${index + 1}: show its place`}
        className="shrink-0 self-start"
        onClick={props.onChoose}
      >
        <NoteSign kind={note.kind} number={index + 1} />
      </button>
      <div className="min-w-0 flex-1">
        {written && chosen && <Kinds note={note} onChange={props.onChange} />}
        {written ? (
          <Words {...props} finding={finding} />
        ) : (
          <p className="whitespace-pre-wrap">{note.text}</p>
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
          <span className="flex-1">
            {finding?.title ??
              (note.strokes.length > 0
                ? `${counted(note.strokes.length, 'line')} drawn`
                : `pinned to a ${note.element.kind}`)}
          </span>
          {written && chosen && note.text.trim() !== '' && (
            <KeepPhrase note={note} finding={finding} />
          )}
          {written && (
            <button type="button" className="underline" onClick={props.onTakeAway}>
              Take away
            </button>
          )}
        </p>
        {(note.mend ?? (written && chosen)) && <ItsMend {...props} />}
        {note.thread && <Thread thread={note.thread} />}
      </div>
    </li>
  );
}

/** The mend that goes with it, or how it gets one. */
function ItsMend({ note, written, shown, onShow, onChange, onDrawMend }: Props) {
  if (!note.mend) {
    return (
      <p className="condensed mt-1 text-[12px]">
        <button type="button" className="underline" onClick={onDrawMend}>
          Draw its mend on a copy
        </button>
      </p>
    );
  }
  return (
    <div
      className="condensed mt-1.5 border-l-2 border-dotted border-magenta pl-2 text-[13px]"
      data-testid="note-mend"
    >
      <p>{note.mend.does}</p>
      <p className="flex gap-3">
        <button
          type="button"
          className="underline"
          aria-pressed={shown}
          onClick={() => onShow(!shown)}
        >
          {shown ? 'Show it no more' : 'Show it'}
        </button>
        {written && (
          <button
            type="button"
            className="underline"
            onClick={() => {
              onShow(false);
              onChange({ ...note, mend: null });
            }}
          >
            Take it off
          </button>
        )}
      </p>
    </div>
  );
}

function Kinds({ note, onChange }: Pick<Props, 'note' | 'onChange'>) {
  return (
    <span className="condensed mb-1 flex gap-3" role="radiogroup" aria-label="What the note wants">
      {NOTE_KINDS.map(({ kind, name }) => (
        <button
          key={kind}
          type="button"
          role="radio"
          aria-checked={note.kind === kind}
          className={
            note.kind === kind
              ? 'border-b-2 border-magenta font-semibold text-magenta'
              : 'text-ink2 hover:text-ink'
          }
          onClick={() => onChange({ ...note, kind })}
        >
          {name}
        </button>
      ))}
    </span>
  );
}

function Words(props: Props & { finding: Finding | undefined }) {
  const { note, index, chosen, finding } = props;
  const field = useRef<HTMLTextAreaElement>(null);
  const rows = useRef<HTMLUListElement>(null);
  const phrases = useQuery({ ...queries.phrases(), enabled: chosen });
  const [typing, setTyping] = useState(false);
  useEffect(() => {
    if (chosen && note.text === '') field.current?.focus();
  }, [chosen, note.text]);
  const offered =
    chosen && (typing || note.text === '') ? fitting(phrases.data ?? [], note, finding) : [];
  const data = chosen && note.kind === 'praise' && note.text === '' ? props.review.praise : [];
  const take = (text: string, phrase: string | null) => {
    props.onChange({ ...note, text, phrase });
    setTyping(false);
    field.current?.focus();
  };
  const walk = (from: number) => {
    const buttons = [...(rows.current?.querySelectorAll('button') ?? [])];
    if (from < 0) field.current?.focus();
    else buttons[Math.min(from, buttons.length - 1)]?.focus();
  };
  const all = [
    ...data.map((text) => ({ key: text, text, phrase: null })),
    ...offered.map(({ phrase, text }) => ({ key: phrase.id, text, phrase: phrase.id })),
  ];
  return (
    <>
      <textarea
        ref={field}
        aria-label={`Text of note ${index + 1}`}
        placeholder="What should be seen here?"
        className="block [field-sizing:content] min-h-[34px] w-full rounded-ctl border border-ctl bg-sheet px-2 py-1"
        value={note.text}
        maxLength={4000}
        onFocus={() => !chosen && props.onChoose()}
        onKeyDown={(e) => {
          if (e.key === 'Escape') e.currentTarget.blur();
          if (e.key !== 'ArrowDown' || all.length === 0) return;
          if (e.currentTarget.selectionStart < note.text.length) return;
          e.preventDefault();
          walk(0);
        }}
        onChange={(e) => {
          setTyping(true);
          props.onChange({ ...note, text: e.target.value });
        }}
      />
      {all.length > 0 && (
        <ul ref={rows} aria-label="Phrases" className="condensed mt-1 border border-rule bg-sheet">
          {all.map(({ key, text, phrase }, i) => (
            <li key={key} className="border-b border-rule last:border-b-0">
              <button
                type="button"
                className="w-full px-2 py-1 text-left outline-offset-[-2px] hover:bg-shoal1"
                onClick={() => take(text, phrase)}
                onKeyDown={(e) => {
                  const by = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
                  if (by === 0) return;
                  e.preventDefault();
                  e.stopPropagation();
                  walk(i + by);
                }}
              >
                <Completed text={text} typed={note.text} />
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** What would be added to what is typed stands out. */
function Completed({ text, typed }: { text: string; typed: string }) {
  const begins = typed !== '' && text.toLowerCase().startsWith(typed.toLowerCase());
  if (!begins) return <>{text}</>;
  return (
    <>
      {text.slice(0, typed.length)}
      <b className="font-semibold">{text.slice(typed.length)}</b>
    </>
  );
}

function KeepPhrase({ note, finding }: { note: Note; finding: Finding | undefined }) {
  const client = useQueryClient();
  const [kept, setKept] = useState<string | null>(null);
  if (note.phrase !== null) return null;
  if (kept === note.text) return <span>kept</span>;
  return (
    <button
      type="button"
      className="underline"
      title="Keep these words to use them again"
      onClick={() =>
        void api
          .keepPhrase({
            text: note.text,
            noteKind: note.kind,
            kind: finding?.kind ?? null,
            course: null,
            putAway: false,
          })
          .then(() => {
            setKept(note.text);
            return client.invalidateQueries(queries.phrases());
          })
      }
    >
      Keep as a phrase
    </button>
  );
}

function Thread({ thread }: { thread: NonNullable<Note['thread']> }) {
  return (
    <div className="mt-1 text-[13px]">
      {thread.reply ? (
        <p className="border-l-2 border-ink pl-2">{thread.reply}</p>
      ) : (
        thread.seenAt && <p className="text-ink2">seen</p>
      )}
    </div>
  );
}
