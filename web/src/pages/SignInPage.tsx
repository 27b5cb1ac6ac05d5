import { SignIn } from '../features/sign-in/SignIn';

export function SignInPage() {
  return <SignIn />;
}
