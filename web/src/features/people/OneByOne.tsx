import { useState } from 'react';
import { api, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Select } from '../../ui/Select';
import { whenText } from '../../ui/time';
import { Way } from './JoinCode';
import type { PeopleControl, PeopleData } from './usePeople';

type Role = Schemas['PersonRequest']['role'];

const ROLES = [
  ['student', 'Student'],
  ['assistant', 'Assistant'],
  ['instructor', 'Instructor'],
] as const;

/** Somebody is taken in by name; the slip is shown this once. */
export function OneByOne({ data, control }: { data: PeopleData; control: PeopleControl }) {
  const [name, setName] = useState('');
  const [address, setAddress] = useState('');
  const [group, setGroup] = useState('');
  const [role, setRole] = useState<Role>('student');
  const [slip, setSlip] = useState<Schemas['Slip'] | null>(null);
  const make = async () => {
    const done = await control.change(async () => {
      setSlip(
        await api.takeIn(data.id, {
          name,
          address: address || null,
          group: role === 'student' && group ? group : null,
          role,
        }),
      );
    });
    if (done) {
      setName('');
      setAddress('');
    }
  };
  return (
    <Way title="One by one" about="with a sign-in slip">
      <form
        className="flex flex-wrap gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void make();
        }}
      >
        <input
          aria-label="Name"
          placeholder="Name"
          value={name}
          className="h-[26px] min-w-0 flex-1 basis-[130px] rounded-ctl border border-ctl bg-sheet px-2"
          onChange={(e) => setName(e.target.value)}
        />
        <input
          aria-label="Mail address"
          placeholder="Mail address, if any"
          value={address}
          className="h-[26px] min-w-0 flex-1 basis-[130px] rounded-ctl border border-ctl bg-sheet px-2"
          onChange={(e) => setAddress(e.target.value)}
        />
        <span className="flex min-w-0 basis-full gap-2">
          <Select
            label="As what"
            size="small"
            value={role}
            options={ROLES}
            onChange={(r) => setRole(r as Role)}
          />
          {role === 'student' && data.groups.length > 0 && (
            <Select
              label="Group"
              size="small"
              className="min-w-0"
              value={group}
              options={[
                ['', 'no group'] as const,
                ...data.groups.map((g) => [g.id, g.name] as const),
              ]}
              onChange={setGroup}
            />
          )}
          <Button
            type="submit"
            size="small"
            className="ml-auto"
            disabled={!name.trim()}
            title={name.trim() ? undefined : 'Type a name first'}
          >
            Make a slip
          </Button>
        </span>
      </form>
      <Dialog title="Sign-in slip" open={slip !== null} onClose={() => setSlip(null)}>
        {slip && <SlipText slip={slip} />}
      </Dialog>
    </Way>
  );
}

function SlipText({ slip }: { slip: Schemas['Slip'] }) {
  return (
    <div className="space-y-3">
      <p>
        {slip.name} opens <b className="font-semibold">{window.location.origin}/slip</b>, types this
        code and chooses a password:
      </p>
      <p className="text-[22px] font-semibold" data-testid="slip-code">
        {slip.code}
      </p>
      <p className="text-ink2">
        Signs in as {slip.signIn}. Good once, until {whenText(slip.until)}. It is not shown again: a
        new slip takes its place.
      </p>
    </div>
  );
}
