import { Exercises } from '../features/exercises/Exercises';

export function ExercisesPage() {
  return <Exercises />;
}
