import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../../api/queries';

/** What is shown to one's classes just now. */
export function ShownNow() {
  const me = useQuery(queries.me());
  const classes = (me.data?.memberships ?? []).filter((m) => m.role === 'student' && !m.putAway);
  return classes.map((m) => <OfClass key={m.courseId} course={m.courseId} />);
}

function OfClass({ course }: { course: string }) {
  const { data } = useQuery(queries.show(course));
  if (!data) return null;
  return (
    <p role="status" className="flex items-center gap-4 border-b border-ink bg-shoal1 px-6 py-2">
      <span>
        <b className="font-semibold">{data.by}</b> shows {data.title} now.
      </span>
      <Link className="font-semibold underline" to={`/classes/${course}/show`}>
        Follow it
      </Link>
    </p>
  );
}
