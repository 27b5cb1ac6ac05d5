import { Exercises } from '../features/exercises/Exercises';
import { useTaught } from '../trade/useCourse';

export function ExercisesPage() {
  return <Exercises course={useTaught()} />;
}
