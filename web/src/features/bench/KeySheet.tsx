import { Dialog } from '../../ui/Dialog';
import { Key } from '../../ui/Key';

const KEYS: readonly [string, string][] = [
  ['1', 'Trace: cut from point to point'],
  ['2', 'Loops: insert an edge loop'],
  ['Enter', 'Make the cut'],
  ['Esc', 'Drop it'],
  ['Ctrl Z', 'Take the last point back, or without one the last step'],
  ['Ctrl Y', 'Make again the step that was taken back'],
  ['D', 'Division of edges to aim at: halves, thirds, quarters, fifths, none'],
  ['M', 'Loop at the middle of the edge, or where you point'],
  ['N', 'Next finding'],
  ['C', 'Clay'],
  ['S', 'Sides: wash faces that are no quads'],
  ['V', 'View all'],
  ['X', 'Turn to the back'],
  ['B', 'Brief'],
];

export function KeySheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog title="Keys of the bench" open={open} onClose={onClose}>
      <dl className="grid grid-cols-[72px_1fr] gap-y-1.5">
        {KEYS.map(([key, what]) => (
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
