import { useParams } from 'react-router';
import { Bench } from '../features/bench/Bench';
import { KeepSteps } from '../features/demonstration/KeepSteps';
import { GiveMend, noteOfAddress } from '../features/practice/GiveMend';
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
          note ? <GiveMend state={state} main={main} note={note} /> : <KeepSteps state={state} />
        }
      />
    </main>
  );
}

/** The demonstration from which this was branched off, at the frame where one left it. */
function shownOfAddress() {
  const [demonstration, frame] = (readAddress('shown') ?? '').split('.');
  return demonstration && frame
    ? { to: `/demonstrations/${demonstration}?frame=${frame}`, name: 'Demonstration' }
    : null;
}
