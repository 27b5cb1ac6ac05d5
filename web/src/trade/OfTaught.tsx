import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Empty } from '../ui/States';
import { seesAll, useCourse } from './useCourse';

/** What is about the class at hand, for who teaches it; else what to do first. */
export function OfTaught({ children }: { children: (course: string) => ReactNode }) {
  const { course } = useCourse();
  if (!course || !seesAll(course)) {
    return (
      <Empty title="You teach no class yet.">
        <Link className="underline" to="/classes/new">
          Make one
        </Link>
        , then bring your students in.
      </Empty>
    );
  }
  return children(course.courseId);
}
