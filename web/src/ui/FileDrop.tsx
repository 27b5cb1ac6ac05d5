import { useRef, type ReactNode } from 'react';
import { Button } from './Button';
import { DropArea } from './DropArea';

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
  const input = useRef<HTMLInputElement>(null);
  return (
    <DropArea
      onDropped={(data) => {
        const dropped = data.files[0];
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
    </DropArea>
  );
}
