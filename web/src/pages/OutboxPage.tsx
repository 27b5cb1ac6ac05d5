import { Outbox } from '../features/account/Outbox';

export function OutboxPage() {
  return <Outbox />;
}
