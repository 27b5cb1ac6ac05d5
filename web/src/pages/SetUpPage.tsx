import { SetUp } from '../features/sign-in/SetUp';

export function SetUpPage() {
  return <SetUp />;
}
