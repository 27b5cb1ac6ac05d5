import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Schemas } from '../../api/client';
import { KIND_NAMES } from '../../trade/kinds';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { counted } from '../../ui/time';
import { PickGrid, usePicks } from './Picks';

/** One remark into the drafts of all that have the same fault, each at its own place. */
export function SameFault(props: {
  kind: string;
  rows: readonly Schemas['Row'][];
  onClose: () => void;
}) {
  const { rows, kind } = props;
  const picks = usePicks(rows);
  const { some } = picks;
  const [text, setText] = useState('');
  const [came, setCame] = useState<Schemas['Came'] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const client = useQueryClient();
  const say = async () => {
    try {
      setCame(
        await api.sayTogether({
          submissions: some.map((row) => row.id),
          kind,
          text,
          noteKind: 'mend',
        }),
      );
      some.forEach((row) => client.removeQueries({ queryKey: ['review', row.id] }));
      await client.invalidateQueries({ queryKey: ['desk'] });
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  return (
    <Dialog
      title={`${KIND_NAMES[kind] ?? kind}: ${counted(rows.length, 'hand-in')}`}
      open
      onClose={props.onClose}
    >
      {came ? (
        <>
          <p>It stands in {counted(came.done.length, 'draft')}, each at its own place.</p>
          {came.left.map((l) => (
            <p key={l.id} className="mt-1">
              <b className="font-semibold">{l.student}</b>: {l.why}
            </p>
          ))}
          <Button look="main" className="mt-4" onClick={props.onClose}>
            Done
          </Button>
        </>
      ) : (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (text.trim() && some.length > 0) void say();
          }}
        >
          <PickGrid rows={rows} picks={picks} />
          <label className="mt-3 block">
            <span className="font-semibold">The remark</span>
            <textarea
              autoFocus
              className="mt-1 block min-h-[64px] w-full rounded-ctl border border-ctl bg-sheet px-2 py-1.5"
              value={text}
              maxLength={4000}
              onChange={(e) => setText(e.target.value)}
            />
          </label>
          {problem && <p role="alert">{problem}</p>}
          <Button
            look="instructor-main"
            className="mt-3"
            type="submit"
            disabled={!text.trim() || some.length === 0}
            title={text.trim() ? undefined : 'Write the remark first'}
          >
            Into {counted(some.length, 'draft')}
          </Button>
        </form>
      )}
    </Dialog>
  );
}
