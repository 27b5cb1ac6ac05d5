import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { api, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { HouseMark } from '../../ui/Head';

export function SignIn() {
  const [signIn, setSignIn] = useState('');
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const client = useQueryClient();
  const state = useLocation().state as { from?: string } | null;
  const { data: people } = useQuery(queries.demoPeople());
  useQuery(queries.session());

  const enter = async (name: string, secret: string) => {
    setBusy(true);
    setProblem('');
    try {
      await api.signIn(name, secret);
      client.clear();
      void navigate(state?.from ?? '/', { replace: true });
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'This did not work.');
      setBusy(false);
    }
  };
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void enter(signIn, password);
  };
  return (
    <main className="flex h-full max-md:flex-col max-md:overflow-y-auto">
      <section className="flex w-[440px] shrink-0 flex-col justify-center border-r border-ink px-12 py-10 max-md:w-full">
        <h1 className="flex items-center gap-3 text-[22px] leading-7 font-semibold">
          <HouseMark size={32} />
          Fair Edge
        </h1>
        <p className="mt-2 text-ink2">Cut polygon meshes, have them read with care.</p>
        <form className="mt-8 space-y-4" onSubmit={submit}>
          <Field label="Sign-in" value={signIn} onChange={setSignIn} autoComplete="username" />
          <Field
            label="Password"
            type="password"
            value={password}
            onChange={setPassword}
            autoComplete="current-password"
          />
          {problem && (
            <p role="alert" className="border-l-[3px] border-ink bg-shoal1 px-3 py-2">
              {problem}
            </p>
          )}
          <Button
            type="submit"
            look="main"
            size="tall"
            disabled={busy || !signIn || !password}
            title={signIn && password ? undefined : 'Type your sign-in and password first'}
          >
            Sign in
          </Button>
        </form>
      </section>
      <section className="relative flex min-w-0 flex-1 items-center bg-sea px-12 py-10">
        <Chart />
        {people && people.length > 0 && (
          <div className="relative w-full max-w-md border border-ink bg-sheet">
            <h2 className="border-b border-ink px-5 py-3 text-[16px] font-semibold">
              Harbour Props, a class to try it with
            </h2>
            <ul>
              {people.map((p) => (
                <Person
                  key={p.signIn}
                  person={p}
                  onEnter={() => void enter(p.signIn, p.password)}
                />
              ))}
            </ul>
            <p className="px-5 py-3 text-[13px] text-ink2">
              The password of all is <b className="font-semibold text-ink">{people[0]!.password}</b>
              .
            </p>
          </div>
        )}
      </section>
    </main>
  );
}

function Person({ person, onEnter }: { person: Schemas['Person']; onEnter: () => void }) {
  const teaches = person.role === 'instructor';
  return (
    <li className="flex items-center gap-3 border-b border-rule px-5 py-2.5">
      <div className="min-w-0 flex-1">
        <p className="text-[15px] font-semibold">{person.name}</p>
        <p className="text-[13px] text-ink2">
          {teaches ? 'Instructor' : 'Student'}, signs in as {person.signIn}
        </p>
      </div>
      <Button size="small" onClick={onEnter}>
        Sign in as {person.name.split(' ')[0]}
      </Button>
    </li>
  );
}

function Field(props: {
  label: string;
  value: string;
  onChange: (v: string) => void;
  type?: string;
  autoComplete: string;
}) {
  return (
    <label className="block">
      <span className="text-[13px] text-ink2">{props.label}</span>
      <input
        className="mt-1 block h-8 w-full rounded-ctl border border-ctl bg-sheet px-2.5"
        type={props.type ?? 'text'}
        value={props.value}
        autoComplete={props.autoComplete}
        onChange={(e) => props.onChange(e.target.value)}
      />
    </label>
  );
}

/** Depth lines, as round a harbour. */
function Chart() {
  const lines = Array.from({ length: 9 }, (_, i) => 60 + i * 74);
  return (
    <svg
      className="absolute inset-0 h-full w-full"
      viewBox="0 0 840 800"
      preserveAspectRatio="xMaxYMax slice"
      aria-hidden
    >
      {lines.map((r) => (
        <path
          key={r}
          fill="none"
          stroke="var(--sea-line)"
          d={`M${840 - r * 1.5} 800C${840 - r * 1.35} ${800 - r * 0.7} ${840 - r * 0.5} ${800 - r * 0.75} ${840 - r * 0.42} ${800 - r}S${840 - r * 0.1} ${800 - r * 1.3} 840 ${800 - r * 1.22}`}
        />
      ))}
    </svg>
  );
}
