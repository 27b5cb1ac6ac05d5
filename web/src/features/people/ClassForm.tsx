import { useState } from 'react';
import { asProblem, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { FieldRow } from '../../ui/fields';
import { Select } from '../../ui/Select';
import { Refusal, TextField } from '../../ui/TextField';
import { TwoWay } from '../../ui/TwoWay';

export type ClassInfo = Schemas['ClassRequest'];

const UNITS = ['mm', 'cm', 'm', 'in'].map((u) => [u, u] as const);
const ZONES = Intl.supportedValuesOf('timeZone').map((z) => [z, z.replace(/_/g, ' ')] as const);

/** A class before anybody said anything of it. */
export const NEW_CLASS: ClassInfo = {
  name: '',
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  unit: 'mm',
  up: 'Z',
  firstDay: null,
  lastDay: null,
};

interface Props {
  begin: ClassInfo;
  does: string;
  onSave: (info: ClassInfo) => Promise<void>;
}

/** What a class is: its name, by what clock it lives, what is proposed for new exercises. */
export function ClassForm({ begin, does, onSave }: Props) {
  const [info, setInfo] = useState(begin);
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const put = (more: Partial<ClassInfo>) => setInfo({ ...info, ...more });
  const zones = ZONES.some(([z]) => z === info.zone)
    ? ZONES
    : [[info.zone, info.zone] as const, ...ZONES];
  const save = async () => {
    setBusy(true);
    setProblem('');
    try {
      await onSave(info);
    } catch (e) {
      setProblem(asProblem(e).message);
      setBusy(false);
    }
  };
  return (
    <form
      className="space-y-4"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <TextField
        label="Name of the class"
        value={info.name}
        onChange={(name) => put({ name })}
        placeholder="Harbour Props, autumn"
        autoFocus
      />
      <label className="block">
        <span className="text-[13px] text-ink2">Time zone, for everything that is due</span>
        <Select
          label="Time zone"
          value={info.zone}
          options={zones}
          onChange={(zone) => put({ zone })}
          className="mt-1 w-full"
        />
      </label>
      <div className="grid grid-cols-2 gap-4">
        <TextField
          label="First day"
          type="date"
          value={info.firstDay ?? ''}
          onChange={(day) => put({ firstDay: day || null })}
        />
        <TextField
          label="Last day"
          type="date"
          value={info.lastDay ?? ''}
          onChange={(day) => put({ lastDay: day || null })}
        />
      </div>
      <p className="text-[13px] text-ink2">
        After the last day nobody joins by the code; nothing else ends.
      </p>
      <FieldRow name="Unit of new exercises">
        <Select label="Unit" value={info.unit} options={UNITS} onChange={(unit) => put({ unit })} />
      </FieldRow>
      <FieldRow name="What points upwards in them">
        <TwoWay
          label="What points upwards"
          value={info.up}
          options={[
            { value: 'Z', name: 'Z' },
            { value: 'Y', name: 'Y' },
          ]}
          onChange={(up) => put({ up })}
        />
      </FieldRow>
      {problem && <Refusal>{problem}</Refusal>}
      <Button
        type="submit"
        look="main"
        size="tall"
        disabled={busy || !info.name.trim()}
        title={info.name.trim() ? undefined : 'Give the class a name first'}
      >
        {does}
      </Button>
    </form>
  );
}
