import { useParams } from 'react-router';
import { Player } from '../features/demonstration/Player';

export function DemonstrationPage() {
  const { demonstration } = useParams();
  return (
    <main className="h-full">
      <Player key={demonstration} id={demonstration!} />
    </main>
  );
}
