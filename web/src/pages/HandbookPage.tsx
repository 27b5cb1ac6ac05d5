import { useParams } from 'react-router';
import { Handbook } from '../features/handbook/Handbook';

export function HandbookPage() {
  const { card } = useParams();
  return <Handbook card={card ?? null} />;
}
