import { Insight } from '../features/insight/Insight';
import { OfTaught } from '../trade/OfTaught';

export function InsightPage() {
  return <OfTaught>{(course) => <Insight key={course} course={course} />}</OfTaught>;
}
