import { useState } from 'react';

/** A number in a small box: taken over as it is typed, as soon as it is one. */
export function NumberBox(props: { label: string; value: number; onSet: (value: number) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const number = Number((typed ?? '').replace(',', '.'));
  const wrong = typed !== null && (typed.trim() === '' || !Number.isFinite(number) || number < 0);
  return (
    <input
      aria-label={props.label}
      aria-invalid={wrong}
      inputMode="decimal"
      className={`h-7 w-14 rounded-ctl border bg-sheet px-2 ${wrong ? 'border-2 border-ink' : 'border-ctl'}`}
      value={typed ?? String(props.value)}
      onChange={(e) => {
        setTyped(e.target.value);
        const next = Number(e.target.value.replace(',', '.'));
        if (e.target.value.trim() !== '' && Number.isFinite(next) && next >= 0) props.onSet(next);
      }}
      onBlur={() => setTyped(null)}
    />
  );
}
