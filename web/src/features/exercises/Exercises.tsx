import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, asProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Empty, Failure, Loading } from '../../ui/States';
import { Refusal } from '../../ui/TextField';
import { counted, wallText } from '../../ui/time';

type Row = Schemas['ExerciseRow'];
type Assignment = Schemas['AssignmentView'];

/** What is set in a class, in its order, and the exercises that are set nowhere in it. */
export function Exercises({ course, mayTeach }: { course: string | null; mayTeach: boolean }) {
  const exercises = useQuery(queries.exercises());
  const assignments = useQuery(queries.assignments());
  const client = useQueryClient();
  const navigate = useNavigate();
  const [problem, setProblem] = useState('');
  const [away, setAway] = useState(false);
  const error = exercises.error ?? assignments.error;
  if (error) {
    return (
      <Failure
        error={error}
        onRetry={() => {
          void exercises.refetch();
          void assignments.refetch();
        }}
      />
    );
  }
  if (!exercises.data || !assignments.data) return <Loading stage="Looking up the exercises" />;

  const run = async (work: () => Promise<unknown>) => {
    setProblem('');
    try {
      await work();
      await client.invalidateQueries({ queryKey: ['exercises'] });
      await client.invalidateQueries({ queryKey: ['assignments'] });
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  const begin = (work: () => Promise<{ id: string }>) =>
    run(async () => void navigate(`/exercises/${(await work()).id}`));
  const byId = new Map(exercises.data.map((r) => [r.id, r]));
  const set = assignments.data.filter((a) => course === null || a.course === course);
  const setIds = new Set(set.map((a) => a.exercise.id));
  const others = exercises.data.filter((r) => !setIds.has(r.id) && (away || r.state !== 'away'));
  const putAway = exercises.data.filter((r) => r.state === 'away').length;
  const move = (a: Assignment, by: number) => {
    const order = assignments.data.filter((o) => o.course === a.course).map((o) => o.id);
    const at = order.indexOf(a.id);
    if (at + by < 0 || at + by >= order.length) return;
    order.splice(at + by, 0, ...order.splice(at, 1));
    void run(() => api.orderSet(a.course, order));
  };
  return (
    <div className="mx-auto max-w-[1020px] px-5 pt-5 pb-10">
      <header className="flex items-center border-b border-ink pb-3">
        <h1 className="text-[22px] leading-7 font-semibold">Exercises</h1>
        {mayTeach && (
          <span className="ml-auto flex gap-2">
            <ImportButton
              onChosen={(file, onShare) => begin(() => api.importExercise(file, onShare))}
            />
            <Button look="main" onClick={() => void begin(api.beginExercise)}>
              New exercise
            </Button>
          </span>
        )}
      </header>
      {problem && (
        <div className="pt-3">
          <Refusal>{problem}</Refusal>
        </div>
      )}
      {set.length === 0 && others.length === 0 && (
        <Empty title="No exercise yet.">
          {mayTeach
            ? 'Begin one: a starter, a brief, what counts. Nobody sees it before you set it.'
            : 'You teach no class that has one.'}
        </Empty>
      )}
      {set.length > 0 && (
        <ul aria-label="Set">
          {set.map((a) => (
            <SetRow
              key={a.id}
              assignment={a}
              row={byId.get(a.exercise.id)}
              mayMove={mayTeach && course !== null}
              onMove={(by) => move(a, by)}
              onCopy={() => void begin(() => api.copyExercise(a.exercise.id))}
            />
          ))}
        </ul>
      )}
      {others.length > 0 && (
        <section aria-labelledby="not-set" className="mt-8">
          <h2 id="not-set" className="border-b border-ink pb-2 text-[16px] font-semibold">
            Yours, not set here
          </h2>
          <ul>
            {others.map((row) => (
              <OwnRow
                key={row.id}
                row={row}
                onAway={(isAway) => void run(() => api.putExerciseAway(row.id, isAway))}
                onCopy={() => void begin(() => api.copyExercise(row.id))}
              />
            ))}
          </ul>
        </section>
      )}
      {putAway > 0 && (
        <Button size="small" className="mt-4" onClick={() => setAway(!away)}>
          {away ? 'Hide what is put away' : `Show ${putAway} put away`}
        </Button>
      )}
    </div>
  );
}

/** Brings an exercise that was exported, here or elsewhere. */
/** Brings an exercise in, and says how far it is on its way. */
function ImportButton({
  onChosen,
}: {
  onChosen: (file: File, onShare: (share: number) => void) => Promise<void>;
}) {
  const field = useRef<HTMLInputElement>(null);
  const [share, setShare] = useState<number | null>(null);
  const bring = async (file: File) => {
    setShare(0);
    await onChosen(file, setShare);
    setShare(null);
  };
  return (
    <>
      <input
        ref={field}
        type="file"
        accept=".zip"
        hidden
        aria-label="An exported exercise"
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) void bring(file);
          e.target.value = '';
        }}
      />
      <Button disabled={share !== null} onClick={() => field.current?.click()}>
        {share === null ? 'Import' : <span role="status">{importing(share)}</span>}
      </Button>
    </>
  );
}

/** On its way, then read there. */
function importing(share: number): string {
  return share < 1 ? `Sending ${Math.floor(share * 100)} %` : 'Reading it';
}

function Picture({ id, has, title }: { id: string; has: boolean; title: string }) {
  return has ? (
    <img
      src={api.exercisePicture(id)}
      width={88}
      height={52}
      alt={`The starter of ${title}`}
      className="bg-sea"
    />
  ) : (
    <span className="flex h-[52px] w-[88px] items-center justify-center bg-sea text-[12px] text-ink2">
      no starter
    </span>
  );
}

const GRID =
  'grid grid-cols-[88px_minmax(0,1fr)_210px_auto] items-center gap-x-5 gap-y-2 border-b border-rule py-3 max-md:grid-cols-1';

function SetRow(props: {
  assignment: Assignment;
  row: Row | undefined;
  mayMove: boolean;
  onMove: (by: number) => void;
  onCopy: () => void;
}) {
  const { assignment: a, row } = props;
  const { exercise: e } = a;
  return (
    <>
      {a.setting.heading && (
        <li className="pt-5 pb-1">
          <h2 className="text-[16px] font-semibold">{a.setting.heading}</h2>
        </li>
      )}
      <li className={GRID}>
        <Picture id={e.id} has title={e.title} />
        <Link to={`/exercises/${e.id}?section=setting`} className="min-w-0 hover:underline">
          <span className="block font-semibold">{e.title}</span>
          <span className="text-ink2">{e.summary}</span>
        </Link>
        <span>
          <b className="font-semibold">{a.stand}</b>
          <span className="block text-[13px] text-ink2">{whenSaid(a)}</span>
          <span className="condensed block text-[13px] text-ink2">
            checked as {e.profile}
            {row?.owner && `; by ${row.owner}`}
          </span>
        </span>
        <span className="flex flex-col items-end gap-1.5">
          <span className="flex gap-1.5">
            {props.mayMove && (
              <>
                <Button
                  size="small"
                  className="px-2"
                  aria-label={`${e.title}: one up`}
                  onClick={() => props.onMove(-1)}
                >
                  Up
                </Button>
                <Button
                  size="small"
                  className="px-2"
                  aria-label={`${e.title}: one down`}
                  onClick={() => props.onMove(1)}
                >
                  Down
                </Button>
              </>
            )}
            <Button size="small" onClick={props.onCopy}>
              Copy
            </Button>
          </span>
          <Link
            to={`/assignments/${a.id}/bundle`}
            className="condensed text-[13px] font-medium underline"
          >
            Hand in for students
          </Link>
        </span>
      </li>
    </>
  );
}

function whenSaid(a: Assignment): string {
  if (a.stand === 'planned' && a.opensAt) return `opens ${wallText(a.opensAt, a.zone)}`;
  return a.dueAt ? `due ${wallText(a.dueAt, a.zone)}` : 'no due time';
}

function OwnRow(props: { row: Row; onAway: (away: boolean) => void; onCopy: () => void }) {
  const { row } = props;
  const elsewhere = row.set.map((s) => s.course);
  return (
    <li className={GRID}>
      <Picture id={row.id} has={row.hasStarter} title={row.title} />
      <Link to={`/exercises/${row.id}`} className="min-w-0 hover:underline">
        <span className="block font-semibold">{row.title || 'Without a title'}</span>
        <span className="text-ink2">{row.summary}</span>
      </Link>
      <span>
        <b className="font-semibold">{row.state === 'away' ? 'put away' : row.state}</b>
        <span className="block text-[13px] text-ink2">
          {elsewhere.length > 0
            ? `set in ${counted(elsewhere.length, 'other class', 'other classes')}`
            : row.state === 'draft'
              ? 'no student sees it'
              : 'set nowhere'}
        </span>
      </span>
      <span className="flex gap-1.5">
        {!row.owner && (
          <Button size="small" onClick={() => props.onAway(row.state !== 'away')}>
            {row.state === 'away' ? 'Bring back' : 'Put away'}
          </Button>
        )}
        <Button size="small" onClick={props.onCopy}>
          Copy
        </Button>
      </span>
    </li>
  );
}
