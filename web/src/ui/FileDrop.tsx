import { useRef, useState, type ReactNode } from 'react';
import { Button } from './Button';

interface Props {
  /** What is to come, for a screen reader. */
  label: string;
  accept: string;
  onDropped: (file: File) => void;
  onChosen: (file: File) => void;
  /** Beside the button that chooses. */
  children?: ReactNode;
}

/** Where a file is dropped, or chosen. */
export function FileDrop({ label, accept, onDropped, onChosen, children }: Props) {
  const [over, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  return (
    <div
      data-testid="drop"
      className={`border border-dashed p-4 ${over ? 'border-ink bg-shoal1' : 'border-ctl'}`}
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        const dropped = e.dataTransfer.files[0];
        if (dropped) onDropped(dropped);
      }}
    >
      <input
        ref={input}
        type="file"
        accept={accept}
        className="sr-only"
        tabIndex={-1}
        aria-label={label}
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          // The same file may be chosen once more, after it was mended.
          e.target.value = '';
          if (chosen) onChosen(chosen);
        }}
      />
      <p className="mb-3 text-ink2">Drop the file here, or choose it.</p>
      <div className="flex items-center gap-3">
        <Button onClick={() => input.current?.click()}>Choose a file</Button>
        {children}
      </div>
    </div>
  );
}
