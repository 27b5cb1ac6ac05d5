import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Schemas } from '../../api/client';
import { KIND_NAMES } from '../../trade/kinds';
import { MeshPicture } from '../../trade/MeshPicture';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { counted } from '../../ui/time';

/** One remark into the drafts of all that have the same fault, each at its own place. */
export function SameFault(props: {
  kind: string;
  rows: readonly Schemas['Row'][];
  onClose: () => void;
}) {
  const { rows, kind } = props;
  const [out, setOut] = useState<readonly string[]>([]);
  const [text, setText] = useState('');
  const [came, setCame] = useState<Schemas['Came'] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const client = useQueryClient();
  const some = rows.filter((row) => !out.includes(row.id));
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
          <ul className="grid grid-cols-3 gap-2">
            {rows.map((row) => (
              <li key={row.id}>
                <Pick
                  row={row}
                  taken={!out.includes(row.id)}
                  onTake={(taken) =>
                    setOut(taken ? out.filter((id) => id !== row.id) : [...out, row.id])
                  }
                />
              </li>
            ))}
          </ul>
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

/** A hand-in with its picture, taken or left out. */
export function Pick(props: {
  row: Schemas['Row'];
  taken: boolean;
  onTake: (taken: boolean) => void;
}) {
  const { row, taken } = props;
  return (
    <label className={`block ${taken ? '' : 'opacity-60'}`}>
      <MeshPicture
        submission={row.id}
        size="row"
        of={`${row.exercise} by ${row.student}`}
        report={row.report}
      />
      <span className="condensed mt-0.5 flex items-center gap-1.5">
        <input type="checkbox" checked={taken} onChange={(e) => props.onTake(e.target.checked)} />
        <span className="truncate">{row.student}</span>
      </span>
    </label>
  );
}
