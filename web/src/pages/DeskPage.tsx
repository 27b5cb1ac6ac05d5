import { Desk } from '../features/desk/Desk';

export function DeskPage() {
  return <Desk />;
}
