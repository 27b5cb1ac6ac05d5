import { useParams } from 'react-router';
import { Bundle } from '../features/exercises/Bundle';

export function BundlePage() {
  const { assignment } = useParams();
  return <Bundle assignment={assignment!} />;
}
