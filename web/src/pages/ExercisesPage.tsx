import { Exercises } from '../features/exercises/Exercises';
import { useMayTeach, useTaught } from '../trade/useCourse';

export function ExercisesPage() {
  return <Exercises course={useTaught()} mayTeach={useMayTeach()} />;
}
