import { People } from '../features/people/People';
import { OfTaught } from '../trade/OfTaught';

export function PeoplePage() {
  return <OfTaught>{(course) => <People key={course} course={course} />}</OfTaught>;
}
