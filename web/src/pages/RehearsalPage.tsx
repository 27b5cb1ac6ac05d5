import { useParams, useSearchParams } from 'react-router';
import { Bench } from '../features/bench/Bench';
import { KeepReference } from '../features/exercises/KeepReference';

/** An exercise, tried by whoever writes it; or solved, for a reference. */
export function RehearsalPage() {
  const { exercise } = useParams();
  const [search] = useSearchParams();
  const solves = search.get('for') === 'reference';
  const editor = `/exercises/${exercise!}`;
  return (
    <main className="h-full">
      <Bench
        key={exercise}
        place={`/exercises/${exercise!}`}
        back={{ to: solves ? `${editor}?section=references` : editor, name: 'The exercise' }}
        actions={
          solves
            ? (state, main) => <KeepReference exercise={exercise!} state={state} main={main} />
            : undefined
        }
      />
    </main>
  );
}
