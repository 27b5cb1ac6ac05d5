import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Demonstration } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';

/** Whom it is shown to: classes, and beside which briefs it lies. */
export function ShowTo({ demonstration }: { demonstration: Demonstration }) {
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const client = useQueryClient();
  const me = useQuery(queries.me());
  const mine = (me.data?.memberships ?? []).filter((m) => m.role === 'instructor' && !m.putAway);
  const exercises = useQuery({ ...queries.exercises(), enabled: open });
  if (mine.length === 0) return null;
  const own = (exercises.data ?? []).filter((e) => e.owner === null);
  const set = async (to: 'classes' | 'exercises', which: string, shown: boolean) => {
    try {
      const now = await api.showDemonstration(demonstration.id, to, which, shown);
      client.setQueryData(queries.demonstration(demonstration.id).queryKey, now);
      void client.invalidateQueries(queries.demonstrations());
      setProblem(null);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  const row = (to: 'classes' | 'exercises', which: string, name: string, on: boolean) => (
    <li key={which}>
      <label className="flex items-center gap-2.5 py-1">
        <input
          type="checkbox"
          checked={on}
          onChange={(e) => void set(to, which, e.target.checked)}
        />
        {name}
      </label>
    </li>
  );
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        Show it to
      </Button>
      <Dialog title={`Show ${demonstration.title}`} open={open} onClose={() => setOpen(false)}>
        {problem && (
          <p role="alert" className="mb-3 border-l-[3px] border-ink bg-shoal1 px-3 py-1.5">
            {problem}
          </p>
        )}
        <h2 className="font-semibold">To a class</h2>
        <ul>
          {mine.map((m) =>
            row('classes', m.courseId, m.courseName, demonstration.classes.includes(m.courseId)),
          )}
        </ul>
        <h2 className="mt-4 font-semibold">Beside the brief of an exercise</h2>
        {own.length === 0 && <p className="text-ink2">You have no exercise yet.</p>}
        <ul className="thin-scroll max-h-56 overflow-y-auto">
          {own.map((e) => row('exercises', e.id, e.title, demonstration.exercises.includes(e.id)))}
        </ul>
        <p className="mt-3 text-[13px] text-ink2">
          Students find it under Demonstrations, or on the bench in the brief. It shows as it stands
          now and as you edit it.
        </p>
      </Dialog>
    </>
  );
}
