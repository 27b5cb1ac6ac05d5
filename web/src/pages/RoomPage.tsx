import { Room } from '../features/room/Room';

export function RoomPage() {
  return <Room />;
}
