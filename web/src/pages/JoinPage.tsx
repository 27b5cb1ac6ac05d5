import { useParams } from 'react-router';
import { Join } from '../features/sign-in/Join';

export function JoinPage() {
  const { words } = useParams();
  return <Join given={words?.replace(/-/g, ' ') ?? ''} />;
}
