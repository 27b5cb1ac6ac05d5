import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, asProblem, type Schemas } from '../../api/client';
import { CardLink } from '../../trade/CardLink';
import { FindingMark } from '../../trade/FindingMark';
import { KIND_NAMES } from '../../trade/kinds';
import { useSent } from '../../trade/sent';
import { Button } from '../../ui/Button';
import { counted, wallText, whenText } from '../../ui/time';

type Row = Schemas['Row'];
type DeskData = Schemas['DeskView'];

/** Beside the queue: what is kept ready, what is on its way, what the class trips on, what is due. */
export function DeskSide({ desk, ready }: { desk: DeskData; ready: readonly Row[] }) {
  return (
    <>
      <Ready rows={ready} />
      <OnTheWay desk={desk} />
      <Trips trips={desk.trips} students={desk.students} />
      <Due due={desk.due} students={desk.students} />
    </>
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
