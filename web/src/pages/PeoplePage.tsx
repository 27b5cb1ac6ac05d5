import { Link } from 'react-router';
import { People } from '../features/people/People';
import { seesAll, useCourse } from '../trade/useCourse';
import { Empty } from '../ui/States';

export function PeoplePage() {
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
  return <People key={course.courseId} course={course.courseId} />;
}
