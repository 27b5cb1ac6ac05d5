import { useParams } from 'react-router';
import { Bench } from '../features/bench/Bench';

/** An exercise, tried by whoever writes it. */
export function RehearsalPage() {
  const { exercise } = useParams();
  return (
    <main className="h-full">
      <Bench
        key={exercise}
        place={`/exercises/${exercise!}`}
        back={{ to: `/exercises/${exercise!}`, name: 'The exercise' }}
      />
    </main>
  );
}
