import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { api, asProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Empty, Failure, Loading, StaleBand } from '../../ui/States';
import { MeshPicture, StarterPicture } from '../../trade/MeshPicture';
import { counted, waitText, wallText } from '../../ui/time';

type Item = Schemas['Item'];

/** The student's home: what came back first, then what is due. */
export function MyWork({ handIn }: { handIn: (assignment: string, title: string) => ReactNode }) {
  const work = useQuery(queries.myWork());
  if (work.error && !work.data)
    return <Failure error={work.error} onRetry={() => void work.refetch()} />;
  if (!work.data) return <Loading stage="Looking up your exercises" />;
  return <OpenWork work={work} items={work.data.items} handIn={handIn} />;
}

function OpenWork(props: {
  work: { error: Error | null; refetch: () => unknown };
  items: readonly Item[];
  handIn: (assignment: string, title: string) => ReactNode;
}) {
  const { work, items, handIn } = props;
  // What came back comes before what was never begun.
  const next = items.find((i) => i.state === 'returned') ?? items.find((i) => i.state === 'open');
  return (
    <div className="mx-auto max-w-[1040px] px-6 py-6">
      {work.error && <StaleBand onRetry={() => void work.refetch()} />}
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-[22px] leading-7 font-semibold">My work</h1>
        <Terms />
      </div>
      {items.length === 0 ? (
        <Empty title="No exercise is set yet.">Your instructor sets the first one.</Empty>
      ) : (
        <p className="text-ink2">{summary(items)}</p>
      )}
      <ul className="mt-5 border-t border-ink">
        {items.map((item) => (
          <Row
            key={item.assignment.id}
            item={item}
            isNew={item.answer?.isNew === true}
            first={item === next}
            handIn={handIn}
          />
        ))}
      </ul>
    </div>
  );
}

/** The way to what one did over the term, class by class. */
function Terms() {
  const { data: me } = useQuery(queries.me());
  const classes = me?.memberships.filter((m) => m.role === 'student') ?? [];
  return classes.map((m) => (
    <Link key={m.courseId} className="underline" to={`/classes/${m.courseId}/students/${me!.id}`}>
      {classes.length === 1 ? 'Your term' : `Your term, ${m.courseName}`}
    </Link>
  ));
}

function summary(items: readonly Item[]): string {
  const back = items.filter((i) => i.state === 'returned').length;
  const open = items.filter((i) => i.state === 'open').length;
  const parts = [];
  if (back) parts.push(`${counted(back, 'answer')} to read`);
  if (open) parts.push(`${counted(open, 'exercise')} not handed in yet`);
  return parts.length ? parts.join(', ') : 'Everything is handed in.';
}

function Row(props: {
  item: Item;
  /** Whether an answer came that was not read yet. */
  isNew: boolean;
  /** The one to take up first: it has the place's main button. */
  first: boolean;
  handIn: (id: string, title: string) => ReactNode;
}) {
  const { item, isNew, first, handIn } = props;
  const { assignment, answer } = item;
  const { exercise, dueAt } = assignment;
  const current = item.state === 'returned' || item.state === 'accepted';
  return (
    <li className="grid grid-cols-[88px_minmax(0,1fr)_180px_420px] items-center gap-x-6 gap-y-3 border-b border-rule py-4 max-md:grid-cols-1">
      {answer ? (
        <MeshPicture
          submission={answer.submission}
          size="row"
          of={`${exercise.title}, attempt ${answer.attempt}`}
          report={answer.report}
        />
      ) : (
        <StarterPicture assignment={assignment.id} of={exercise.title} />
      )}
      <div>
        <h2 className="text-[15px] font-semibold">
          {exercise.title}
          {isNew && <span className="ml-2 text-[13px] font-normal text-magenta">new answer</span>}
        </h2>
        <p className="text-ink2">{exercise.summary}</p>
        <p className="condensed mt-1 text-[13px] text-ink2">
          {item.course}
          {dueAt && `, due ${wallText(dueAt, assignment.zone)}`}
        </p>
      </div>
      <StateText item={item} />
      <div className="flex flex-wrap items-center gap-2.5 md:justify-end">
        {answer && (
          <Link className={buttonLook(first && current)} to={`/answer/${answer.submission}`}>
            {current ? 'Read the answer' : `Answer to attempt ${answer.attempt}`}
          </Link>
        )}
        {handIn(assignment.id, exercise.title)}
        <Link className={buttonLook(first && item.state === 'open')} to={`/bench/${assignment.id}`}>
          {item.attempts === 0 ? 'Open the bench' : 'Carry on cutting'}
        </Link>
      </div>
    </li>
  );
}

function buttonLook(main: boolean): string {
  const look = main
    ? 'border-ink bg-ink text-paper font-semibold hover:bg-ink-up'
    : 'border-ctl bg-sheet font-medium hover:border-ink hover:bg-shoal1';
  return `inline-flex h-8 items-center rounded-ctl border px-3 whitespace-nowrap ${look}`;
}

/** Nobody has read it yet: it can be as if it was never handed in. */
function TakeBack({ submission }: { submission: string }) {
  const client = useQueryClient();
  const [problem, setProblem] = useState('');
  const take = async () => {
    try {
      await api.takeBack(submission);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
    await client.invalidateQueries({ queryKey: ['my-work'] });
  };
  return (
    <p className="text-[13px]">
      <button type="button" className="underline" onClick={() => void take()}>
        Take it back
      </button>
      {problem && (
        <span role="alert" className="ml-2 text-ink2">
          {problem}
        </span>
      )}
    </p>
  );
}

function StateText({ item }: { item: Item }) {
  const { answer, handedInAt } = item;
  switch (item.state) {
    case 'open':
      return <p className="text-ink2">Not handed in yet</p>;
    case 'waiting':
      return (
        <div>
          <p>Attempt {item.attempts} waits for review</p>
          <p className="text-[13px] text-ink2">
            handed in {handedInAt && waitText(handedInAt)} ago
          </p>
          {item.takeBack && <TakeBack submission={item.takeBack} />}
        </div>
      );
    case 'returned':
    case 'accepted':
      return (
        <div>
          <p className="font-semibold text-magenta">
            {item.state === 'accepted' ? 'Accepted' : 'Try again'}
          </p>
          <p className="text-[13px] text-ink2">
            attempt {answer?.attempt}
            {answer && answer.notes > 0 && `, ${counted(answer.notes, 'note')}`}
          </p>
        </div>
      );
  }
}
