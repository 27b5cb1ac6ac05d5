import { useState } from 'react';
import { Button } from '../../ui/Button';
import { counted } from '../../ui/time';

/** Why a finding is waved through; all like it together, where there are more. */
export function WaveForm(props: {
  alike: number;
  onWave: (reason: string, all: boolean) => void;
  onDrop: () => void;
}) {
  const [reason, setReason] = useState('');
  const [all, setAll] = useState(false);
  const ready = reason.trim() !== '';
  return (
    <form
      className="space-y-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        if (ready) props.onWave(reason.trim(), all);
      }}
      onKeyDown={(e) => {
        if (e.key !== 'Escape') return;
        e.stopPropagation();
        props.onDrop();
      }}
    >
      <input
        autoFocus
        aria-label="Why it does not count"
        placeholder="why it does not count"
        className="h-7 w-full rounded-ctl border border-ctl bg-sheet px-2"
        value={reason}
        maxLength={500}
        onChange={(e) => setReason(e.target.value)}
      />
      {props.alike > 1 && (
        <label className="flex items-center gap-1.5">
          <input type="checkbox" checked={all} onChange={(e) => setAll(e.target.checked)} />
          {`all ${counted(props.alike, 'finding')} like this`}
        </label>
      )}
      <span className="flex gap-1.5">
        <Button
          size="small"
          type="submit"
          shortcut="↵"
          disabled={!ready}
          title={ready ? undefined : 'Say why first'}
        >
          Wave through
        </Button>
        <Button size="small" onClick={props.onDrop}>
          Leave it
        </Button>
      </span>
    </form>
  );
}
