import { useState } from 'react';
import { api } from '../../api/client';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { dayText } from '../../ui/time';
import { TextField } from '../../ui/TextField';
import type { PeopleControl, PeopleData } from './usePeople';

interface Props {
  data: PeopleData;
  control: PeopleControl;
}

/** The code by which newcomers join; made, renewed and ended here. */
export function JoinCode({ data, control }: Props) {
  const { join } = data;
  const [copied, setCopied] = useState(false);
  const [asking, setAsking] = useState(false);
  const students = data.people.filter((p) => p.role === 'student').length;
  if (asking || !join) {
    return (
      <AskForCode
        first={!join && !asking}
        onCancel={() => setAsking(false)}
        onMake={async (until, most) => {
          const made = await control.change(() => api.renewJoinCode(data.id, { until, most }));
          if (made) setAsking(false);
        }}
      />
    );
  }
  const address = `${window.location.origin}/join/${join.words.replace(/ /g, '-')}`;
  const limits = [
    join.most && `${students} of ${join.most}`,
    join.until && `until ${dayText(join.until)}`,
  ].filter(Boolean);
  return (
    <Way title="Join code" about={limits.join(', ')}>
      <p className="text-[20px] font-semibold" data-testid="join-code">
        {join.words}
      </p>
      <div className="flex flex-wrap gap-1.5">
        <Button
          size="small"
          onClick={() => void navigator.clipboard.writeText(address).then(() => setCopied(true))}
        >
          {copied ? 'Copied' : 'Copy the address'}
        </Button>
        <Button size="small" onClick={() => setAsking(true)}>
          Renew
        </Button>
        <Button size="small" onClick={() => void control.change(() => api.endJoinCode(data.id))}>
          End it
        </Button>
      </div>
    </Way>
  );
}

function AskForCode(props: {
  first: boolean;
  onCancel: () => void;
  onMake: (until: string | null, most: number | null) => Promise<void>;
}) {
  const [open, setOpen] = useState(!props.first);
  const [until, setUntil] = useState('');
  const [most, setMost] = useState(0);
  if (!open) {
    return (
      <Way title="Join code" about="for who comes by themselves">
        <p className="text-ink2">Three words that let newcomers into this class.</p>
        <Button size="small" onClick={() => setOpen(true)}>
          Make a join code
        </Button>
      </Way>
    );
  }
  return (
    <Way title="Join code" about="a new one ends the one before">
      <div className="flex items-end gap-2">
        <TextField label="Good until" type="date" value={until} onChange={setUntil} />
        <label className="block w-24">
          <span className="text-[13px] text-ink2">Students at most</span>
          <NumberField
            label="Students at most"
            value={most}
            unit=""
            digits={0}
            onCommit={setMost}
          />
        </label>
      </div>
      <div className="flex gap-1.5">
        <Button
          size="small"
          onClick={() => void props.onMake(until || null, most > 0 ? most : null)}
        >
          Make the code
        </Button>
        <Button
          size="small"
          onClick={() => {
            setOpen(false);
            props.onCancel();
          }}
        >
          Cancel
        </Button>
      </div>
    </Way>
  );
}

/** One of the ways to bring people in. */
export function Way(props: { title: string; about: string; children: React.ReactNode }) {
  return (
    <section aria-label={props.title} className="space-y-2 px-4 py-3">
      <h2 className="flex items-baseline gap-2 text-[15px] font-semibold whitespace-nowrap">
        {props.title}
        <span className="condensed truncate text-[13px] font-normal text-ink2">{props.about}</span>
      </h2>
      {props.children}
    </section>
  );
}
