import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { queries } from '../../api/queries';

/** What is shown to an exercise, as a list under its brief. */
export function BesideBrief({ assignment }: { assignment: string }) {
  const { data } = useQuery(queries.besideBrief(assignment));
  if (!data || data.length === 0) return null;
  return (
    <div className="mt-2">
      <h3 className="font-semibold">Shown step by step</h3>
      <ul>
        {data.map((d) => (
          <li key={d.id}>
            <Link className="underline" to={`/demonstrations/${d.id}`}>
              {d.title}
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}
