import { useMemo, useRef, useState } from 'react';
import { api } from '../../api/client';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Empty, Failure, Loading } from '../../ui/States';
import { counted, seenText } from '../../ui/time';
import { Refusal } from '../../ui/TextField';
import { useAddressed } from '../../ui/useAddressed';
import { Audit } from './Audit';
import { ClassForm } from './ClassForm';
import { Groups } from './Groups';
import { JoinCode, Way } from './JoinCode';
import { MailTrouble } from './MailTrouble';
import { OneByOne } from './OneByOne';
import { PersonActions } from './PersonActions';
import { RosterPanel } from './RosterPanel';
import { SlipDialog } from './SlipDialog';
import { usePeople, type PeopleControl, type PeopleData, type Person } from './usePeople';

/** Who is in a class, and the three ways in. */
export function People({ course }: { course: string }) {
  const control = usePeople(course);
  const { people } = control;
  if (people.error && !people.data) {
    return <Failure error={people.error} onRetry={() => void people.refetch()} />;
  }
  if (!people.data) return <Loading stage="Looking up who is in the class" />;
  return <OpenPeople data={people.data} control={control} />;
}

function OpenPeople({ data, control }: { data: PeopleData; control: PeopleControl }) {
  const [asked, setGroup] = useAddressed('group');
  // A group that was dissolved may still stand in somebody's address.
  const group = data.groups.some((g) => g.id === asked) ? asked : null;
  const [open, setOpen] = useState<string | null>(null);
  const [roster, setRoster] = useState(false);
  const [dialog, setDialog] = useState<'class' | 'group' | 'audit' | 'slips' | null>(null);
  const [away, setAway] = useState(false);
  const students = data.people.filter((p) => p.role === 'student');
  const shown = useMemo(
    () =>
      students.filter(
        (p) => p.putAway === away && (group === null || (p.group ?? 'none') === group),
      ),
    [students, away, group],
  );
  const here = students.filter((p) => !p.putAway);
  const others = data.people.filter((p) => p.role !== 'student');
  const withSlip = here.filter((p) => p.slipUntil !== null || p.seenAt === null);
  const mayChange = data.mayKeep && !data.putAway;
  const newcomers = here.filter((p) => p.isNew).length;

  return (
    <div className="flex h-full flex-col max-lg:h-auto">
      <header className="flex min-h-[54px] flex-wrap items-center gap-x-4 gap-y-2 border-b border-ink px-4 py-2">
        <h1 className="text-[22px] leading-7 font-semibold">People</h1>
        <span className="text-ink2">
          {counted(here.length, 'student')}
          {others.map((p) => `, ${p.role} ${p.name}`).join('')}
        </span>
        <GroupFilter data={data} here={here} group={group} onGroup={setGroup} />
        {mayChange && (
          <Button size="small" onClick={() => setDialog('group')}>
            Groups
          </Button>
        )}
        <span className="ml-auto flex gap-1.5">
          {data.mayKeep && (
            <>
              <Button size="small" onClick={() => setDialog('audit')}>
                What was done
              </Button>
              <Button size="small" onClick={() => setDialog('class')}>
                The class
              </Button>
            </>
          )}
          {!data.putAway && (
            <Button
              size="small"
              disabled={withSlip.length === 0}
              title={withSlip.length ? undefined : 'Everybody has signed in already'}
              onClick={() => setDialog('slips')}
            >
              Slips
            </Button>
          )}
        </span>
      </header>
      {data.putAway && (
        <p className="border-b border-dashed border-ink bg-shoal1 px-4 py-1.5" role="status">
          <b className="font-semibold">This class is put away.</b> It can be read, and nothing in it
          changes.
        </p>
      )}
      <MailTrouble course={data.id} />
      <SlipDialog
        people={withSlip}
        data={data}
        control={control}
        open={dialog === 'slips'}
        onClose={() => setDialog(null)}
      />
      {control.problem && (
        <div className="px-4 pt-3">
          <Refusal>{control.problem}</Refusal>
        </div>
      )}
      <div className="flex min-h-0 flex-1 max-lg:flex-col">
        <div className="flex min-h-0 w-[576px] shrink-0 flex-col border-r border-ink max-lg:w-full max-lg:border-r-0">
          {mayChange && (
            <div className="grid grid-cols-[246px_1fr] divide-x divide-rule border-b border-ink max-sm:grid-cols-1 max-sm:divide-x-0">
              <JoinCode data={data} control={control} />
              <OneByOne data={data} control={control} />
            </div>
          )}
          {newcomers > 0 && mayChange && (
            <p className="flex items-center gap-3 border-b border-rule bg-shoal1 px-4 py-1.5">
              <span className="flex-1">
                {counted(newcomers, 'newcomer')} came by the join code: are they yours?
              </span>
              <Button
                size="small"
                onClick={() => void control.change(() => api.lookedAtPeople(data.id))}
              >
                All are
              </Button>
            </p>
          )}
          <Roster
            people={shown}
            data={data}
            control={control}
            open={open}
            onOpen={setOpen}
            mayChange={mayChange}
          />
          <p className="border-t border-rule px-4 py-2 text-[13px] text-ink2">
            {students.length - here.length > 0 &&
              `${counted(students.length - here.length, 'student')} put away, work kept. `}
            {students.length - here.length > 0 && (
              <button type="button" className="underline" onClick={() => setAway(!away)}>
                {away ? 'Show who is here' : 'Show them'}
              </button>
            )}
          </p>
        </div>
        {mayChange &&
          (roster ? (
            <RosterPanel data={data} control={control} onClose={() => setRoster(false)} />
          ) : (
            <div className="flex-1">
              <Way title="Roster file" about="a whole class at once">
                <p className="max-w-md text-ink2">
                  A table saved as CSV: you see what would come of it, line by line, before anything
                  is written. Everybody new gets a sign-in slip, eight to a page.
                </p>
                <Button size="small" onClick={() => setRoster(true)}>
                  Bring a roster
                </Button>
              </Way>
              <Staff others={others} data={data} control={control} />
            </div>
          ))}
      </div>
      <Dialog title="The class" open={dialog === 'class'} onClose={() => setDialog(null)}>
        <ClassSettings data={data} control={control} onDone={() => setDialog(null)} />
      </Dialog>
      <Dialog title="Groups" open={dialog === 'group'} onClose={() => setDialog(null)}>
        <Groups data={data} control={control} />
      </Dialog>
      <Dialog title="What was done" open={dialog === 'audit'} onClose={() => setDialog(null)}>
        <Audit course={data.id} />
      </Dialog>
    </div>
  );
}

function GroupFilter(props: {
  data: PeopleData;
  here: readonly Person[];
  group: string | null;
  onGroup: (group: string | null) => void;
}) {
  const { data, here, group } = props;
  if (data.groups.length === 0) return null;
  const item = (key: string | null, name: string, count: number) => (
    <button
      key={key ?? 'all'}
      type="button"
      aria-pressed={group === key}
      className={`h-[26px] border-r border-ctl px-2.5 text-[13px] last:border-r-0 ${group === key ? 'bg-shoal2 font-semibold' : 'bg-sheet hover:bg-shoal1'}`}
      onClick={() => props.onGroup(key)}
    >
      {name} {count}
    </button>
  );
  return (
    <span
      className="flex overflow-hidden rounded-ctl border border-ctl"
      role="group"
      aria-label="Groups"
    >
      {item(null, 'All', here.length)}
      {data.groups.map((g) => item(g.id, g.name, here.filter((p) => p.group === g.id).length))}
    </span>
  );
}

const CAME: Record<string, string> = {
  'join-code': 'join code',
  roster: 'roster file',
  'one-by-one': 'one by one',
  founder: 'made the class',
};

function Roster(props: {
  people: readonly Person[];
  data: PeopleData;
  control: PeopleControl;
  open: string | null;
  onOpen: (id: string | null) => void;
  mayChange: boolean;
}) {
  const { people, data, open } = props;
  const list = useRef<HTMLDivElement>(null);
  if (people.length === 0) {
    return (
      <Empty title="Nobody is here yet.">
        {props.mayChange
          ? 'Make a join code, bring a roster file, or take somebody in by name.'
          : 'The instructor brings students in.'}
      </Empty>
    );
  }
  return (
    <div ref={list} className="thin-scroll min-h-0 flex-1 overflow-y-auto">
      <table className="condensed w-full border-collapse">
        <thead>
          <tr className="sticky top-0 bg-paper text-left text-[13px] text-ink2">
            <th className="px-4 py-1 font-normal">Name</th>
            <th className="px-2 font-normal">Group</th>
            <th className="px-2 font-normal max-sm:hidden">Came by</th>
            <th className="px-2 font-normal">Last here</th>
          </tr>
        </thead>
        <tbody>
          {people.map((p) => {
            const isOpen = p.id === open;
            return [
              <tr
                key={p.id}
                data-person={p.signIn}
                className={`h-7 border-t border-rule ${isOpen ? 'bg-shoal1' : 'hover:bg-shoal1'}`}
              >
                <td
                  className={`border-l-[3px] px-[13px] ${isOpen ? 'border-ink' : 'border-transparent'}`}
                >
                  <button
                    type="button"
                    aria-expanded={isOpen}
                    className="w-full text-left font-medium"
                    onClick={() => props.onOpen(isOpen ? null : p.id)}
                  >
                    {p.name}
                    {p.isNew && <span className="ml-2 font-normal text-ink2">newcomer</span>}
                  </button>
                </td>
                <td className="px-2">{data.groups.find((g) => g.id === p.group)?.name}</td>
                <td className="px-2 max-sm:hidden">{CAME[p.cameBy]}</td>
                <td className="px-2">
                  {p.seenAt ? seenText(p.seenAt) : ''}
                  {p.slipUntil && (
                    <b className="font-semibold">{p.seenAt ? ', slip open' : 'never, slip open'}</b>
                  )}
                  {!p.seenAt && !p.slipUntil && 'never'}
                </td>
              </tr>,
              isOpen && (
                <tr key={`${p.id} open`} className="bg-shoal1">
                  <td colSpan={4} className="border-l-[3px] border-ink px-[13px] pb-2">
                    <PersonActions person={p} data={data} control={props.control} />
                  </td>
                </tr>
              ),
            ];
          })}
        </tbody>
      </table>
    </div>
  );
}

function Staff(props: { others: readonly Person[]; data: PeopleData; control: PeopleControl }) {
  return (
    <section aria-label="Who teaches" className="border-t border-rule px-4 py-3">
      <h2 className="text-[15px] font-semibold">Who teaches</h2>
      <ul className="mt-1 max-w-lg">
        {props.others.map((p) => (
          <li key={p.id} className="border-b border-rule py-2">
            <p className="mb-1.5">
              <span className="font-medium">{p.name}</span>
              <span className="ml-2 text-ink2">{p.role}</span>
            </p>
            <PersonActions person={p} data={props.data} control={props.control} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function ClassSettings(props: { data: PeopleData; control: PeopleControl; onDone: () => void }) {
  const { data, control } = props;
  return (
    <div className="space-y-5">
      {!data.putAway && (
        <ClassForm
          begin={data.info}
          does="Save"
          onSave={async (info) => {
            await api.setClass(data.id, info);
            await control.change(() => Promise.resolve());
            props.onDone();
          }}
        />
      )}
      <div className="flex gap-2 border-t border-rule pt-4">
        <Button
          onClick={() =>
            void control
              .change(() => api.putClassAway(data.id, !data.putAway))
              .then(() => props.onDone())
          }
        >
          {data.putAway ? 'Bring the class back' : 'Put the class away'}
        </Button>
        <span className="flex-1 text-[13px] text-ink2">
          {data.putAway
            ? 'Then it can be worked in again.'
            : 'It stays readable, is off the desk, and can be brought back.'}
        </span>
      </div>
    </div>
  );
}
