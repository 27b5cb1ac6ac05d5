type Side<T> = readonly [T, string];

/** One of two, as words side by side. */
export function TwoOf<T>(props: {
  label: string;
  value: T;
  first: Side<T>;
  second: Side<T>;
  onChange: (value: T) => void;
}) {
  return (
    <span
      role="radiogroup"
      aria-label={props.label}
      className="flex overflow-hidden rounded-ctl border border-ctl bg-sheet"
    >
      {[props.first, props.second].map(([value, name]) => (
        <button
          key={name}
          type="button"
          role="radio"
          aria-checked={props.value === value}
          className={`h-6 px-2 text-[13px] outline-offset-[-3px] ${props.value === value ? 'bg-shoal2 font-semibold' : 'text-ink2 hover:bg-shoal1'}`}
          onClick={() => props.onChange(value)}
        >
          {name}
        </button>
      ))}
    </span>
  );
}
