import { useParams } from 'react-router';
import { AnswerSheet } from '../features/answer/AnswerSheet';

export function AnswerPage() {
  const { submission } = useParams();
  return (
    <main className="h-full">
      <AnswerSheet key={submission} id={submission!} />
    </main>
  );
}
