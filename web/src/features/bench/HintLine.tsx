import { Key } from '../../ui/Key';
import type { Hint } from './hands/hand';
import type { PendingCut } from './usePendingCut';

interface Props {
  cut: PendingCut;
  /** What a click does while elements are chosen, in place of the tool's sentence. */
  choosing: Hint | null;
  onFind: () => void;
  onKeys: () => void;
}

const ARROWS: Record<string, string> = { ArrowDown: '↓', ArrowUp: '↑' };
const AIMS: readonly string[] = ['trace', 'straight'];

/** The line under the view: what the next click does, and the keys that change it. */
export function HintLine({ cut, choosing, onFind, onKeys }: Props) {
  const hint = choosing ?? cut.hand.hint(cut.preview);
  return (
    <div className="flex h-[34px] shrink-0 items-center gap-4 border-t border-ink bg-shoal1 px-4 whitespace-nowrap text-ink2">
      <span className="min-w-0 truncate text-ink" data-testid="hint">
        <b className="font-semibold">{hint.lead}</b> {hint.rest}
      </span>
      {!choosing && AIMS.includes(cut.tool) && (
        <span>
          <Key>D</Key> {divisionName(cut.division)}
        </span>
      )}
      {!choosing &&
        cut.hand.keys.map(({ key, does }) => (
          <span key={key}>
            <Key>{ARROWS[key] ?? key}</Key> {does}
          </span>
        ))}
      {cut.pending && (
        <span>
          <Key>Ctrl Z</Key> takes one back
        </span>
      )}
      <button
        type="button"
        className="ml-auto flex items-center gap-1.5 hover:underline"
        onClick={onKeys}
      >
        <Key>?</Key> keys
      </button>
      <button type="button" className="flex items-center gap-1.5 hover:underline" onClick={onFind}>
        <Key>/</Key> find
      </button>
    </div>
  );
}

function divisionName(division: number): string {
  return ['no division', '', 'halves', 'thirds', 'quarters', 'fifths'][division] ?? '';
}
