import { Desk } from '../features/desk/Desk';
import { useTaught } from '../trade/useCourse';

export function DeskPage() {
  return <Desk course={useTaught()} />;
}
