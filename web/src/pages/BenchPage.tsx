import { useParams } from 'react-router';
import { Bench } from '../features/bench/Bench';
import { HandIn } from '../features/hand-in/HandIn';

export function BenchPage() {
  const { exercise } = useParams();
  return (
    <main className="h-full">
      <Bench
        key={exercise}
        exercise={exercise!}
        handIn={(state, main) => (
          <HandIn
            exercise={exercise!}
            title={state.exercise.title}
            size="small"
            main={main}
            workpiece={{
              id: state.id,
              revision: state.revision,
              about: `${state.check.figures.faces} faces after step ${state.steps.length}, ${state.check.must} must-mends standing.`,
            }}
          />
        )}
      />
    </main>
  );
}
