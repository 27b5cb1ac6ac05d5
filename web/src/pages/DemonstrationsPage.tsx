import { Demonstrations } from '../features/demonstration/Demonstrations';

export function DemonstrationsPage() {
  return <Demonstrations />;
}
