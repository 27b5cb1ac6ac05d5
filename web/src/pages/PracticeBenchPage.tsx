import { useParams } from 'react-router';
import { Bench } from '../features/bench/Bench';

export function PracticeBenchPage() {
  const { practice } = useParams();
  return (
    <main className="h-full">
      <Bench
        key={practice}
        place={`/practice/${practice!}`}
        back={{ to: '/practice', name: 'Practice' }}
      />
    </main>
  );
}
