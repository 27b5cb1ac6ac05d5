import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, asProblem, type DeskFilter, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { FindingMark } from '../../trade/FindingMark';
import { CardLink } from '../../trade/CardLink';
import { KIND_NAMES } from '../../trade/kinds';
import { MeshPicture } from '../../trade/MeshPicture';
import { SentBand, useCallBack } from '../../trade/SentBand';
import { useSent } from '../../trade/sent';
import { Empty, Failure, Loading, StaleBand } from '../../ui/States';
import { counted, numberText, shortNumber, waitText, wallText, whenText } from '../../ui/time';
import { useAddressed } from '../../ui/useAddressed';
import { useKeys } from '../../ui/useKeys';
import { CleanTogether } from './CleanTogether';
import { DeskFilters } from './DeskFilters';
import { SameFault } from './SameFault';

type Row = Schemas['Row'];
type DeskData = Schemas['DeskView'];

/** The instructor's home: what waits in a class, or in all of them, the oldest first. */
export function Desk({ course }: { course: string | null }) {
  const [filter, setFilter] = useDeskFilter(course);
  const desk = useQuery(queries.desk(filter));
  const [at, setAt] = useState(0);
  const [says, setSays] = useState(false);
  const [accepts, setAccepts] = useState<string | null>(null);
  const navigate = useNavigate();
  const callBack = useCallBack();
  const rows = desk.data?.rows ?? [];
  const chosen = Math.min(at, Math.max(0, rows.length - 1));
  useKeys({
    ArrowDown: () => setAt(Math.min(chosen + 1, rows.length - 1)),
    ArrowUp: () => setAt(Math.max(chosen - 1, 0)),
    Enter: () => {
      const row = rows[chosen];
      if (row) void navigate(`/review/${row.id}`);
    },
    'Ctrl z': () => void callBack.undo(),
  });
  if (desk.error && !desk.data)
    return <Failure error={desk.error} onRetry={() => void desk.refetch()} />;
  if (!desk.data) return <Loading stage="Looking up what waits" />;
  const { waiting } = desk.data;
  const clean = cleanOnes(rows);
  return (
    <div className="flex h-full max-lg:h-auto max-lg:flex-col">
      <section className="min-w-0 flex-1 lg:overflow-y-auto">
        {desk.error && <StaleBand onRetry={() => void desk.refetch()} />}
        <SentBand />
        <div className="flex flex-wrap items-baseline gap-x-3.5 border-b border-ink px-5 pt-5 pb-3">
          <h1 className="text-[22px] leading-7 font-semibold">
            {waiting === 0
              ? 'Nothing waits for review'
              : `${waiting} ${waiting === 1 ? 'waits' : 'wait'} for review`}
          </h1>
          {rows.length < waiting && (
            <span className="text-ink2">
              {rows.length === 0 ? 'none' : rows.length} of them shown
            </span>
          )}
          {rows.length > 1 && <span className="text-ink2">oldest first</span>}
          <DeskFilters
            filter={filter}
            choices={desk.data.choices}
            onFilter={setFilter}
            onSay={filter.kind && rows.length > 0 ? () => setSays(true) : null}
          />
        </div>
        {waiting === 0 && (
          <Empty title="The desk is clear.">
            {desk.data.due[0]
              ? `The next hand-in is due ${wallText(desk.data.due[0].dueAt, desk.data.due[0].zone)}.`
              : 'No exercise is due.'}
          </Empty>
        )}
        {waiting > 0 && rows.length === 0 && (
          <Empty title="Nothing waits that is like this.">
            <button
              type="button"
              className="underline"
              onClick={() =>
                setFilter({ course, group: null, assignment: null, kind: null, mine: false })
              }
            >
              Show all that waits
            </button>
          </Empty>
        )}
        {clean.map(([assignment, some]) => (
          <CleanRow key={assignment} rows={some} onOpen={() => setAccepts(assignment)} />
        ))}
        <ul>
          {rows.map((row, i) => (
            <WaitingRow key={row.id} row={row} chosen={i === chosen} onPoint={() => setAt(i)} />
          ))}
        </ul>
      </section>
      <aside className="w-80 shrink-0 space-y-7 border-l border-rule px-5 pt-5 max-lg:w-full max-lg:border-t max-lg:border-l-0 max-lg:pb-6 lg:overflow-y-auto">
        <Ready rows={rows.filter((row) => row.isReady)} />
        <OnTheWay desk={desk.data} />
        <Trips trips={desk.data.trips} students={desk.data.students} />
        <Due due={desk.data.due} students={desk.data.students} />
      </aside>
      {says && filter.kind && (
        <SameFault kind={filter.kind} rows={rows} onClose={() => setSays(false)} />
      )}
      {accepts && (
        <CleanTogether
          rows={rows.filter((row) => row.isClean && row.assignment === accepts)}
          onClose={() => setAccepts(null)}
        />
      )}
    </div>
  );
}

/** What of the queue is looked at, in the address. */
function useDeskFilter(course: string | null): [DeskFilter, (next: DeskFilter) => void] {
  const [named, setNamed] = useAddressed('class');
  const [group, setGroup] = useAddressed('group');
  const [assignment, setAssignment] = useAddressed('exercise');
  const [kind, setKind] = useAddressed('kind');
  const [mine, setMine] = useAddressed('mine');
  const set = (next: DeskFilter) => {
    setNamed(next.course === course ? null : (next.course ?? 'all'));
    setGroup(next.group);
    setAssignment(next.assignment);
    setKind(next.kind);
    setMine(next.mine ? 'yes' : null);
  };
  const at = named === null ? course : named === 'all' ? null : named;
  return [{ course: at, group, assignment, kind, mine: mine === 'yes' }, set];
}

/** Clean hand-ins of one exercise, where there are several. */
function cleanOnes(rows: readonly Row[]): [string, Row[]][] {
  const by = new Map<string, Row[]>();
  for (const row of rows) {
    if (!row.isClean || row.holder || row.isReady) continue;
    by.set(row.assignment, [...(by.get(row.assignment) ?? []), row]);
  }
  return [...by].filter(([, some]) => some.length > 1);
}

function CleanRow({ rows, onOpen }: { rows: readonly Row[]; onOpen: () => void }) {
  return (
    <div
      className="flex items-center gap-4 border-b border-rule bg-sheet px-5 py-2"
      data-testid="clean-together"
    >
      <span className="flex gap-1">
        {rows.slice(0, 3).map((row) => (
          <MeshPicture
            key={row.id}
            submission={row.id}
            size="row"
            of={`${row.exercise} by ${row.student}`}
            report={row.report}
          />
        ))}
      </span>
      <p className="flex-1">
        <b className="font-semibold">{rows.length} are clean</b>
        <span className="block text-ink2">
          {rows[0]!.exercise}: on time, nothing to mend, all that the engine gives
        </span>
      </p>
      <Button size="small" onClick={onOpen}>
        Look at them together
      </Button>
    </div>
  );
}

/** Answers that are kept ready: they go out together, now or at a time. */
function Ready({ rows }: { rows: readonly Row[] }) {
  const client = useQueryClient();
  const tell = useSent((s) => s.tell);
  const [at, setAt] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  if (rows.length === 0) return null;
  const send = async () => {
    try {
      const when = at ? new Date(at).toISOString() : null;
      const came = await api.returnTogether(
        rows.map((row) => row.id),
        when,
      );
      if (came.done.length > 0 && !when) tell(came.done, counted(came.done.length, 'student'));
      setProblem(came.left.map((l) => `${l.student}: ${l.why}`).join(' ') || null);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
    await client.invalidateQueries({ queryKey: ['desk'] });
  };
  return (
    <section data-testid="ready">
      <h2 className="border-b border-rule pb-2 text-[16px] font-semibold">
        {counted(rows.length, 'answer')} kept ready
      </h2>
      <ul className="condensed py-1">
        {rows.slice(0, 6).map((row) => (
          <li key={row.id} className="truncate">
            {row.student}, {row.exercise}
          </li>
        ))}
        {rows.length > 6 && <li className="text-ink2">and {rows.length - 6} more</li>}
      </ul>
      <label className="block text-[13px]">
        <span className="text-ink2">Go out at (now, where nothing is set)</span>
        <input
          type="datetime-local"
          className="mt-1 h-8 w-full rounded-ctl border border-ctl bg-sheet px-2"
          value={at}
          onChange={(e) => setAt(e.target.value)}
        />
      </label>
      {problem && (
        <p role="alert" className="mt-1">
          {problem}
        </p>
      )}
      <Button look="instructor" className="mt-2 w-full" onClick={() => void send()}>
        {at ? 'Let them go out then' : 'Return all of them'}
      </Button>
    </section>
  );
}

/** Answers on their way, answers that are amended, and replies that nobody has read. */
function OnTheWay({ desk }: { desk: DeskData }) {
  const { going, amending, replies } = desk;
  if (going.length + amending.length + replies.length === 0) return null;
  return (
    <section className="space-y-4">
      {replies.length > 0 && (
        <NamedList
          title="Replied to an answer"
          rows={replies.map((r) => ({ ...r, more: counted(r.replies, 'reply', 'replies') }))}
        />
      )}
      {going.length > 0 && (
        <NamedList title="On their way" rows={going.map((g) => ({ ...g, more: whenText(g.at) }))} />
      )}
      {amending.length > 0 && (
        <NamedList title="Being amended" rows={amending.map((a) => ({ ...a, more: '' }))} />
      )}
    </section>
  );
}

function NamedList(props: {
  title: string;
  rows: readonly { id: string; student: string; exercise: string; attempt: number; more: string }[];
}) {
  return (
    <div>
      <h2 className="border-b border-rule pb-2 text-[16px] font-semibold">{props.title}</h2>
      <ul>
        {props.rows.map((row) => (
          <li key={row.id} className="border-b border-rule py-1.5">
            <Link to={`/review/${row.id}`} className="font-semibold hover:underline">
              {row.student}
            </Link>
            <p className="condensed text-ink2">
              {row.exercise}, attempt {row.attempt}
              {row.more && `, ${row.more}`}
            </p>
          </li>
        ))}
      </ul>
    </div>
  );
}

function WaitingRow({ row, chosen, onPoint }: { row: Row; chosen: boolean; onPoint: () => void }) {
  const navigate = useNavigate();
  return (
    <li
      className={`relative grid min-h-16 grid-cols-[88px_minmax(0,1fr)_176px_164px_118px] items-center gap-4 border-b border-rule border-l-[3px] py-1.5 pr-5 pl-[17px] max-md:grid-cols-[88px_1fr] ${chosen ? 'border-l-ink bg-shoal1' : 'border-l-transparent hover:bg-shoal1'}`}
      // A row that comes to lie under a pointer at rest was not pointed at.
      onPointerMove={(e) => (e.movementX !== 0 || e.movementY !== 0) && onPoint()}
    >
      <MeshPicture
        submission={row.id}
        size="row"
        of={`${row.exercise} by ${row.student}`}
        report={row.report}
      />
      <div className="min-w-0">
        <Link to={`/review/${row.id}`} className="text-[15px] font-semibold hover:underline">
          {row.student}
        </Link>
        <p>
          {row.exercise}, attempt {row.attempt}
          {row.fromFile && <span className="text-ink2">, as a file</span>}
        </p>
        <RowState row={row} />
      </div>
      <div className="flex items-center gap-1.5 max-md:col-span-2">
        {row.worst.map((f, i) => (
          <FindingMark key={i} kind={f.kind} severity={f.severity} title={f.title} />
        ))}
        {row.findings > row.worst.length && (
          <span className="condensed ml-1 text-ink2">
            +{shortNumber(row.findings - row.worst.length)}
          </span>
        )}
        {row.findings === 0 && <span className="text-ink2">clean</span>}
      </div>
      <SinceText since={row.since} />
      <div className="text-right max-md:col-span-2 max-md:flex max-md:items-center max-md:gap-3">
        <p>{waitText(row.handedInAt)}</p>
        {chosen && (
          <Button
            look="main"
            size="small"
            shortcut="↵"
            className="mt-0.5"
            onClick={() => void navigate(`/review/${row.id}`)}
          >
            Review
          </Button>
        )}
      </div>
    </li>
  );
}

/** Who has it open, and how far its answer is. */
function RowState({ row }: { row: Row }) {
  const words = [
    row.holder && `${row.holder} has it open`,
    row.isReady && 'kept ready',
    !row.holder && !row.isReady && row.writtenBy && `begun by ${row.writtenBy}`,
    row.replies > 0 && counted(row.replies, 'new reply', 'new replies'),
  ].filter(Boolean);
  if (words.length === 0) return null;
  return (
    <p className={`condensed text-[13px] ${row.holder ? 'font-semibold' : 'text-ink2'}`}>
      {words.join(', ')}
    </p>
  );
}

function SinceText({ since }: { since: Row['since'] }) {
  if (!since) return <p className="condensed text-ink2 max-md:hidden">first attempt</p>;
  return (
    <div className="condensed max-md:hidden">
      <p>
        {since.gone > 0 && <b className="font-semibold">{numberText(since.gone)} gone</b>}
        {since.gone > 0 && since.still > 0 && ', '}
        {since.still > 0 && `${numberText(since.still)} still there`}
        {since.gone === 0 && since.still === 0 && 'nothing was there'}
      </p>
      <p className="text-ink2">
        {since.fresh > 0 ? `${numberText(since.fresh)} new` : 'nothing new'}
      </p>
    </div>
  );
}

function Trips({ trips, students }: { trips: Schemas['Trip'][]; students: number }) {
  return (
    <section>
      <h2 className="border-b border-rule pb-2 text-[16px] font-semibold">
        What the class trips on
      </h2>
      {trips.length === 0 && <p className="py-2.5 text-ink2">Nothing so far.</p>}
      <ul>
        {trips.map((trip) => (
          <li key={trip.kind} className="border-b border-rule py-2">
            <p className="flex items-center gap-2.5">
              <FindingMark
                kind={trip.kind}
                severity="must"
                title={KIND_NAMES[trip.kind] ?? trip.kind}
              />
              <span className="flex-1">
                <CardLink kind={trip.kind} look="word">
                  {KIND_NAMES[trip.kind] ?? trip.kind}
                </CardLink>
              </span>
              {trip.students} of {students}
            </p>
            <div className="mt-1.5 ml-[26px] h-1.5 bg-shoal1" aria-hidden>
              <div
                className="h-1.5 bg-shoal3"
                style={{ width: `${(100 * trip.students) / Math.max(1, students)}%` }}
              />
            </div>
          </li>
        ))}
      </ul>
      {trips.length > 0 && (
        <p className="mt-2 text-[12px] text-ink2">students who have it in a last attempt</p>
      )}
    </section>
  );
}

function Due({ due, students }: { due: Schemas['Due'][]; students: number }) {
  if (due.length === 0) return null;
  return (
    <section>
      <h2 className="border-b border-rule pb-2 text-[16px] font-semibold">Due next</h2>
      <ul>
        {due.map((d) => (
          <li key={d.exercise} className="border-b border-rule py-2">
            <p className="flex justify-between">
              <span>{d.exercise}</span>
              <span>{wallText(d.dueAt, d.zone)}</span>
            </p>
            <p className="text-ink2">
              {d.handedIn === 0
                ? 'nobody has'
                : `${d.handedIn} of ${counted(students, 'student')} have`}{' '}
              handed in
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
