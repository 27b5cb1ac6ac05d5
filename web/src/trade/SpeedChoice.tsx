export const SPEEDS = [
  { name: 'slow', ms: 2400 },
  { name: '1x', ms: 1200 },
  { name: '4x', ms: 400 },
] as const;

export type Speed = (typeof SPEEDS)[number]['name'];

export function msOf(speed: Speed): number {
  return SPEEDS.find((s) => s.name === speed)!.ms;
}

/** How fast steps follow one another when they are played. */
export function SpeedChoice(props: { speed: Speed; onSpeed: (speed: Speed) => void }) {
  return (
    <span
      role="radiogroup"
      aria-label="Speed"
      className="flex overflow-hidden rounded-ctl border border-ctl bg-sheet"
    >
      {SPEEDS.map(({ name }) => (
        <button
          key={name}
          type="button"
          role="radio"
          aria-checked={props.speed === name}
          className={`h-6 px-2 outline-offset-[-3px] ${props.speed === name ? 'bg-shoal2 font-semibold' : 'text-ink2 hover:bg-shoal1'}`}
          onClick={() => props.onSpeed(name)}
        >
          {name}
        </button>
      ))}
    </span>
  );
}
