import type { Schemas } from '../api/client';
import { counted, numberText } from '../ui/time';

type MendView = Schemas['MendView'];

interface Props {
  mends: readonly MendView[];
  /** Which is chosen. */
  at: number;
  onChoose: (at: number) => void;
}

/** Mends of a finding with what they cost, the least first. */
export function MendList({ mends, at, onChoose }: Props) {
  return (
    <div role="radiogroup" aria-label="Mends" className="space-y-1">
      {mends.map((m, i) => (
        <button
          key={i}
          type="button"
          role="radio"
          aria-checked={i === at}
          className={`w-full rounded-ctl border px-2 py-1.5 text-left ${i === at ? 'border-ink bg-shoal1' : 'border-ctl bg-sheet hover:bg-shoal1'}`}
          onClick={() => onChoose(i)}
        >
          <span className="block leading-[18px]">{m.does}</span>
          <span className="condensed block text-[13px] text-ink2">{costText(m)}</span>
          {m.why && i === 0 && (
            <span className="condensed block text-[13px] text-ink2">{m.why}</span>
          )}
        </button>
      ))}
    </div>
  );
}

/** What it costs, in a line. */
function costText(m: MendView): string {
  const { cost } = m;
  const poles = Object.entries(cost.poles).map(([valence, n]) =>
    n === 1 ? `a pole of ${valence}` : `${n} poles of ${valence}`,
  );
  const told = [
    cost.faces !== 0 && `${signed(cost.faces)} ${Math.abs(cost.faces) === 1 ? 'face' : 'faces'}`,
    cost.vertices !== 0 &&
      `${signed(cost.vertices)} ${Math.abs(cost.vertices) === 1 ? 'vertex' : 'vertices'}`,
    ...poles,
    cost.should + cost.remarks > 0 && `brings ${counted(cost.should + cost.remarks, 'finding')}`,
    m.cures > 1 && `cures ${m.cures} findings`,
  ].filter(Boolean);
  return told.length > 0 ? told.join(', ') : 'Adds nothing.';
}

function signed(n: number): string {
  return n > 0 ? `+${numberText(n)}` : `−${numberText(-n)}`;
}
