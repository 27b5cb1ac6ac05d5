import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, asProblem, newKey, type Workpiece } from '../../api/client';
import { queries } from '../../api/queries';
import { seesAll } from '../../trade/useCourse';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Choice } from '../../ui/fields';
import { TextField } from '../../ui/TextField';

const WHOLE = [
  ['stands', 'Only what stands'],
  ['whole', 'With what was taken back'],
] as const;

/** Keeps what was cut as a demonstration; for whoever teaches. */
export function KeepSteps({ state }: { state: Workpiece }) {
  const me = useQuery(queries.me());
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const [title, setTitle] = useState(state.task.title);
  const [whole, setWhole] = useState<'stands' | 'whole'>('stands');
  const [key] = useState(newKey);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  if (!me.data || !(me.data.mayTeach || me.data.memberships.some(seesAll))) return null;
  const isCut = state.steps.length > 0 || state.others.length > 0;
  const keep = async () => {
    setBusy(true);
    try {
      const made = await api.keepDemonstration(state.id, whole === 'whole', title, key);
      void navigate(`/demonstrations/${made.id}?tell=yes`);
    } catch (e) {
      setProblem(asProblem(e).message);
      setBusy(false);
    }
  };
  return (
    <>
      <Button
        size="small"
        disabled={!isCut}
        title={isCut ? undefined : 'Cut something first: your steps are what is shown'}
        onClick={() => setOpen(true)}
      >
        Show these steps
      </Button>
      <Dialog title="Keep as a demonstration" open={open} onClose={() => setOpen(false)}>
        <div className="space-y-4">
          <TextField label="Title" value={title} maxLength={80} onChange={setTitle} />
          <div>
            <p className="mb-1.5 text-[13px] text-ink2">Which steps</p>
            <Choice label="Which steps" value={whole} options={WHOLE} onChange={setWhole} />
          </div>
          {problem && (
            <p role="alert" className="border-l-[3px] border-ink bg-shoal1 px-3 py-1.5">
              {problem}
            </p>
          )}
          <p className="text-[13px] text-ink2">
            Captions, questions and views are written afterwards. Steps can be left out as long as
            the rest still replays.
          </p>
          <Button look="main" disabled={busy} onClick={() => void keep()}>
            {busy ? 'Keeping' : 'Keep and write captions'}
          </Button>
        </div>
      </Dialog>
    </>
  );
}
