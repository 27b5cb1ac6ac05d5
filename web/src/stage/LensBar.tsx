import { LENSES } from './lenses';
import type { Lens } from './lenses';

/** The lenses as words with their letters. */
export function LensBar(props: {
  lens: Lens;
  onLens: (lens: Lens) => void;
  /** Letters that something else has just now. */
  taken?: readonly string[];
  /** Lenses that may be looked through; null: all. */
  allowed?: readonly Lens[] | null;
}) {
  const { lens, onLens, taken = [], allowed = null } = props;
  return (
    <span className="condensed flex flex-wrap" role="group" aria-label="Lenses">
      {LENSES.filter((l) => !allowed || allowed.includes(l.lens)).map((l) => (
        <button
          key={l.lens}
          type="button"
          title={l.about}
          aria-pressed={lens === l.lens}
          className={`flex h-7 items-center gap-[3px] rounded-ctl px-[4.5px] ${lens === l.lens ? 'bg-ink font-semibold text-paper' : 'text-ink2 hover:bg-shoal1 hover:text-ink'}`}
          onClick={() => onLens(l.lens)}
        >
          {l.name}
          {!taken.includes(l.letter) && <span className="text-[11px]">{l.letter}</span>}
        </button>
      ))}
    </span>
  );
}
