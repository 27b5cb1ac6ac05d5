import { Account } from '../features/account/Account';

export function AccountPage() {
  return <Account />;
}
