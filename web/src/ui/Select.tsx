interface Props {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
  size?: 'small' | 'normal';
  className?: string;
}

/** One of many, in the browser's own list: it finds by typing, and fits every screen. */
export function Select({ label, value, options, onChange, size, className }: Props) {
  return (
    <select
      aria-label={label}
      value={value}
      className={`rounded-ctl border border-ctl bg-sheet px-2 ${size === 'small' ? 'h-[26px] text-[13px]' : 'h-8'} ${className ?? ''}`}
      onChange={(e) => onChange(e.target.value)}
    >
      {options.map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </select>
  );
}
