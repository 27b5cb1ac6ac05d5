import { HandIn } from '../features/hand-in/HandIn';
import { MyWork } from '../features/my-work/MyWork';
import { HintsLater } from '../features/room/HintsLater';

export function MyWorkPage() {
  return (
    <>
      <MyWork handIn={(id, title) => <HandIn assignment={id} title={title} />} />
      <HintsLater />
    </>
  );
}
