import { useState, type ReactNode } from 'react';

/** Where files are dropped; what chooses them otherwise stands in it. */
export function DropArea(props: { onDropped: (data: DataTransfer) => void; children: ReactNode }) {
  const [over, setOver] = useState(false);
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
        props.onDropped(e.dataTransfer);
      }}
    >
      {props.children}
    </div>
  );
}
