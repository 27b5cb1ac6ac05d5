import type { Schemas } from '../../../api/client';
import { GhostLines } from '../../../stage/GhostLines';
import { Button } from '../../../ui/Button';
import { counted, numberText } from '../../../ui/time';
import type { Cell } from './cells';
import type { Ground, Hand } from './hand';

type MendView = Schemas['MendView'];

/** What is known of mends for the finding that is chosen. */
export interface MendGround {
  /** Its title; null where none is chosen. */
  finding: string | null;
  /** How many of its kind there are. */
  alike: number;
  /** The plural of its kind, in words. */
  kind: string;
  offer: Schemas['MendsView'] | null;
  /** Why there is no offer. */
  problem: string | null;
  /** All of its kind at once, once that was asked for. */
  all: Schemas['AllView'] | null;
  isAllAsked: boolean;
  askAll: (asked: boolean) => void;
  next: () => void;
}

/** Mend: what would cure the finding that is chosen, the least first; arrows go from one to another. */
export function mendHand(ground: Ground, mend: MendGround, cell: Cell): Hand {
  const { offer, all } = mend;
  const name = `${ground.revision} ${offer?.finding ?? ''}`;
  const [place, setPlace] = cell<{ name: string; at: number }>('place', { name: '', at: 0 });
  const mends = offer?.mends ?? [];
  const at = place.name === name ? Math.min(place.at, mends.length - 1) : 0;
  const own = mends[at];
  const walk = (step: number) =>
    mends.length > 0 && setPlace({ name, at: (at + step + mends.length) % mends.length });
  const change = mend.isAllAsked ? (all?.change ?? null) : (own?.change ?? null);
  return {
    pending: change !== null,
    change,
    missing: missing(mend),
    hover: null,
    point: () => undefined,
    click: () => false,
    back: () => {
      if (!mend.isAllAsked) return false;
      mend.askAll(false);
      return true;
    },
    drop: () => mend.askAll(false),
    made: () => mend.askAll(false),
    hint: () => ({
      lead: 'Mend',
      rest:
        mend.finding === null
          ? 'cures a finding: choose one, in the list or by its mark.'
          : mends.length > 1
            ? 'is drawn dotted. Another is an arrow away.'
            : 'is drawn dotted where there is one.',
    }),
    keys:
      mends.length > 1 && !mend.isAllAsked
        ? [
            { key: 'ArrowDown', does: 'the next mend', act: () => walk(1) },
            { key: 'ArrowUp', does: 'the one before', act: () => walk(-1) },
          ]
        : [],
    drawing: (preview) =>
      preview && !preview.refusal && change ? <GhostLines ghost={preview.ghost} isAdvice /> : null,
    slip: () => (
      <>
        {mend.finding !== null && <p className="font-semibold">{mend.finding}</p>}
        {mends.length > 0 && !mend.isAllAsked && (
          <ul role="radiogroup" aria-label="Mends" className="space-y-1">
            {mends.map((m, i) => (
              <li key={i}>
                <button
                  type="button"
                  role="radio"
                  aria-checked={i === at}
                  className={`w-full rounded-ctl border px-2 py-1.5 text-left ${i === at ? 'border-ink bg-shoal1' : 'border-ctl bg-sheet hover:bg-shoal1'}`}
                  onClick={() => setPlace({ name, at: i })}
                >
                  <span className="block leading-[18px]">{m.does}</span>
                  <span className="condensed block text-[13px] text-ink2">{costText(m)}</span>
                  {m.why && i === 0 && (
                    <span className="condensed block text-[13px] text-ink2">{m.why}</span>
                  )}
                </button>
              </li>
            ))}
          </ul>
        )}
        {mend.finding !== null && mend.alike > 1 && !mend.isAllAsked && (
          <Button size="small" onClick={() => mend.askAll(true)}>
            {`Mend all ${numberText(mend.alike)} ${mend.kind}`}
          </Button>
        )}
        {mend.isAllAsked && all && (
          <p>
            {all.change
              ? `${counted(all.mended, 'finding')} ${all.mended === 1 ? 'goes' : 'go'} in one step${all.left > 0 ? `, ${numberText(all.left)} can't be mended so` : ''}.`
              : 'None of them can be mended.'}
          </p>
        )}
        <Button size="small" onClick={mend.next}>
          Next finding
        </Button>
      </>
    ),
  };
}

function missing(mend: MendGround): string | null {
  if (mend.finding === null) return 'Choose a finding first: in the list, by its mark, or with N.';
  if (mend.problem) return mend.problem;
  if (mend.isAllAsked) return mend.all ? null : 'Looking for what mends them all.';
  if (!mend.offer) return 'Looking for what would mend it.';
  return mend.offer.mends.length === 0 ? mend.offer.reason : null;
}

/** What it costs, in a line. */
export function costText(m: MendView): string {
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
