import { useParams } from 'react-router';
import { Terms } from '../features/exercises/Terms';

export function TermsPage() {
  const { exercise } = useParams();
  return <Terms exercise={exercise!} />;
}
