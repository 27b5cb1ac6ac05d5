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
    <span className={`relative inline-flex min-w-0 ${className ?? ''}`}>
      <select
        aria-label={label}
        value={value}
        className={`w-full min-w-0 appearance-none truncate rounded-ctl border border-ctl bg-sheet pr-6 pl-2 hover:border-ink ${size === 'small' ? 'h-[26px] text-[13px]' : 'h-8'}`}
        onChange={(e) => onChange(e.target.value)}
      >
        {options.map(([key, name]) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </select>
      <svg
        width={10}
        height={6}
        viewBox="0 0 10 6"
        aria-hidden
        className="pointer-events-none absolute top-1/2 right-2 -translate-y-1/2"
      >
        <path d="M1 1l4 4 4-4" fill="none" stroke="currentColor" strokeWidth={1.5} />
      </svg>
    </span>
  );
}
