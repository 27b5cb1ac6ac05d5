import { Key } from '../../ui/Key';
import { hintFor } from './hint';
import type { PendingCut } from './usePendingCut';

/** The line under the view: what the next click does, and the keys that change it. */
export function HintLine({ cut, onKeys }: { cut: PendingCut; onKeys: () => void }) {
  const { tool, hover, points, pending, preview, atCentre } = cut;
  const hint = hintFor({ tool, hover, points: points.length, pending, preview, atCentre });
  return (
    <div className="flex h-[34px] shrink-0 items-center gap-5 border-t border-ink bg-shoal1 px-4 text-ink2">
      <span className="text-ink" data-testid="hint">
        <b className="font-semibold">{hint.lead}</b> {hint.rest}
      </span>
      {tool === 'trace' ? (
        <span>
          <Key>D</Key> division: {divisionName(cut.division)}
        </span>
      ) : (
        <span>
          <Key>M</Key> {atCentre ? 'at the middle of the edge' : 'where you point'}
        </span>
      )}
      {pending && (
        <span>
          <Key>Ctrl Z</Key> takes the last {tool === 'trace' ? 'point' : 'click'} back
        </span>
      )}
      <button
        type="button"
        className="ml-auto flex items-center gap-1.5 hover:underline"
        onClick={onKeys}
      >
        <Key>?</Key> all keys
      </button>
    </div>
  );
}

function divisionName(division: number): string {
  return ['none', '', 'halves', 'thirds', 'quarters', 'fifths'][division] ?? '';
}
