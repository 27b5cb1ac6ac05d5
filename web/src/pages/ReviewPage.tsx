import { useParams } from 'react-router';
import { Review } from '../features/review/Review';

export function ReviewPage() {
  const { submission } = useParams();
  return (
    <main className="h-full">
      <Review key={submission} id={submission!} />
    </main>
  );
}
