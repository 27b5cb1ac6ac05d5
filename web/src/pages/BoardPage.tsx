import { Board } from '../features/board/Board';
import { OfTaught } from '../trade/OfTaught';

export function BoardPage() {
  return <OfTaught>{(course) => <Board key={course} course={course} />}</OfTaught>;
}
