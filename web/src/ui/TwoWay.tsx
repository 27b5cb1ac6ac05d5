interface Props<T extends string> {
  label: string;
  value: T | null;
  options: readonly { value: T; name: string; shortcut?: string }[];
  onChange: (value: T) => void;
  instructor?: boolean;
  disabled?: boolean;
}

/** A switch of two halves. */
export function TwoWay<T extends string>(props: Props<T>) {
  const chosen = props.instructor
    ? 'bg-magenta text-paper font-semibold'
    : 'bg-shoal2 font-semibold';
  const rest = props.instructor
    ? 'text-magenta hover:bg-magenta-wash'
    : 'text-ink2 hover:bg-shoal1';
  const border = props.instructor ? 'border-magenta' : 'border-ctl';
  return (
    <div
      role="radiogroup"
      aria-label={props.label}
      className={`flex overflow-hidden rounded-ctl border bg-sheet ${border}`}
    >
      {props.options.map((option) => (
        <button
          key={option.value}
          type="button"
          role="radio"
          aria-checked={option.value === props.value}
          disabled={props.disabled}
          className={`h-[30px] flex-1 px-2 outline-offset-[-3px] ${option.value === props.value ? chosen : rest}`}
          onClick={() => props.onChange(option.value)}
        >
          {option.name}
          {option.shortcut && <span className="ml-1.5 text-[11px]">{option.shortcut}</span>}
        </button>
      ))}
    </div>
  );
}
