import { Link } from 'react-router';
import { FindingMark } from '../../trade/FindingMark';
import { PrintMenu } from '../../trade/PrintMenu';
import { manyOf } from '../../trade/kinds';
import { STATE_NAMES, StateSign, type State } from '../../trade/StateSign';
import { Button } from '../../ui/Button';
import { counted, creditText, waitText } from '../../ui/time';
import { mendsOf, type Board, type Cell, type Column, type Row } from './sorting';

/** Beside the board: the chosen cell, what the class trips on, and what the signs mean. */
export function BoardSide(props: {
  course: string;
  board: Board;
  chosen: { row: Row; column: Column; cell: Cell } | null;
  only: State | null;
  onOnly: (state: State | null) => void;
  onReview: () => void;
}) {
  const { board, chosen } = props;
  return (
    <aside className="flex w-[248px] shrink-0 flex-col gap-4 overflow-y-auto border-l border-ink px-4 py-3.5 max-lg:w-full max-lg:border-t max-lg:border-l-0">
      {chosen ? (
        <Chosen {...chosen} course={props.course} onReview={props.onReview} />
      ) : (
        <p className="text-ink2">Choose a cell by a click, or by the arrow keys.</p>
      )}
      <Trips board={board} />
      <StateKey only={props.only} onOnly={props.onOnly} />
    </aside>
  );
}

function Chosen(props: {
  course: string;
  row: Row;
  column: Column;
  cell: Cell;
  onReview: () => void;
}) {
  const { row, column, cell } = props;
  const kinds = cell.must;
  return (
    <section data-testid="chosen-cell">
      <p className="text-[12px] leading-4 text-ink2">Chosen</p>
      <h2 className="text-[16px] leading-[22px] font-semibold">{row.name}</h2>
      <p>
        {column.title}
        {cell.attempts > 0 && `, attempt ${cell.attempts}`}
      </p>
      {kinds.length > 0 && (
        <ul className="mt-1.5">
          {kinds.map((k) => (
            <li key={k.kind} className="condensed flex items-center gap-2">
              <FindingMark kind={k.kind} severity="must" title={manyOf(k.kind)} size={14} />
              <span className="flex-1">{manyOf(k.kind)}</span>
              {k.count}
            </li>
          ))}
        </ul>
      )}
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-2">
        <Fact name={STATE_NAMES[cell.state]}>
          {cell.since &&
            (cell.state === 'handedIn' || cell.state === 'late') &&
            waitText(cell.since)}
        </Fact>
        {cell.isLate && <Fact name="handed in late">{null}</Fact>}
        {cell.credits !== null && (
          <Fact name={cell.isProposed ? 'engine proposes' : 'credits'}>
            <b className="font-semibold">{creditText(cell.credits)}</b> of {creditText(column.most)}
          </Fact>
        )}
        {cell.before.map((b) => (
          <Fact key={b.attempt} name={`attempt ${b.attempt}`}>
            {b.isAccepted ? 'accepted' : 'try again'}
            {b.credits !== null && `, ${creditText(b.credits)}`}
          </Fact>
        ))}
      </dl>
      <div className="mt-2.5 flex flex-wrap gap-2">
        {cell.submission && (
          <Button look="main" size="small" shortcut="↵" onClick={props.onReview}>
            {cell.state === 'handedIn' ? 'Review' : 'Open'}
          </Button>
        )}
        <Link
          to={`/classes/${props.course}/students/${row.student}`}
          className="inline-flex h-[26px] items-center rounded-ctl border border-ctl bg-sheet px-2.5 text-[13px] font-medium hover:bg-shoal1"
        >
          Page of {row.name.split(' ')[0]}
        </Link>
      </div>
      <div className="mt-2">
        <PrintMenu
          size="small"
          of={`/assignments/${column.assignment}`}
          title={`${column.title} on paper`}
        >
          All answers on paper
        </PrintMenu>
      </div>
      <span className="sr-only">{counted(mendsOf(cell), 'must-mend')}</span>
    </section>
  );
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <dt className="text-ink2">{name}</dt>
      <dd className="text-right">{children}</dd>
    </>
  );
}

function Trips({ board }: { board: Board }) {
  const of = Math.max(1, board.students);
  return (
    <section>
      <h2 className="mb-1 text-[16px] leading-[22px] font-semibold">The class trips on</h2>
      {board.trips.length === 0 && <p className="text-ink2">Nothing so far.</p>}
      <ul className="condensed">
        {board.trips.slice(0, 6).map((trip) => (
          <li
            key={trip.kind}
            className="grid grid-cols-[16px_1fr_auto] items-center gap-x-2 gap-y-[3px] border-t border-rule py-[5px]"
          >
            <FindingMark kind={trip.kind} severity="must" title={manyOf(trip.kind)} size={14} />
            <span className="truncate">{manyOf(trip.kind)}</span>
            <span>
              {trip.now} of {board.students}
            </span>
            <span className="relative col-start-2 col-end-4 h-[5px] bg-shoal1" aria-hidden>
              <span
                className="absolute inset-y-0 left-0 bg-shoal3"
                style={{ width: `${(100 * trip.now) / of}%` }}
              />
              <span
                className="absolute -inset-y-0.5 w-0.5 bg-ink"
                style={{ left: `min(${(100 * trip.weekAgo) / of}%, 100% - 2px)` }}
              />
            </span>
            <span className="sr-only">a week ago {trip.weekAgo}</span>
          </li>
        ))}
      </ul>
      {board.trips.length > 0 && (
        <p className="condensed mt-1 border-t border-rule pt-1 text-[12px] leading-4 text-ink2">
          students with it in a last attempt; the line marks a week ago
        </p>
      )}
    </section>
  );
}

const STATES: readonly State[] = [
  'notBegun',
  'begun',
  'handedIn',
  'late',
  'tryAgain',
  'accepted',
  'excused',
];

/** What the signs mean; a click shows only who has one of them. */
function StateKey(props: { only: State | null; onOnly: (state: State | null) => void }) {
  return (
    <section className="condensed mt-auto border-t border-ink pt-2 text-[12px] leading-[18px]">
      <ul className="grid grid-cols-2 gap-x-1.5">
        {STATES.map((state) => (
          <li key={state}>
            <button
              type="button"
              aria-pressed={props.only === state}
              title={`Show only who has this: ${STATE_NAMES[state]}`}
              className={`flex w-full items-center gap-1.5 px-0.5 text-left hover:bg-shoal1 ${props.only === state ? 'bg-shoal2 font-semibold' : ''}`}
              onClick={() => props.onOnly(props.only === state ? null : state)}
            >
              <StateSign state={state} />
              {STATE_NAMES[state]}
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-ink2">
        then attempt, must-mends, credits; bold once accepted; a bar beside the sign: handed in late
      </p>
    </section>
  );
}
