import { useParams } from 'react-router';
import { Bench } from '../features/bench/Bench';
import { KeepSteps } from '../features/demonstration/KeepSteps';
import { GiveMend, noteOfAddress } from '../features/practice/GiveMend';
import { ShowBench, ShownSight } from '../features/room/ShowBench';
import { readAddress } from '../ui/useAddressed';

export function PracticeBenchPage() {
  const { practice } = useParams();
  const note = noteOfAddress();
  const shown = shownOfAddress();
  return (
    <main className="h-full">
      <Bench
        key={practice}
        place={`/practice/${practice!}`}
        back={
          note
            ? { to: `/review/${note.submission}`, name: 'Review' }
            : (shown ?? { to: '/practice', name: 'Practice' })
        }
        actions={(state, main) =>
          note ? (
            <GiveMend state={state} main={main} note={note} />
          ) : (
            <>
              <ShowBench workpiece={state.id} />
              <KeepSteps state={state} />
            </>
          )
        }
        pinned={(state) => <ShownSight workpiece={state.id} />}
      />
    </main>
  );
}

/** What this was branched off from: a demonstration at a frame, or what is shown live. */
function shownOfAddress() {
  const live = readAddress('live');
  if (live) return { to: `/classes/${live}/show`, name: 'What is shown' };
  const [demonstration, frame] = (readAddress('shown') ?? '').split('.');
  return demonstration && frame
    ? { to: `/demonstrations/${demonstration}?frame=${frame}`, name: 'Demonstration' }
    : null;
}
