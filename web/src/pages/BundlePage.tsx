import { useParams } from 'react-router';
import { Bundle } from '../features/exercises/Bundle';

export function BundlePage() {
  const { exercise } = useParams();
  return <Bundle exercise={exercise!} />;
}
