import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../../api/queries';
import { Empty, Failure, Loading } from '../../ui/States';
import { whenText } from '../../ui/time';

/** What is set in a class, or in all of them. */
export function Exercises({ course }: { course: string | null }) {
  const assignments = useQuery(queries.assignments());
  if (assignments.error)
    return <Failure error={assignments.error} onRetry={() => void assignments.refetch()} />;
  if (!assignments.data) return <Loading stage="Looking up the exercises" />;
  const rows = assignments.data.filter((a) => course === null || a.course === course);
  return (
    <section className="mx-auto max-w-[920px] px-5 pt-5 pb-10">
      <h1 className="border-b border-ink pb-3.5 text-[22px] leading-7 font-semibold">Exercises</h1>
      {rows.length === 0 && (
        <Empty title="No exercise is set.">You teach no class that has one.</Empty>
      )}
      <ul>
        {rows.map(({ id, exercise: e, dueAt }) => (
          <li key={id} className="flex items-center gap-3 border-b border-rule">
            <Link
              to={`/exercises/${e.id}`}
              className="grid min-w-0 flex-1 grid-cols-[minmax(0,1fr)_140px_190px] items-center gap-4 px-2 py-3 hover:bg-shoal1 max-md:grid-cols-1"
            >
              <span>
                <span className="block font-semibold">{e.title}</span>
                <span className="text-ink2">{e.summary}</span>
              </span>
              <span>
                <span className="condensed block text-[13px] text-ink2">Checked as</span>
                {e.profile}
              </span>
              <span className="text-ink2">{dueAt ? `Due ${whenText(dueAt)}` : 'No date'}</span>
            </Link>
            <Link
              to={`/assignments/${id}/bundle`}
              className="condensed shrink-0 pr-2 text-[13px] font-medium underline"
            >
              Hand in for students
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
