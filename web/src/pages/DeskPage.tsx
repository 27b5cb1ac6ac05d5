import { Desk } from '../features/desk/Desk';
import { seesAll, useCourse } from '../trade/useCourse';

export function DeskPage() {
  const { course, courses } = useCourse();
  const several = courses.filter(seesAll).length > 1;
  return <Desk course={several && course ? course.courseId : null} />;
}
