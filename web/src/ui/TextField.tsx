import type { InputHTMLAttributes } from 'react';

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange'> {
  label: string;
  /** What helps to fill it in, under the field. */
  hint?: string;
  onChange: (value: string) => void;
}

/** A line of text with its name above it. */
export function TextField({ label, hint, onChange, className, ...rest }: Props) {
  return (
    <label className={`block ${className ?? ''}`}>
      <span className="text-[13px] text-ink2">{label}</span>
      <input
        {...rest}
        className="mt-1 block h-8 w-full rounded-ctl border border-ctl bg-sheet px-2.5"
        onChange={(e) => onChange(e.target.value)}
      />
      {hint && <span className="mt-1 block text-[13px] text-ink2">{hint}</span>}
    </label>
  );
}

/** What went wrong with what was typed. */
export function Refusal({ children }: { children: string }) {
  return (
    <p role="alert" className="border-l-[3px] border-ink bg-shoal1 px-3 py-2">
      {children}
    </p>
  );
}
