import { useRef, useState } from 'react';
import { api, asProblem, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { FileDrop } from '../../ui/FileDrop';
import { LongList } from '../../ui/LongList';
import { Select } from '../../ui/Select';
import { counted, numberText } from '../../ui/time';
import { Refusal } from '../../ui/TextField';
import { RowMark, STATE_NAMES } from './RowMark';
import { SlipDialog } from './SlipDialog';
import { type PeopleControl, type PeopleData } from './usePeople';

type Roster = Schemas['RosterView'];
type Row = Schemas['RowView'];
type Meaning = Schemas['ColumnView']['meaning'];

const MEANINGS = [
  ['name', 'is the name'],
  ['first', 'is the first name'],
  ['last', 'is the last name'],
  ['address', 'is the address'],
  ['group', 'is the group'],
  ['out', 'is left out'],
] as const;

interface Held {
  name: string;
  file: string;
  columns: Meaning[] | null;
  answers: Record<string, string>;
}

interface Props {
  data: PeopleData;
  control: PeopleControl;
  onClose: () => void;
}

/** A roster file, and what would come of it, line by line; nothing is written before "Take in". */
export function RosterPanel({ data, control, onClose }: Props) {
  const [held, setHeld] = useState<Held | null>(null);
  const [seen, setSeen] = useState<Roster | null>(null);
  const [problem, setProblem] = useState('');
  const [slipping, setSlipping] = useState(false);
  const [needSlips, setNeedSlips] = useState<string[] | null>(null);

  const look = async (next: Held) => {
    setProblem('');
    try {
      const roster = await api.previewRoster(data.id, asked(next));
      setHeld(next);
      setSeen(roster);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  const read = async (file: File) => {
    setNeedSlips(null);
    setSeen(null);
    await look({ name: file.name, file: await base64(file), columns: null, answers: {} });
  };
  const takeIn = async () => {
    if (!held) return;
    const done = await control.change(async () => {
      const { needSlips: need } = await api.takeInRoster(data.id, asked(held));
      setNeedSlips(need);
    });
    if (done) setSeen(null);
  };

  return (
    <section
      aria-label="Roster file"
      className="flex min-h-0 flex-1 flex-col border-t-[3px] border-ink bg-sheet"
    >
      <header className="flex items-center gap-3 px-4 py-3">
        <h2 className="text-[15px] font-semibold">{held && seen ? held.name : 'Roster file'}</h2>
        <span className="min-w-0 flex-1 truncate text-[13px] text-ink2">
          {seen ? seen.how : 'a table with a header, saved as CSV'}
        </span>
        {seen && (
          <Button size="small" onClick={() => setSeen(null)}>
            Another file
          </Button>
        )}
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </header>
      {problem && (
        <div className="px-4 pb-3">
          <Refusal>{problem}</Refusal>
        </div>
      )}
      {needSlips && (
        <div className="space-y-3 px-4 pb-4">
          <p className="font-semibold">
            {needSlips.length
              ? `${counted(needSlips.length, 'student')} taken in. Each needs a sign-in slip.`
              : 'All of them were here already, or sign in as before.'}
          </p>
          {needSlips.length > 0 && (
            <Button look="main" onClick={() => setSlipping(true)}>
              Make the slips
            </Button>
          )}
          <SlipDialog
            people={data.people.filter((p) => needSlips.includes(p.id))}
            data={data}
            control={control}
            open={slipping}
            onClose={() => setSlipping(false)}
          />
        </div>
      )}
      {!seen && (
        <div className="px-4 pb-4">
          <FileDrop
            label="Roster file"
            accept=".csv,.tsv,.txt,text/csv"
            onDropped={(f) => void read(f)}
            onChosen={(f) => void read(f)}
          >
            <span className="text-ink2">
              by comma, semicolon or tab; columns for name, mail address, group
            </span>
          </FileDrop>
        </div>
      )}
      {seen && held && (
        <Preview seen={seen} held={held} onHeld={(h) => void look(h)} onTakeIn={takeIn} />
      )}
    </section>
  );
}

function asked({ file, columns, answers }: Held): Schemas['RosterRequest'] {
  return { file, columns, answers };
}

async function base64(file: File): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += 0x8000) {
    text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  }
  return btoa(text);
}

function Preview(props: {
  seen: Roster;
  held: Held;
  onHeld: (held: Held) => void;
  onTakeIn: () => Promise<void>;
}) {
  const { seen, held, onHeld } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const count = (state: Row['state']) => seen.rows.filter((r) => r.state === state).length;
  const open = seen.rows.filter((r) => r.state === 'unclear' || r.state === 'wrong');
  const fresh = count('fresh');
  const answer = (line: number, key: string) =>
    onHeld({ ...held, answers: { ...held.answers, [line]: key } });
  const leaveOut = () =>
    onHeld({
      ...held,
      answers: { ...held.answers, ...Object.fromEntries(open.map((r) => [r.line, 'out'])) },
    });
  return (
    <>
      <div className="flex flex-wrap gap-x-4 gap-y-2 border-b border-rule px-4 pb-3">
        {seen.columns.map((c, i) => (
          <label key={i} className="text-[13px]">
            <span className="block text-ink2">
              column <b className="font-medium text-ink">{c.name || 'without a name'}</b>
            </span>
            <Select
              label={`Column ${c.name}`}
              size="small"
              value={c.meaning}
              options={MEANINGS}
              onChange={(m) =>
                onHeld({
                  ...held,
                  columns: seen.columns.map((o, j) => (j === i ? (m as Meaning) : o.meaning)),
                })
              }
            />
          </label>
        ))}
      </div>
      <p className="condensed flex flex-wrap gap-x-5 border-b border-ink px-4 py-2">
        {(['fresh', 'here', 'unclear', 'wrong', 'out'] as const)
          .filter((state) => count(state) > 0)
          .map((state) => (
            <span key={state} className="flex items-center gap-1.5">
              <RowMark state={state} />
              <b className="font-semibold">{numberText(count(state))}</b> {STATE_NAMES[state]}
            </span>
          ))}
      </p>
      <div ref={scroller} className="thin-scroll min-h-0 flex-1 overflow-y-auto">
        <LongList
          scroller={scroller}
          label="Rows of the roster"
          count={seen.rows.length}
          rowHeight={30}
          keyOf={(i) => String(seen.rows[i]!.line)}
          shown={-1}
          row={(i) => <RosterRow row={seen.rows[i]!} onAnswer={answer} />}
        />
      </div>
      <footer className="flex items-center gap-3 border-t border-ink px-4 py-3">
        <p className="min-w-0 flex-1">
          <b className="font-semibold">Nothing is written yet.</b>{' '}
          {open.length > 0
            ? `Answer what is unclear, or leave it out; then all go in together or none does.`
            : fresh > 0
              ? 'All go in together, or none does.'
              : 'Nobody in this file is new.'}
        </p>
        {open.length > 0 && <Button onClick={leaveOut}>Leave out {numberText(open.length)}</Button>}
        <Button
          look="main"
          disabled={open.length > 0 || fresh === 0}
          title={
            open.length > 0
              ? 'Answer what is unclear or wrong first, or leave it out'
              : fresh === 0
                ? 'Nobody is new'
                : undefined
          }
          onClick={() => void props.onTakeIn()}
        >
          Take in {numberText(fresh)}
        </Button>
      </footer>
    </>
  );
}

function RosterRow({ row, onAnswer }: { row: Row; onAnswer: (line: number, key: string) => void }) {
  const wants = row.state === 'unclear' || row.state === 'wrong';
  return (
    <div
      data-line={row.line}
      className={`condensed grid min-h-[30px] grid-cols-[44px_104px_minmax(0,1fr)_96px_minmax(0,1.2fr)] items-center gap-2 border-b border-rule px-4 ${wants ? 'bg-shoal1' : ''}`}
    >
      <span className="text-ink2">{row.line}</span>
      <span className="flex items-center gap-1.5">
        <RowMark state={row.state} />
        {STATE_NAMES[row.state]}
      </span>
      <span className="truncate font-medium">{row.name || 'empty'}</span>
      <span className="truncate">{row.group}</span>
      <span className="flex flex-wrap items-center gap-1.5 py-0.5 text-ink2">
        {row.words}
        {row.choices.map((c) => (
          <Button key={c.key} size="small" onClick={() => onAnswer(row.line, c.key)}>
            {c.words}
          </Button>
        ))}
      </span>
    </div>
  );
}
