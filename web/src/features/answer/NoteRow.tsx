import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Finding, type Note, type Review } from '../../api/client';
import { queries } from '../../api/queries';
import { CardLink } from '../../trade/CardLink';
import { FindingMark } from '../../trade/FindingMark';
import { NOTE_KINDS, NoteSign } from '../../trade/NoteSign';
import { WithTerms } from '../../trade/WithTerms';
import { Button } from '../../ui/Button';
import { whenText } from '../../ui/time';

interface Props {
  sheet: Review;
  note: Note;
  index: number;
  finding: Finding | undefined;
  open: boolean;
  onOpen: (index: number) => void;
  onBench: () => void;
  /** To the bench with its mend in hand. */
  onTryMend: () => void;
}

/** A note as its student reads it: opened at its place, ticked as seen, replied to once. */
export function NoteRow(props: Props) {
  const { note, index, finding, open } = props;
  const kind = NOTE_KINDS.find((k) => k.kind === note.kind)!.name;
  return (
    <li
      className={`border-b border-l-[3px] border-b-rule ${open ? 'border-l-magenta bg-magenta-wash' : 'border-l-transparent'}`}
    >
      <button
        type="button"
        aria-expanded={open}
        data-note={index + 1}
        className="flex w-full gap-3 px-5 py-3 text-left outline-offset-[-3px]"
        onClick={() => props.onOpen(index)}
      >
        <NoteSign kind={note.kind} number={index + 1} />
        <span className="min-w-0 flex-1">
          <span className="block whitespace-pre-wrap">{note.text}</span>
          <span className="condensed mt-1 flex items-center gap-1.5 text-[13px] text-ink2">
            {finding && (
              <FindingMark
                kind={finding.kind}
                severity={finding.severity}
                title={finding.title}
                size={12}
              />
            )}
            {finding?.title ?? kind}
            {note.strokes.length > 0 && ', drawn on the mesh'}
            {note.mend && ', with a mend'}
            {note.thread?.reply ? ', replied' : note.thread?.seenAt ? ', seen' : ''}
          </span>
        </span>
      </button>
      {open && (
        <div className="-mt-1 space-y-2 pr-5 pb-3 pl-[58px]">
          {finding && (
            <p className="text-[13px] text-ink2">
              <WithTerms but={finding.kind}>{finding.sentence}</WithTerms>{' '}
              <CardLink kind={finding.kind} />
            </p>
          )}
          <Thread {...props} />
        </div>
      )}
    </li>
  );
}

function Thread({ sheet, note, onBench, onTryMend }: Props) {
  const client = useQueryClient();
  const [replies, setReplies] = useState(false);
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const thread = note.thread;
  const tried = async (act: () => Promise<unknown>) => {
    try {
      await act();
      setProblem(null);
      setReplies(false);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
    await client.invalidateQueries(queries.answer(sheet.id));
  };
  return (
    <>
      {thread?.reply && (
        <p className="border-l-2 border-ink pl-2.5">
          {thread.reply}
          <span className="block text-[13px] text-ink2">
            your reply, {whenText(thread.repliedAt!)}
          </span>
        </p>
      )}
      {note.mend && (
        <div className="border-l-2 border-dotted border-magenta pl-2.5" data-testid="note-mend">
          <p>{note.mend.does}</p>
          <p className="mb-1.5 text-[13px] text-ink2">
            It is drawn dotted on the mesh. On the bench it is a step that you can take back.
          </p>
          <Button look="main" size="small" onClick={onTryMend}>
            Try this mend
          </Button>
        </div>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <Button size="small" onClick={onBench}>
          Open it on the bench
        </Button>
        <label className="flex items-center gap-1.5 text-[13px]">
          <input
            type="checkbox"
            checked={Boolean(thread?.seenAt)}
            onChange={(e) => void tried(() => api.see(sheet.id, note.id, e.target.checked))}
          />
          seen
        </label>
        {!thread?.reply && !replies && (
          <Button size="small" onClick={() => setReplies(true)}>
            Reply
          </Button>
        )}
      </div>
      {replies && (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (text.trim()) void tried(() => api.reply(sheet.id, note.id, text));
          }}
        >
          <textarea
            autoFocus
            aria-label="Your reply"
            placeholder="There is one reply to a note."
            className="block min-h-[56px] w-full rounded-ctl border border-ctl bg-sheet px-2 py-1"
            value={text}
            maxLength={2000}
            onChange={(e) => setText(e.target.value)}
          />
          <span className="mt-1.5 flex gap-2">
            <Button
              size="small"
              look="main"
              type="submit"
              disabled={!text.trim()}
              title={text.trim() ? undefined : 'Write it first'}
            >
              Send the reply
            </Button>
            <Button size="small" onClick={() => setReplies(false)}>
              Leave it
            </Button>
          </span>
        </form>
      )}
      {problem && <p role="alert">{problem}</p>}
    </>
  );
}
