import { useState } from 'react';
import { Link } from 'react-router';
import { api, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Select } from '../../ui/Select';
import { SlipDialog } from './SlipDialog';
import type { PeopleControl, PeopleData, Person } from './usePeople';

type Role = Schemas['PersonRequest']['role'];

const ROLES = [
  ['student', 'is a student'],
  ['assistant', 'is an assistant'],
  ['instructor', 'is an instructor'],
] as const;

interface Props {
  person: Person;
  data: PeopleData;
  control: PeopleControl;
}

/** What can be done about somebody: what can't be undone asks for the name. */
export function PersonActions({ person: p, data, control }: Props) {
  const [erasing, setErasing] = useState(false);
  const [typed, setTyped] = useState('');
  const [slipping, setSlipping] = useState(false);
  const keeps = data.mayKeep && !data.putAway;
  const isStudent = p.role === 'student';
  const isLast =
    p.role === 'instructor' && data.people.filter((o) => o.role === 'instructor').length === 1;
  const maySlip = !data.putAway && (isStudent || (data.mayKeep && p.role === 'assistant'));
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      {keeps && isStudent && data.groups.length > 0 && (
        <Select
          label={`Group of ${p.name}`}
          size="small"
          value={p.group ?? ''}
          options={[['', 'no group'] as const, ...data.groups.map((g) => [g.id, g.name] as const)]}
          onChange={(g) => void control.change(() => api.setGroup(data.id, p.id, g || null))}
        />
      )}
      {keeps && !isLast && (
        <Select
          label={`What ${p.name} is`}
          size="small"
          value={p.role}
          options={ROLES}
          onChange={(r) => void control.change(() => api.setRole(data.id, p.id, r as Role))}
        />
      )}
      {maySlip && (
        <Button
          size="small"
          title="The slip lets them choose a new password"
          onClick={() => setSlipping(true)}
        >
          New slip
        </Button>
      )}
      {isStudent && (
        <Link
          className="inline-flex h-[26px] items-center rounded-ctl border border-ctl bg-sheet px-2.5 text-[13px] font-medium hover:bg-shoal1"
          to={`/classes/${data.id}/students/${p.id}`}
        >
          Their term
        </Link>
      )}
      {data.mayKeep && isStudent && (
        <a
          className="inline-flex h-[26px] items-center rounded-ctl border border-ctl bg-sheet px-2.5 text-[13px] font-medium hover:bg-shoal1"
          href={api.everythingOf(data.id, p.id)}
          download
        >
          Everything as a zip
        </a>
      )}
      {keeps && isStudent && (
        <Button
          size="small"
          onClick={() => void control.change(() => api.putPersonAway(data.id, p.id, !p.putAway))}
        >
          {p.putAway ? 'Bring back' : 'Put away'}
        </Button>
      )}
      {keeps && !isStudent && !isLast && (
        <Button size="small" onClick={() => void control.change(() => api.takeOut(data.id, p.id))}>
          Take out
        </Button>
      )}
      {data.mayKeep && isStudent && (
        <Button size="small" onClick={() => setErasing(true)}>
          Erase for good
        </Button>
      )}
      <SlipDialog
        people={[p]}
        data={data}
        control={control}
        open={slipping}
        onClose={() => setSlipping(false)}
      />
      <Dialog title={`Erase ${p.name}`} open={erasing} onClose={() => setErasing(false)}>
        <form
          className="space-y-4"
          onSubmit={(e) => {
            e.preventDefault();
            void control
              .change(() => api.erase(data.id, p.id, typed))
              .then((done) => done && setErasing(false));
          }}
        >
          <p>
            All that {p.name} has done in your classes goes for good: what was cut and handed in,
            your answers, files. Fetch everything as a zip first if it may be wanted.
          </p>
          <label className="block">
            <span className="text-[13px] text-ink2">Type the whole name: {p.name}</span>
            <input
              aria-label="The whole name"
              value={typed}
              autoComplete="off"
              className="mt-1 h-8 w-full rounded-ctl border border-ctl bg-sheet px-2.5"
              onChange={(e) => setTyped(e.target.value)}
            />
          </label>
          {control.problem && <p role="alert">{control.problem}</p>}
          <div className="flex gap-2">
            <Button
              type="submit"
              disabled={typed.trim() !== p.name}
              title={typed.trim() === p.name ? undefined : 'Type the name as it stands there'}
            >
              Erase for good
            </Button>
            <Button look="main" onClick={() => setErasing(false)}>
              Keep
            </Button>
          </div>
        </form>
      </Dialog>
    </div>
  );
}
