import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { DeskFilter, Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { FindingMark } from '../../trade/FindingMark';
import { MeshPicture } from '../../trade/MeshPicture';
import { SentBand, useCallBack } from '../../trade/SentBand';
import { Empty, Failure, Loading, StaleBand } from '../../ui/States';
import { counted, numberText, shortNumber, waitText, wallText } from '../../ui/time';
import { useAddressed } from '../../ui/useAddressed';
import { useKeys } from '../../ui/useKeys';
import { CleanTogether } from './CleanTogether';
import { DeskSide } from './DeskSide';
import { DeskFilters } from './DeskFilters';
import { SameFault } from './SameFault';

type Row = Schemas['Row'];

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
    'Ctrl z': () => void callBack(),
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
        <DeskSide desk={desk.data} ready={rows.filter((row) => row.isReady)} />
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
