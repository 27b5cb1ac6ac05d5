import { useParams } from 'react-router';
import { FollowShow } from '../features/room/FollowShow';

export function ShowPage() {
  const { course } = useParams();
  return (
    <main className="h-full">
      <FollowShow key={course} course={course!} />
    </main>
  );
}
