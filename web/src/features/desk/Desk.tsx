import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { FindingMark } from '../../trade/FindingMark';
import { CardLink } from '../../trade/CardLink';
import { KIND_NAMES } from '../../trade/kinds';
import { MeshPicture } from '../../trade/MeshPicture';
import { Empty, Failure, Loading, StaleBand } from '../../ui/States';
import { counted, numberText, shortNumber, waitText, wallText } from '../../ui/time';
import { useKeys } from '../../ui/useKeys';

type Row = Schemas['Row'];

/** The instructor's home: what waits in a class, or in all of them, the oldest first. */
export function Desk({ course }: { course: string | null }) {
  const desk = useQuery(queries.desk(course));
  const [at, setAt] = useState(0);
  const navigate = useNavigate();
  const rows = desk.data?.rows ?? [];
  const chosen = Math.min(at, Math.max(0, rows.length - 1));
  useKeys({
    ArrowDown: () => setAt(Math.min(chosen + 1, rows.length - 1)),
    ArrowUp: () => setAt(Math.max(chosen - 1, 0)),
    Enter: () => {
      const row = rows[chosen];
      if (row) void navigate(`/review/${row.id}`);
    },
  });
  if (desk.error && !desk.data)
    return <Failure error={desk.error} onRetry={() => void desk.refetch()} />;
  if (!desk.data) return <Loading stage="Looking up what waits" />;
  return (
    <div className="flex h-full max-lg:h-auto max-lg:flex-col">
      <section className="min-w-0 flex-1 lg:overflow-y-auto">
        {desk.error && <StaleBand onRetry={() => void desk.refetch()} />}
        <div className="flex items-baseline gap-3.5 border-b border-ink px-5 pt-5 pb-3.5">
          <h1 className="text-[22px] leading-7 font-semibold">
            {rows.length === 0
              ? 'Nothing waits for review'
              : `${rows.length} ${rows.length === 1 ? 'waits' : 'wait'} for review`}
          </h1>
          {rows.length > 1 && <span className="text-ink2">oldest first</span>}
        </div>
        {rows.length === 0 && (
          <Empty title="The desk is clear.">
            {desk.data.due[0]
              ? `The next hand-in is due ${wallText(desk.data.due[0].dueAt, desk.data.due[0].zone)}.`
              : 'No exercise is due.'}
          </Empty>
        )}
        <ul>
          {rows.map((row, i) => (
            <WaitingRow key={row.id} row={row} chosen={i === chosen} onPoint={() => setAt(i)} />
          ))}
        </ul>
      </section>
      <aside className="w-80 shrink-0 space-y-7 border-l border-rule px-5 pt-5 max-lg:w-full max-lg:border-t max-lg:border-l-0 max-lg:pb-6">
        <Trips trips={desk.data.trips} students={desk.data.students} />
        <Due due={desk.data.due} students={desk.data.students} />
      </aside>
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
