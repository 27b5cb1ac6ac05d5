import { useParams } from 'react-router';
import { AnswerSheet } from '../features/answer/AnswerSheet';

export function AnswerPage() {
  const { submission } = useParams();
  return <AnswerSheet key={submission} id={submission!} />;
}
