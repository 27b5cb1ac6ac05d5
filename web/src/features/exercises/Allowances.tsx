import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';
import { Refusal } from '../../ui/TextField';
import { counted } from '../../ui/time';
import { TimeField } from './TimeField';

type Allowance = Schemas['Allowance'];
type Asked = Schemas['AllowanceRequest'];

/** Who has more time, more attempts, or is excused. */
export function Allowances({ assignment, course }: { assignment: string; course: string }) {
  const given = useQuery(queries.allowances(assignment));
  const people = useQuery(queries.people(course));
  const client = useQueryClient();
  const [problem, setProblem] = useState('');
  const [open, setOpen] = useState(false);
  const allow = async (asked: Asked) => {
    setProblem('');
    try {
      const now = await api.allow(assignment, asked);
      client.setQueryData(queries.allowances(assignment).queryKey, now);
      setOpen(false);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  const nameOf = (a: Allowance) =>
    a.account
      ? (people.data?.people.find((p) => p.id === a.account)?.name ?? 'Somebody')
      : `Group ${people.data?.groups.find((g) => g.id === a.group)?.name ?? ''}`;
  return (
    <div className="mt-4 border-t border-rule pt-3">
      <div className="flex items-center gap-3">
        <h4 className="font-semibold">Beyond that</h4>
        <span className="text-ink2">
          {given.data?.length ? '' : 'nobody has more time or more attempts'}
        </span>
        <Button size="small" className="ml-auto" onClick={() => setOpen(!open)}>
          {open ? 'Leave it' : 'Allow more'}
        </Button>
      </div>
      <ul className="condensed mt-1">
        {given.data?.map((a) => (
          <li key={a.id} className="flex items-center gap-3 border-t border-rule py-1">
            <b className="font-semibold">{nameOf(a)}</b>
            <span className="flex-1 text-ink2">{said(a)}</span>
            <Button
              size="small"
              onClick={() =>
                void allow({
                  student: a.account,
                  group: a.group,
                  due: null,
                  attempts: null,
                  excused: false,
                })
              }
            >
              As set again
            </Button>
          </li>
        ))}
      </ul>
      {open && people.data && <More people={people.data} onAllow={(asked) => void allow(asked)} />}
      {problem && <Refusal>{problem}</Refusal>}
    </div>
  );
}

function said(a: Allowance): string {
  return [
    a.due && `due ${a.due.slice(0, 16).replace('T', ', ')}`,
    a.attempts && `${counted(a.attempts, 'attempt')} more`,
    a.excused && 'excused',
  ]
    .filter(Boolean)
    .join('; ');
}

function More(props: { people: Schemas['PeopleView']; onAllow: (asked: Asked) => void }) {
  const { people } = props;
  const students = people.people.filter((p) => p.role === 'student' && !p.putAway);
  const [whom, setWhom] = useState('');
  const [due, setDue] = useState<string | null>(null);
  const [attempts, setAttempts] = useState('0');
  const [excused, setExcused] = useState(false);
  const isGroup = people.groups.some((g) => g.id === whom);
  const more = Number(attempts);
  const says = due !== null || more > 0 || excused;
  return (
    <div className="mt-2 grid grid-cols-[repeat(auto-fit,minmax(190px,1fr))] items-end gap-x-5 gap-y-3">
      <label>
        <span className="text-[13px] text-ink2">For</span>
        <Select
          label="For whom"
          value={whom}
          className="mt-1 w-full"
          options={[
            ['', 'choose whom'] as const,
            ...people.groups.map((g) => [g.id, `all of ${g.name}`] as const),
            ...students.map((p) => [p.id, p.name] as const),
          ]}
          onChange={setWhom}
        />
      </label>
      <TimeField label="Until" about="empty: as set" value={due} onChange={setDue} />
      <label>
        <span className="text-[13px] text-ink2">Attempts more</span>
        <Select
          label="Attempts more"
          value={attempts}
          className="mt-1 w-full"
          options={['0', '1', '2', '3', '5'].map((n) => [n, n === '0' ? 'none' : n] as const)}
          onChange={setAttempts}
        />
      </label>
      <label className="flex h-8 items-center gap-2">
        <input
          type="checkbox"
          className="accent-[var(--ink)]"
          checked={excused}
          onChange={(e) => setExcused(e.target.checked)}
        />
        Excused
      </label>
      <Button
        disabled={!whom || !says}
        title={!whom ? 'Choose whom first' : says ? undefined : 'Say what they have more'}
        onClick={() =>
          props.onAllow({
            student: isGroup ? null : whom,
            group: isGroup ? whom : null,
            due,
            attempts: more > 0 ? more : null,
            excused,
          })
        }
      >
        Allow it
      </Button>
    </div>
  );
}
