/** A time on the wall of the class. */
export function TimeField(props: {
  label: string;
  about: string;
  value: string | null;
  onChange: (value: string | null) => void;
}) {
  return (
    <label className="block">
      <span className="text-[13px] text-ink2">
        {props.label}, {props.about}
      </span>
      <input
        type="datetime-local"
        aria-label={props.label}
        className="mt-1 block h-8 w-full rounded-ctl border border-ctl bg-sheet px-2"
        value={props.value?.slice(0, 16) ?? ''}
        onChange={(e) => props.onChange(e.target.value ? `${e.target.value}:00` : null)}
      />
    </label>
  );
}
