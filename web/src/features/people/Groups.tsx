import { useState } from 'react';
import { api } from '../../api/client';
import { Button } from '../../ui/Button';
import { Refusal } from '../../ui/TextField';
import { counted } from '../../ui/time';
import type { Group, PeopleControl, PeopleData } from './usePeople';

interface Props {
  data: PeopleData;
  control: PeopleControl;
}

/** The groups of a class: each named anew or dissolved, and another one made. */
export function Groups({ data, control }: Props) {
  const [name, setName] = useState('');
  return (
    <div className="space-y-4">
      {control.problem && <Refusal>{control.problem}</Refusal>}
      {data.groups.length > 0 && (
        <ul className="border-t border-rule">
          {data.groups.map((g) => (
            <OneGroup key={g.id} group={g} data={data} control={control} />
          ))}
        </ul>
      )}
      <form
        className="flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void control
            .change(() => api.addGroup(data.id, name))
            .then((done) => done && setName(''));
        }}
      >
        <NameField label="Name of the group" value={name} onChange={setName} />
        <Button
          type="submit"
          look="main"
          disabled={!name.trim()}
          title={name.trim() ? undefined : 'Type a name first'}
        >
          Make the group
        </Button>
      </form>
    </div>
  );
}

function OneGroup({ group, data, control }: { group: Group } & Props) {
  const [name, setName] = useState(group.name);
  const [asked, setAsked] = useState(false);
  const members = data.people.filter((p) => p.group === group.id).length;
  const changed = name.trim() !== '' && name.trim() !== group.name;
  return (
    <li className="border-b border-rule py-2">
      <form
        className="flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void control.change(() => api.renameGroup(data.id, group.id, name));
        }}
      >
        <NameField label={`Name of ${group.name}`} value={name} onChange={setName} />
        <Button
          type="submit"
          disabled={!changed}
          title={changed ? undefined : 'Change the name first'}
        >
          Rename
        </Button>
        <Button onClick={() => setAsked(!asked)} aria-expanded={asked}>
          Dissolve
        </Button>
      </form>
      {asked && (
        <p className="mt-2 flex items-center gap-3 text-[13px]">
          <span className="flex-1">
            {members === 0
              ? 'Nobody is in it.'
              : `${counted(members, 'student')} will be in no group. Nobody leaves the class.`}
          </span>
          <Button
            size="small"
            onClick={() => void control.change(() => api.removeGroup(data.id, group.id))}
          >
            Dissolve {group.name}
          </Button>
        </p>
      )}
    </li>
  );
}

function NameField(props: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <input
      aria-label={props.label}
      placeholder="Another group"
      maxLength={60}
      value={props.value}
      className="h-8 min-w-0 flex-1 rounded-ctl border border-ctl bg-sheet px-2.5"
      onChange={(e) => props.onChange(e.target.value)}
    />
  );
}
