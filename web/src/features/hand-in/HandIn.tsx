import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, ApiProblem, newKey, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';

type HandedIn = Schemas['HandedIn'];

interface Props {
  exercise: string;
  title: string;
  /** The working copy on the bench, where there is one to hand in. */
  workpiece?: { id: string; revision: number; about: string };
  main?: boolean;
  size?: 'small' | 'normal';
}

/** Handing in: the working copy, or a mesh file made anywhere. */
export function HandIn(props: Props) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button
        look={props.main ? 'main' : 'plain'}
        size={props.size ?? 'normal'}
        onClick={() => setOpen(true)}
      >
        {props.workpiece ? 'Hand in' : 'Hand in a file'}
      </Button>
      {open && <HandInDialog {...props} onClose={() => setOpen(false)} />}
    </>
  );
}

function HandInDialog(props: Props & { onClose: () => void }) {
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const [done, setDone] = useState<HandedIn | null>(null);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [file, setFile] = useState<File | null>(null);
  const input = useRef<HTMLInputElement>(null);
  // Kept for the life of the dialog, so that a repeated request hands in once.
  const [key] = useState(newKey);

  const send = async (call: () => Promise<HandedIn>) => {
    setBusy(true);
    setProblem(null);
    try {
      setDone(await call());
      void client.invalidateQueries(queries.myWork());
    } catch (e) {
      setProblem(e instanceof ApiProblem ? e : new ApiProblem(0, 'This did not work', String(e)));
    } finally {
      setBusy(false);
    }
  };

  if (done) {
    return (
      <Dialog title={`Attempt ${done.attempt} is handed in`} open onClose={props.onClose}>
        <p>Your instructor sees it on the desk now. You may carry on cutting meanwhile.</p>
        {done.reading.length > 0 && (
          <ul className="mt-3 max-h-40 overflow-y-auto border-t border-rule pt-2 text-[13px]">
            {done.reading.map((r) => (
              <li key={`${r.line} ${r.text}`}>
                Line {r.line}. {r.text}
              </li>
            ))}
          </ul>
        )}
        <Button className="mt-4" look="main" onClick={props.onClose}>
          Good
        </Button>
      </Dialog>
    );
  }
  const { workpiece } = props;
  return (
    <Dialog title={`Hand in: ${props.title}`} open onClose={props.onClose}>
      {workpiece && (
        <div className="mb-5 border-b border-rule pb-5">
          <p className="font-semibold">The working copy as it stands</p>
          <p className="mb-3 text-ink2">{workpiece.about}</p>
          <Button
            look="main"
            disabled={busy}
            onClick={() =>
              void send(() => api.handInWorkpiece(workpiece.id, workpiece.revision, key))
            }
          >
            Hand in the working copy
          </Button>
        </div>
      )}
      <p className="font-semibold">A mesh file made elsewhere</p>
      <p className="mb-3 text-ink2">
        An OBJ file, up to 64 MB. However messy it is, it will be read.
      </p>
      <input
        ref={input}
        type="file"
        accept=".obj"
        className="sr-only"
        aria-label="Mesh file"
        onChange={(e) => setFile(e.target.files?.[0] ?? null)}
      />
      <div className="flex items-center gap-3">
        <Button onClick={() => input.current?.click()}>Choose a file</Button>
        <span className="min-w-0 flex-1 truncate text-ink2">{file?.name ?? 'none chosen'}</span>
        <Button
          look={workpiece ? 'plain' : 'main'}
          disabled={busy || !file}
          title={file ? undefined : 'Choose a file first'}
          onClick={() => file && void send(() => api.handInFile(props.exercise, file, key))}
        >
          Hand in the file
        </Button>
      </div>
      {busy && <p className="mt-3 text-ink2">Reading and inspecting</p>}
      {problem && (
        <div className="mt-4 border border-ink" role="alert">
          <p className="bg-ink px-3 py-1.5 font-semibold text-paper">{problem.title}</p>
          <p className="px-3 py-2">{problem.message}</p>
        </div>
      )}
    </Dialog>
  );
}
