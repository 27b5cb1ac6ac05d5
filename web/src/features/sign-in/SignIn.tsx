import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, Navigate, useLocation } from 'react-router';
import { api, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';
import { TextField } from '../../ui/TextField';
import { Entry } from './Entry';
import { Going } from './Going';
import { useEntering } from './useEntering';

export function SignIn() {
  const [signIn, setSignIn] = useState('');
  const [password, setPassword] = useState('');
  const entering = useEntering();
  const state = useLocation().state as { from?: string } | null;
  const { data: people } = useQuery(queries.demoPeople());
  const { data: session } = useQuery(queries.session());
  const to = state?.from ?? '/';

  if (session?.setUp) return <Navigate to="/set-up" replace />;
  return (
    <Entry
      about="Cut polygon meshes, have them read with care."
      onSubmit={() => void entering.enter(() => api.signIn(signIn, password), to)}
      aside={
        people &&
        people.length > 0 && (
          <Demo
            people={people}
            onEnter={(p) => void entering.enter(() => api.signIn(p.signIn, p.password), to)}
          />
        )
      }
    >
      <TextField label="Sign-in" value={signIn} onChange={setSignIn} autoComplete="username" />
      <TextField
        label="Password"
        type="password"
        value={password}
        onChange={setPassword}
        autoComplete="current-password"
      />
      <Going
        entering={entering}
        missing={signIn && password ? null : 'Type your sign-in and password first'}
      >
        Sign in
      </Going>
      <p className="border-t border-rule pt-4 text-ink2">
        New here?{' '}
        <Link className="font-medium text-ink underline" to="/slip">
          Use a sign-in slip
        </Link>{' '}
        or{' '}
        <Link className="font-medium text-ink underline" to="/join">
          join a class by its code
        </Link>
        .
      </p>
    </Entry>
  );
}

/** So many have a row of their own; the rest is in a list. */
const SHOWN = 8;

function Demo(props: {
  people: readonly Schemas['Person'][];
  onEnter: (person: Schemas['Person']) => void;
}) {
  const { people } = props;
  const shown = people.slice(0, SHOWN);
  const others = people.slice(SHOWN);
  return (
    <div className="relative w-full max-w-md border border-ink bg-sheet">
      <h2 className="border-b border-ink px-5 py-3 text-[16px] font-semibold">
        Harbour Props, a class to try it with
      </h2>
      <ul>
        {shown.map((p) => (
          <Person key={p.signIn} person={p} onEnter={() => props.onEnter(p)} />
        ))}
      </ul>
      {others.length > 0 && (
        <p className="flex items-center gap-3 border-b border-rule px-5 py-2.5">
          <span className="flex-1 text-[13px] text-ink2">or as anybody else</span>
          <Select
            label="Sign in as anybody else"
            size="small"
            value=""
            options={[
              ['', `${others.length} more`] as const,
              ...others.map((p) => [p.signIn, `${p.name}, ${p.role}`] as const),
            ]}
            onChange={(signIn) => {
              const chosen = others.find((p) => p.signIn === signIn);
              if (chosen) props.onEnter(chosen);
            }}
          />
        </p>
      )}
      <p className="px-5 py-3 text-[13px] text-ink2">
        The password of all is <b className="font-semibold text-ink">{people[0]!.password}</b>.
      </p>
    </div>
  );
}

function Person({ person, onEnter }: { person: Schemas['Person']; onEnter: () => void }) {
  const role = person.role[0]!.toUpperCase() + person.role.slice(1);
  return (
    <li className="flex items-center gap-3 border-b border-rule px-5 py-2.5">
      <div className="min-w-0 flex-1">
        <p className="text-[15px] font-semibold">{person.name}</p>
        <p className="text-[13px] text-ink2">
          {role}, signs in as {person.signIn}
        </p>
      </div>
      <Button size="small" onClick={onEnter}>
        Sign in as {person.name.split(' ')[0]}
      </Button>
    </li>
  );
}
