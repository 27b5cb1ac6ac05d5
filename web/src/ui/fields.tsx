import type { ReactNode } from 'react';

/** A name and its field, side by side. */
export function FieldRow({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[1fr_124px] items-center gap-2">
      <span>{name}</span>
      {children}
    </div>
  );
}

interface ChoiceProps<T extends string> {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
}

/** One of several, as words in rows that wrap. */
export function Choice<T extends string>({ label, value, options, onChange }: ChoiceProps<T>) {
  return (
    <div role="radiogroup" aria-label={label} className="condensed flex flex-wrap gap-1">
      {options.map(([option, name]) => (
        <button
          key={option}
          type="button"
          role="radio"
          aria-checked={option === value}
          className={`h-[26px] rounded-ctl border px-2 text-[13px] ${option === value ? 'border-ink bg-shoal2 font-semibold' : 'border-ctl bg-sheet text-ink2 hover:bg-shoal1'}`}
          onClick={() => onChange(option)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
