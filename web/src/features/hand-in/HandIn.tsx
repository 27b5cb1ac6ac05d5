import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, newKey, type ApiProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Trouble } from '../../ui/States';
import { FileHandIn } from './FileHandIn';

type HandedIn = Schemas['HandedIn'];

interface Props {
  assignment: string;
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
  // Kept for the life of the dialog, so that a repeated request hands in once.
  const [key] = useState(newKey);
  const { workpiece } = props;

  const finish = (handedIn: HandedIn) => {
    setDone(handedIn);
    void client.invalidateQueries(queries.myWork());
  };

  const handInWorkpiece = async () => {
    setBusy(true);
    setProblem(null);
    try {
      finish(await api.handInWorkpiece(workpiece!.id, workpiece!.revision, key));
    } catch (e) {
      setProblem(asProblem(e));
    } finally {
      setBusy(false);
    }
  };

  if (done) return <Done handedIn={done} onClose={props.onClose} />;
  return (
    <Dialog title={`Hand in: ${props.title}`} open onClose={props.onClose}>
      {workpiece && (
        <div className="mb-5 border-b border-rule pb-5">
          <p className="font-semibold">The working copy as it stands</p>
          <p className="mb-3 text-ink2">{workpiece.about}</p>
          <Button look="main" disabled={busy} onClick={() => void handInWorkpiece()}>
            Hand in the working copy
          </Button>
          {problem && <Trouble title={problem.title}>{problem.message}</Trouble>}
        </div>
      )}
      <FileHandIn assignment={props.assignment} main={!workpiece} onDone={finish} />
    </Dialog>
  );
}

function Done({ handedIn, onClose }: { handedIn: HandedIn; onClose: () => void }) {
  return (
    <Dialog title={`Attempt ${handedIn.attempt} is handed in`} open onClose={onClose}>
      <p>Your instructor sees it on the desk now. You may carry on cutting meanwhile.</p>
      {handedIn.reading.length > 0 && (
        <ul className="mt-3 max-h-40 overflow-y-auto border-t border-rule pt-2 text-[13px]">
          {handedIn.reading.map((r) => (
            <li key={`${r.line} ${r.text}`}>
              Line {r.line}. {r.text}
            </li>
          ))}
        </ul>
      )}
      <Button className="mt-4" look="main" onClick={onClose}>
        Good
      </Button>
    </Dialog>
  );
}
