import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { FindingMark } from '../../trade/FindingMark';
import { KIND_NAMES } from '../../trade/kinds';
import { NOTE_KINDS } from '../../trade/NoteSign';
import { seesAll, useCourse } from '../../trade/useCourse';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';
import { Empty, Failure, Loading } from '../../ui/States';
import { counted } from '../../ui/time';

type Phrase = Schemas['Phrase'];
type Asked = Schemas['PhraseRequest'];

const NEW: Asked = { text: '', noteKind: 'mend', kind: null, course: null, putAway: false };

/** Remarks that are kept to be used again: by kind of finding, with how often they went out. */
export function Phrases() {
  const phrases = useQuery(queries.phrases());
  const client = useQueryClient();
  const [open, setOpen] = useState<string | null>(null);
  const [merges, setMerges] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const tried = async (act: () => Promise<unknown>) => {
    try {
      await act();
      setProblem(null);
      setOpen(null);
      setMerges(null);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
    await client.invalidateQueries(queries.phrases());
  };
  if (phrases.error && !phrases.data)
    return <Failure error={phrases.error} onRetry={() => void phrases.refetch()} />;
  if (!phrases.data) return <Loading stage="Looking up your phrases" />;
  const groups = byKind(phrases.data);
  return (
    <div className="mx-auto max-w-[960px] px-5 pt-5 pb-8">
      <div className="flex items-baseline gap-3.5 border-b border-ink pb-3">
        <h1 className="flex-1 text-[22px] leading-7 font-semibold">Phrases</h1>
        <Button size="small" onClick={() => setOpen(open === 'new' ? null : 'new')}>
          Write one
        </Button>
      </div>
      {problem && (
        <p role="alert" className="border-b border-ink bg-shoal1 px-3 py-1.5">
          {problem}
        </p>
      )}
      {open === 'new' && (
        <PhraseForm
          asked={NEW}
          onKeep={(asked) => void tried(() => api.keepPhrase(asked))}
          onDrop={() => setOpen(null)}
        />
      )}
      {phrases.data.length === 0 && open !== 'new' && (
        <Empty title="No phrase is kept yet.">
          Any note of a review can be kept as one, and is offered where the same fault comes again.
        </Empty>
      )}
      {groups.map(([kind, some]) => (
        <section key={kind} className="mt-5">
          <h2 className="flex items-center gap-2 border-b border-rule pb-1.5 font-semibold">
            {kind && <FindingMark kind={kind} severity="must" title={KIND_NAMES[kind] ?? kind} />}
            {kind ? (KIND_NAMES[kind] ?? kind) : 'Any finding'}
          </h2>
          <ul>
            {some.map((phrase) => (
              <li key={phrase.id} className="border-b border-rule py-2" data-phrase={phrase.id}>
                {open === phrase.id ? (
                  <PhraseForm
                    asked={askedOf(phrase)}
                    onKeep={(asked) => void tried(() => api.changePhrase(phrase.id, asked))}
                    onDrop={() => setOpen(null)}
                  />
                ) : (
                  <PhraseRow
                    phrase={phrase}
                    merging={merges}
                    onEdit={() => setOpen(phrase.id)}
                    onMerge={() => {
                      if (merges === null) setMerges(phrase.id);
                      else if (merges === phrase.id) setMerges(null);
                      else void tried(() => api.mergePhrase(merges, phrase.id));
                    }}
                    onPutAway={() =>
                      void tried(() =>
                        api.changePhrase(phrase.id, {
                          ...askedOf(phrase),
                          putAway: !phrase.isPutAway,
                        }),
                      )
                    }
                    onTakeAway={() => void tried(() => api.takePhraseAway(phrase.id))}
                  />
                )}
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

function byKind(phrases: readonly Phrase[]): [string, Phrase[]][] {
  const groups = new Map<string, Phrase[]>();
  const put = (p: Phrase) => groups.set(p.kind ?? '', [...(groups.get(p.kind ?? '') ?? []), p]);
  phrases.filter((p) => !p.isPutAway).forEach(put);
  phrases.filter((p) => p.isPutAway).forEach(put);
  const order = Object.keys(KIND_NAMES);
  return [...groups].sort(([a], [b]) => order.indexOf(a) - order.indexOf(b));
}

function askedOf(p: Phrase): Asked {
  return {
    text: p.text,
    noteKind: p.noteKind,
    kind: p.kind,
    course: p.course,
    putAway: p.isPutAway,
  };
}

function PhraseRow(props: {
  phrase: Phrase;
  merging: string | null;
  onEdit: () => void;
  onMerge: () => void;
  onPutAway: () => void;
  onTakeAway: () => void;
}) {
  const { phrase, merging } = props;
  return (
    <div className="flex items-start gap-4">
      <p className={`min-w-0 flex-1 ${phrase.isPutAway ? 'text-ink2' : ''}`}>
        {phrase.text}
        <span className="condensed block text-[13px] text-ink2">
          {NOTE_KINDS.find((k) => k.kind === phrase.noteKind)!.name}
          {phrase.course && ', shared in the class'}
          {!phrase.isMine && ', a colleague’s'}
          {phrase.isPutAway && ', put away'}
        </span>
      </p>
      <span className="w-24 text-right text-ink2 tabular-nums">
        {phrase.uses > 0 ? `used ${counted(phrase.uses, 'time')}` : 'not used yet'}
      </span>
      {phrase.isMine && (
        <span className="flex flex-wrap justify-end gap-1.5">
          <Button size="small" onClick={props.onEdit}>
            Change
          </Button>
          <Button size="small" aria-pressed={merging === phrase.id} onClick={props.onMerge}>
            {merging === null ? 'Merge' : merging === phrase.id ? 'Into which?' : 'Into this one'}
          </Button>
          <Button size="small" onClick={props.onPutAway}>
            {phrase.isPutAway ? 'Bring back' : 'Put away'}
          </Button>
          {phrase.isPutAway && (
            <Button size="small" onClick={props.onTakeAway}>
              Take away for good
            </Button>
          )}
        </span>
      )}
    </div>
  );
}

function PhraseForm(props: { asked: Asked; onKeep: (asked: Asked) => void; onDrop: () => void }) {
  const [asked, setAsked] = useState(props.asked);
  const set = (next: Partial<Asked>) => setAsked({ ...asked, ...next });
  const { courses } = useCourse();
  const taught = courses.filter((m) => seesAll(m) && !m.putAway);
  return (
    <form
      className="space-y-2 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (asked.text.trim()) props.onKeep(asked);
      }}
    >
      <textarea
        autoFocus
        aria-label="Words of the phrase"
        className="block min-h-[56px] w-full rounded-ctl border border-ctl bg-sheet px-2 py-1.5"
        value={asked.text}
        maxLength={2000}
        onChange={(e) => set({ text: e.target.value })}
      />
      <p className="text-[13px] text-ink2">
        A number of the finding fills a blank: {'{sides}'} becomes 6; {'{finding}'} its name.
      </p>
      <div className="flex flex-wrap gap-2">
        <Select
          label="What it wants"
          size="small"
          value={asked.noteKind}
          options={NOTE_KINDS.map((k) => [k.kind, k.name] as const)}
          onChange={(value) => set({ noteKind: value as Asked['noteKind'] })}
        />
        <Select
          label="Of which findings it speaks"
          size="small"
          className="w-56"
          value={asked.kind ?? ''}
          options={[
            ['', 'Any finding'],
            ...Object.entries(KIND_NAMES).map(([kind, name]) => [kind, name] as const),
          ]}
          onChange={(value) => set({ kind: value || null })}
        />
        <Select
          label="Who uses it"
          size="small"
          value={asked.course ?? ''}
          options={[
            ['', 'Only you'],
            ...taught.map((m) => [m.courseId, `All who review in ${m.courseName}`] as const),
          ]}
          onChange={(value) => set({ course: value || null })}
        />
        <Button
          size="small"
          look="main"
          type="submit"
          disabled={!asked.text.trim()}
          title={asked.text.trim() ? undefined : 'Write it first'}
        >
          Keep it
        </Button>
        <Button size="small" onClick={props.onDrop}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
