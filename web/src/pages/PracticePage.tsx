import { Practice } from '../features/practice/Practice';

export function PracticePage() {
  return <Practice />;
}
