import { HandIn } from '../features/hand-in/HandIn';
import { MyWork } from '../features/my-work/MyWork';
import { HintsLater } from '../features/room/HintsLater';
import { ShownNow } from '../features/room/ShownNow';

export function MyWorkPage() {
  return (
    <>
      <ShownNow />
      <MyWork handIn={(id, title) => <HandIn assignment={id} title={title} />} />
      <HintsLater />
    </>
  );
}
