import { useParams } from 'react-router';
import { Bench } from '../features/bench/Bench';
import { GiveMend, noteOfAddress } from '../features/practice/GiveMend';

export function PracticeBenchPage() {
  const { practice } = useParams();
  const note = noteOfAddress();
  return (
    <main className="h-full">
      <Bench
        key={practice}
        place={`/practice/${practice!}`}
        back={
          note
            ? { to: `/review/${note.submission}`, name: 'Review' }
            : { to: '/practice', name: 'Practice' }
        }
        actions={
          note ? (state, main) => <GiveMend state={state} main={main} note={note} /> : undefined
        }
      />
    </main>
  );
}
