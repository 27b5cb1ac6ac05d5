import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import {
  api,
  asProblem,
  newKey,
  type ApiProblem,
  type Schemas,
  type Sending,
} from '../../api/client';
import { queries } from '../../api/queries';
import { STAGES } from '../../trade/stages';
import { Button } from '../../ui/Button';
import { Failure, Loading, Trouble, Working } from '../../ui/States';
import { counted } from '../../ui/time';
import { useAddressed } from '../../ui/useAddressed';
import { BundleDrop, type Brought } from './BundleDrop';

type BundleData = Schemas['BundleView'];
type Entry = Schemas['EntryView'];

const OVER: readonly string[] = ['done', 'failed', 'cancelled'];
const LOOK_EVERY_MS = 700;

/** Hand-ins of a class that came some other way: brought at once, matched, put right, handed in. */
export function Bundle({ assignment }: { assignment: string }) {
  const assignments = useQuery(queries.assignments());
  const [id, setId] = useAddressed('bundle');
  const title = assignments.data?.find((a) => a.id === assignment)?.exercise.title;
  return (
    <section className="mx-auto max-w-[920px] px-5 pt-5 pb-10">
      <p className="text-ink2">
        <Link to="/exercises" className="hover:underline">
          Exercises
        </Link>
      </p>
      <h1 className="border-b border-ink pb-3.5 text-[22px] leading-7 font-semibold">
        Hand in for students{title && `: ${title}`}
      </h1>
      <div className="pt-5">
        {id === null ? (
          <Bring assignment={assignment} onBrought={setId} />
        ) : (
          <Brought id={id} onOther={() => setId(null)} />
        )}
      </div>
    </section>
  );
}

function Bring({ assignment, onBrought }: { assignment: string; onBrought: (id: string) => void }) {
  const client = useQueryClient();
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const sending = useRef<Sending<BundleData> | null>(null);
  const stopped = useRef(false);
  const send = async (files: Brought[]) => {
    setProblem(null);
    setShare(0);
    stopped.current = false;
    sending.current = api.bringBundle(assignment, files, newKey(), setShare);
    try {
      const bundle = await sending.current.done;
      client.setQueryData(queries.bundle(bundle.id).queryKey, bundle);
      onBrought(bundle.id);
    } catch (e) {
      if (!stopped.current) setProblem(asProblem(e));
    } finally {
      setShare(null);
    }
  };
  if (share !== null) {
    return (
      <Working
        stage={share < 1 ? 'Sending the files' : 'Looking whose they are'}
        about={share < 1 ? `${Math.round(100 * share)} %` : ''}
        share={share < 1 ? share : undefined}
        onStop={() => {
          stopped.current = true;
          sending.current?.stop();
        }}
      />
    );
  }
  const found = problem?.more.found;
  return (
    <>
      <BundleDrop onBrought={(files) => void send(files)} />
      {problem && (
        <Trouble title={problem.title} where={typeof found === 'string' ? found : undefined}>
          {problem.message}
        </Trouble>
      )}
    </>
  );
}

function Brought({ id, onOther }: { id: string; onOther: () => void }) {
  const client = useQueryClient();
  const bundle = useQuery({
    ...queries.bundle(id),
    refetchInterval: ({ state }) =>
      state.data?.entries.some((e) => e.stage && !OVER.includes(e.stage)) ? LOOK_EVERY_MS : false,
  });
  const [said, setSaid] = useState<Record<number, string>>({});
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const waiting = useMemo(
    () => bundle.data?.entries.filter((e) => e.stage === null) ?? [],
    [bundle.data],
  );
  if (bundle.error) {
    return (
      <Failure error={bundle.error} onRetry={() => void bundle.refetch()}>
        <Button onClick={onOther}>Bring other files</Button>
      </Failure>
    );
  }
  if (!bundle.data) return <Loading stage="Looking up the files" />;
  const { entries, students } = bundle.data;
  const whose = (e: Entry) => said[e.number] ?? e.student ?? '';
  const ready = waiting.filter((e) => whose(e) !== '');
  const handIn = async () => {
    setBusy(true);
    setProblem(null);
    try {
      const asked = Object.fromEntries(ready.map((e) => [e.number, whose(e)]));
      client.setQueryData(queries.bundle(id).queryKey, await api.handInBundle(id, asked));
      void client.invalidateQueries({ queryKey: ['desk'] });
    } catch (e) {
      setProblem(asProblem(e));
    } finally {
      setBusy(false);
    }
  };
  const out = waiting.length - ready.length;
  return (
    <>
      <table className="w-full text-left" data-testid="bundle">
        <thead className="condensed text-[13px] text-ink2">
          <tr className="border-b border-ink">
            <th className="w-[44%] py-1.5 font-normal">File</th>
            <th className="w-[28%] font-normal">By</th>
            <th className="font-normal">How far it is</th>
          </tr>
        </thead>
        <tbody>
          {entries.map((e) => (
            <tr key={e.number} className="border-b border-rule align-top" data-file={e.path}>
              <td className="py-2 pr-4 break-all">
                {e.path}
                <span className="ml-2 text-[13px] whitespace-nowrap text-ink2">{size(e.size)}</span>
              </td>
              <td className="py-1.5 pr-4">
                {e.stage === null ? (
                  <Whose
                    path={e.path}
                    students={students}
                    value={whose(e)}
                    onSay={(student) => setSaid({ ...said, [e.number]: student })}
                  />
                ) : (
                  <span className="leading-7">
                    {students.find((s) => s.id === e.student)?.name}
                  </span>
                )}
              </td>
              <td className="py-2">
                <HowFar entry={e} by={whose(e)} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {problem && <Trouble title={problem.title}>{problem.message}</Trouble>}
      <div className="mt-4 flex items-center gap-3">
        {waiting.length > 0 && (
          <Button
            look="main"
            disabled={busy || ready.length === 0}
            title={ready.length === 0 ? 'Say first whose the files are' : undefined}
            onClick={() => void handIn()}
          >
            Hand in {counted(ready.length, 'file')}
          </Button>
        )}
        <Button onClick={onOther}>Bring other files</Button>
        <span className="text-ink2">
          {out > 0 && `${counted(out, 'file')} ${out === 1 ? 'stays' : 'stay'} out.`}
        </span>
      </div>
    </>
  );
}

function Whose(props: {
  path: string;
  students: BundleData['students'];
  value: string;
  onSay: (student: string) => void;
}) {
  return (
    <span className="relative block">
      <select
        aria-label={`By whom ${props.path} is`}
        className="h-7 w-full appearance-none rounded-ctl border border-ctl bg-sheet pr-7 pl-2 hover:bg-shoal1"
        value={props.value}
        onChange={(e) => props.onSay(e.target.value)}
      >
        <option value="">Nobody: leave it out</option>
        {props.students.map((s) => (
          <option key={s.id} value={s.id}>
            {s.name}
          </option>
        ))}
      </select>
      <svg
        width={10}
        height={6}
        viewBox="0 0 10 6"
        className="pointer-events-none absolute top-[11px] right-2.5"
        aria-hidden
      >
        <path d="M1 1l4 4 4-4" fill="none" stroke="currentColor" strokeWidth={1.5} />
      </svg>
    </span>
  );
}

function HowFar({ entry, by }: { entry: Entry; by: string }) {
  if (entry.submission) {
    return (
      <Link to={`/review/${entry.submission}`} className="font-medium underline">
        Handed in
      </Link>
    );
  }
  if (entry.problem) {
    return (
      <>
        Not read: {entry.problem.detail}
        {entry.kept && (
          <>
            {' '}
            <a href={api.keptFile(entry.kept)} className="font-medium underline">
              Get the file
            </a>
          </>
        )}
      </>
    );
  }
  if (entry.stage) return <>{STAGES[entry.stage]}</>;
  return <span className="text-ink2">{by === '' ? (entry.doubt ?? 'Left out') : 'Ready'}</span>;
}

function size(bytes: number): string {
  return bytes < 1e5
    ? `${Math.max(1, Math.round(bytes / 1e3))} kB`
    : `${(bytes / 1e6).toFixed(1)} MB`;
}
