import { useQueries, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { useSent } from '../../trade/sent';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { counted } from '../../ui/time';
import { PickGrid, usePicks } from './Picks';

type Seen = Record<string, Record<string, string>>;

/** Clean hand-ins of one exercise: looked at together, some taken out, the rest accepted with one word. */
export function CleanTogether(props: { rows: readonly Schemas['Row'][]; onClose: () => void }) {
  const { rows } = props;
  const picks = usePicks(rows);
  const { some } = picks;
  const [word, setWord] = useState('');
  const [seen, setSeen] = useState<Seen>({});
  const [left, setLeft] = useState<Schemas['Came']['left']>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const client = useQueryClient();
  const tell = useSent((s) => s.tell);
  const byEye = useByEye(rows);
  const accept = async (ready: boolean) => {
    try {
      const came = await api.acceptTogether({
        submissions: some.map((row) => row.id),
        word,
        seen,
        ready,
      });
      came.done.forEach((id) => client.removeQueries({ queryKey: ['review', id] }));
      if (!ready && came.done.length > 0) tell(came.done, counted(came.done.length, 'student'));
      await client.invalidateQueries({ queryKey: ['desk'] });
      if (came.left.length === 0) props.onClose();
      else setLeft(came.left);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  const chooseAll = (name: string, chosen: string) =>
    setSeen(
      Object.fromEntries(rows.map((row) => [row.id, { ...seen[row.id], [name]: chosen }] as const)),
    );
  return (
    <Dialog title={`${rows[0]?.exercise ?? ''}: clean ones`} open onClose={props.onClose}>
      <PickGrid
        rows={rows}
        picks={picks}
        below={(row) =>
          byEye.map((line) => (
            <Words
              key={line.name}
              line={line}
              value={seen[row.id]?.[line.name] ?? ''}
              onChange={(chosen) =>
                setSeen({ ...seen, [row.id]: { ...seen[row.id], [line.name]: chosen } })
              }
            />
          ))
        }
      />
      {byEye.map((line) => (
        <p key={line.name} className="mt-2 flex items-center gap-2">
          <span className="flex-1">{line.name}, all of them</span>
          <Words line={line} value="" onChange={(chosen) => chooseAll(line.name, chosen)} />
        </p>
      ))}
      <label className="mt-3 block">
        <span className="font-semibold">A word to each</span>
        <textarea
          className="mt-1 block min-h-[56px] w-full rounded-ctl border border-ctl bg-sheet px-2 py-1.5"
          value={word}
          maxLength={8000}
          onChange={(e) => setWord(e.target.value)}
        />
      </label>
      {problem && <p role="alert">{problem}</p>}
      {left.map((l) => (
        <p key={l.id} role="alert" className="mt-1">
          <b className="font-semibold">{l.student}</b>: {l.why}
        </p>
      ))}
      <p className="mt-3 flex gap-2">
        <Button
          look="instructor-main"
          disabled={some.length === 0}
          title={some.length ? undefined : 'All are taken out'}
          onClick={() => void accept(false)}
        >
          Accept {some.length === rows.length ? `all ${rows.length}` : some.length}
        </Button>
        <Button disabled={some.length === 0} onClick={() => void accept(true)}>
          Keep them ready
        </Button>
      </p>
    </Dialog>
  );
}

function Words(props: {
  line: Schemas['CreditLineView'];
  value: string;
  onChange: (word: string) => void;
}) {
  return (
    <select
      aria-label={props.line.name}
      className="mt-0.5 h-6 max-w-full rounded-ctl border border-ctl bg-sheet text-[12px]"
      value={props.value}
      onChange={(e) => props.onChange(e.target.value)}
    >
      <option value="">{props.line.name}</option>
      {props.line.words.map((w) => (
        <option key={w.word} value={w.word}>
          {w.word}
        </option>
      ))}
    </select>
  );
}

/** What the eye has to see in them, of the exercise's rule. */
function useByEye(rows: readonly Schemas['Row'][]) {
  const first = useQueries({ queries: rows.slice(0, 1).map((row) => queries.review(row.id)) })[0];
  return first?.data?.credits?.lines.filter((line) => line.words.length > 0) ?? [];
}
