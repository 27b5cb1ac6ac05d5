import { useState } from 'react';

interface Props {
  label: string;
  value: number;
  unit: string;
  onCommit: (value: number) => void;
  digits?: number;
  /** Stands in the field before the number, where there is no room beside it. */
  letter?: string;
}

/** A number with its unit; takes what was typed on Enter or on leaving. */
export function NumberField({ label, value, unit, onCommit, digits = 1, letter }: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const commit = () => {
    if (draft === null) return;
    const typed = Number(draft.replace(',', '.'));
    setDraft(null);
    if (draft.trim() !== '' && Number.isFinite(typed)) onCommit(typed);
  };
  return (
    <label className="flex h-7 items-center gap-1 rounded-ctl border border-ctl bg-sheet px-2 focus-within:outline-2 focus-within:outline-offset-1 focus-within:outline-channel">
      {letter && <span className="text-[12px] text-ink2">{letter}</span>}
      <input
        aria-label={`${label} in ${unit}`}
        className="w-full min-w-0 bg-transparent outline-none"
        inputMode="decimal"
        value={draft ?? value.toFixed(digits)}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && draft !== null) {
            e.stopPropagation();
            commit();
          }
        }}
      />
      {!letter && <span className="text-[12px] whitespace-nowrap text-ink2">{unit}</span>}
    </label>
  );
}
