import { Dialog } from './Dialog';
import { Key } from './Key';

interface Props {
  title: string;
  /** Each key and what it does. */
  keys: readonly (readonly [string, string])[];
  open: boolean;
  onClose: () => void;
}

/** All keys of a place in one sheet. */
export function KeySheet({ title, keys, open, onClose }: Props) {
  return (
    <Dialog title={title} open={open} onClose={onClose}>
      <dl className="grid grid-cols-[84px_1fr] gap-y-1.5">
        {keys.map(([key, what]) => (
          <div key={key} className="contents">
            <dt>
              <Key>{key}</Key>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-4 text-ink2">
        Drag turns the model, the right button or two fingers move it, the wheel zooms to the
        pointer.
      </p>
    </Dialog>
  );
}
