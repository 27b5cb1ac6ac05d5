import { Slip } from '../features/sign-in/Slip';

export function SlipPage() {
  return <Slip />;
}
