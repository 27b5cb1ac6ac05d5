import { NewClass } from '../features/people/NewClass';

export function NewClassPage() {
  return <NewClass />;
}
