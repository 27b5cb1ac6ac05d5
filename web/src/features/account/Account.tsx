import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';
import { Failure, Loading } from '../../ui/States';
import { Refusal, TextField } from '../../ui/TextField';
import { MailSwitches } from './MailSwitches';

const ZONES = [
  ['', 'as this browser says'] as const,
  ...Intl.supportedValuesOf('timeZone').map((z) => [z, z.replace(/_/g, ' ')] as const),
];

/** One's own account. */
export function Account() {
  const account = useQuery(queries.account());
  if (account.error) {
    return <Failure error={account.error} onRetry={() => void account.refetch()} />;
  }
  if (!account.data) return <Loading stage="Looking up your account" />;
  return (
    <div className="mx-auto max-w-[520px] space-y-8 px-5 pt-5 pb-10">
      <h1 className="border-b border-ink pb-3.5 text-[22px] leading-7 font-semibold">
        Your account
      </h1>
      <Self self={account.data} />
      <MailSwitches hasAddress={account.data.address !== null} />
      <Password />
      <section className="space-y-3">
        <h2 className="text-[16px] font-semibold">Elsewhere</h2>
        <Deed
          name="Sign out everywhere else"
          done="Signed out everywhere else"
          work={api.endOtherSessions}
        />
      </section>
      <section className="space-y-3">
        <h2 className="text-[16px] font-semibold">Your work</h2>
        <p className="text-ink2">
          All that you cut and handed in, and the answers to it: meshes as OBJ, steps as JSON,
          tables as CSV, in one zip.
        </p>
        <a
          className="inline-flex h-8 items-center rounded-ctl border border-ctl bg-sheet px-3 font-medium hover:bg-shoal1"
          href={api.ownWork}
          download
        >
          Fetch everything
        </a>
      </section>
    </div>
  );
}

function useDeed() {
  const [problem, setProblem] = useState('');
  const [done, setDone] = useState(false);
  const run = async (work: () => Promise<unknown>) => {
    setProblem('');
    setDone(false);
    try {
      await work();
      setDone(true);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  return { problem, done, run };
}

function Self({ self }: { self: Schemas['SelfView'] }) {
  const [name, setName] = useState(self.name);
  const [address, setAddress] = useState(self.address ?? '');
  const [zone, setZone] = useState(self.zone ?? '');
  const { problem, done, run } = useDeed();
  const client = useQueryClient();
  return (
    <form
      className="space-y-4"
      onSubmit={(e) => {
        e.preventDefault();
        void run(async () => {
          await api.setAccount({ name, address: address || null, zone: zone || null });
          await client.invalidateQueries({ queryKey: ['me'] });
          await client.invalidateQueries({ queryKey: ['account'] });
        });
      }}
    >
      <p className="text-ink2">
        You sign in as <b className="font-semibold text-ink">{self.signIn}</b>.
      </p>
      <TextField label="Name" value={name} onChange={setName} autoComplete="name" />
      <TextField
        label="Mail address"
        type="email"
        value={address}
        onChange={setAddress}
        autoComplete="email"
        hint="Your instructors see it; nobody else does."
      />
      <label className="block">
        <span className="text-[13px] text-ink2">Your time zone</span>
        <Select
          label="Your time zone"
          value={zone}
          options={ZONES}
          onChange={setZone}
          className="mt-1 w-full"
        />
      </label>
      {problem && <Refusal>{problem}</Refusal>}
      <span className="flex items-center gap-3">
        <Button
          type="submit"
          look="main"
          disabled={!name.trim()}
          title={name.trim() ? undefined : 'A name is needed'}
        >
          Save
        </Button>
        <span role="status" className="text-ink2">
          {done && 'Saved'}
        </span>
      </span>
    </form>
  );
}

function Password() {
  const [old, setOld] = useState('');
  const [next, setNext] = useState('');
  const { problem, done, run } = useDeed();
  return (
    <form
      className="space-y-4"
      onSubmit={(e) => {
        e.preventDefault();
        void run(async () => {
          await api.setPassword(old, next);
          setOld('');
          setNext('');
        });
      }}
    >
      <h2 className="text-[16px] font-semibold">Password</h2>
      <TextField
        label="The old one"
        type="password"
        value={old}
        onChange={setOld}
        autoComplete="current-password"
      />
      <TextField
        label="A new one"
        type="password"
        value={next}
        onChange={setNext}
        autoComplete="new-password"
        hint="At least 10 letters: a few words that you remember."
      />
      {problem && <Refusal>{problem}</Refusal>}
      <span className="flex items-center gap-3">
        <Button
          type="submit"
          disabled={!old || !next}
          title={old && next ? undefined : 'Type both first'}
        >
          Change the password
        </Button>
        <span role="status" className="text-ink2">
          {done && 'Changed; you are signed out everywhere else'}
        </span>
      </span>
    </form>
  );
}

function Deed(props: { name: string; done: string; work: () => Promise<unknown> }) {
  const { problem, done, run } = useDeed();
  return (
    <span className="flex items-center gap-3">
      <Button onClick={() => void run(props.work)}>{props.name}</Button>
      <span role="status" className="text-ink2">
        {done && props.done}
      </span>
      {problem && <Refusal>{problem}</Refusal>}
    </span>
  );
}
