import { useParams } from 'react-router';
import { Bench } from '../features/bench/Bench';
import { BesideBrief } from '../features/demonstration/BesideBrief';
import { counted } from '../ui/time';
import { Company, HintPins } from '../features/room/Company';
import { HandIn } from '../features/hand-in/HandIn';

export function BenchPage() {
  const { assignment } = useParams();
  return (
    <main className="h-full">
      <Bench
        key={assignment}
        place={`/assignments/${assignment!}`}
        back={{ to: '/my-work', name: 'My work' }}
        company={(state) => <Company workpiece={state.id} />}
        pinned={(state) => <HintPins workpiece={state.id} />}
        underBrief={<BesideBrief assignment={assignment!} />}
        actions={(state, main) => (
          <HandIn
            assignment={assignment!}
            title={state.task.title}
            size="small"
            main={main}
            workpiece={{
              id: state.id,
              revision: state.revision,
              about: `${counted(state.check.figures.faces, 'face')} after step ${state.steps.length}, ${counted(state.check.must, 'must-mend')} standing.`,
            }}
          />
        )}
      />
    </main>
  );
}
