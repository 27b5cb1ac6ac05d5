import type { Change, Schemas } from '../../../api/client';
import { GhostLines } from '../../../stage/GhostLines';
import { MendList } from '../../../trade/MendList';
import { Button } from '../../../ui/Button';
import { counted, numberText } from '../../../ui/time';
import type { Cell } from './cells';
import type { Ground, Hand } from './hand';

/** The mend that goes with a note of an answer. */
export interface GivenMend {
  note: number;
  does: string;
  change: Change;
}

/** How many findings of a kind stand; its plural, in words. */
export interface KindAt {
  kind: string;
  name: string;
  count: number;
}

/** What is known of mends for the finding that is chosen. */
export interface MendGround {
  /** What came with an answer: tried first. */
  given: GivenMend | null;
  letGo: () => void;
  /** Its title; null where none is chosen. */
  finding: string | null;
  kind: string | null;
  standing: readonly KindAt[];
  offer: Schemas['MendsView'] | null;
  /** Why there is no offer. */
  problem: string | null;
  /** All of some kinds at once, once that was asked for. */
  all: Schemas['AllView'] | null;
  /** The kinds that were asked for; null for none. */
  kinds: readonly string[] | null;
  askAll: (kinds: readonly string[] | null) => void;
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
  const { given } = mend;
  const isAllAsked = mend.kinds !== null;
  const change = given ? given.change : isAllAsked ? (all?.change ?? null) : (own?.change ?? null);
  const drop = () => {
    mend.askAll(null);
    mend.letGo();
  };
  return {
    pending: change !== null,
    change,
    missing: missing(mend),
    hover: null,
    point: () => undefined,
    click: () => false,
    back: () => {
      if (!isAllAsked && !given) return false;
      drop();
      return true;
    },
    drop,
    made: drop,
    hint: () => ({
      lead: 'Mend',
      rest: given
        ? 'from your answer is drawn dotted: Enter does it, and it can be taken back.'
        : mend.finding === null
          ? 'cures a finding: choose one, in the list or by its mark.'
          : mends.length > 1
            ? 'is drawn dotted. Another is an arrow away.'
            : 'is drawn dotted where there is one.',
    }),
    keys:
      mends.length > 1 && !isAllAsked && !given
        ? [
            { key: 'ArrowDown', does: 'the next mend', act: () => walk(1) },
            { key: 'ArrowUp', does: 'the one before', act: () => walk(-1) },
          ]
        : [],
    drawing: (preview) =>
      preview && !preview.refusal && change ? <GhostLines ghost={preview.ghost} isAdvice /> : null,
    slip: () => (
      <>
        {given && (
          <>
            <p className="font-semibold">{`The mend of note ${given.note}`}</p>
            <p>{given.does}</p>
          </>
        )}
        {!given && mend.finding !== null && <p className="font-semibold">{mend.finding}</p>}
        {!given && mends.length > 0 && !isAllAsked && (
          <MendList mends={mends} at={at} onChoose={(i) => setPlace({ name, at: i })} />
        )}
        {!given && mend.kind !== null && !isAllAsked && mend.standing.length > 0 && (
          <Button size="small" onClick={() => mend.askAll([mend.kind!])}>
            {allText(mend)}
          </Button>
        )}
        {isAllAsked && !given && <Kinds mend={mend} />}
        {isAllAsked && !given && <Swept mend={mend} />}
        {!given && (
          <Button size="small" onClick={mend.next}>
            Next finding
          </Button>
        )}
      </>
    ),
  };
}

function allText(mend: MendGround): string {
  const own = mend.standing.find((k) => k.kind === mend.kind);
  return own && own.count > 1
    ? `Mend all ${numberText(own.count)} ${own.name}`
    : 'Mend several at once';
}

/** Of what stands, which kinds are mended together. */
function Kinds({ mend }: { mend: MendGround }) {
  const kinds = mend.kinds ?? [];
  return (
    <fieldset className="space-y-0.5">
      <legend className="mb-1 text-ink2">All of these in one step</legend>
      {mend.standing.map(({ kind, name, count }) => (
        <label key={kind} className="flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={kinds.includes(kind)}
            onChange={(e) =>
              mend.askAll(
                e.target.checked ? [...kinds, kind] : kinds.filter((other) => other !== kind),
              )
            }
          />
          {`${numberText(count)} ${name}`}
        </label>
      ))}
    </fieldset>
  );
}

/** How far it is, or what came of it. */
function Swept({ mend }: { mend: MendGround }) {
  const { all } = mend;
  if (mend.kinds?.length === 0 || !all) return null;
  if (!all.isDone) {
    return (
      <div className="space-y-1.5">
        <p role="status">
          {all.of === 0
            ? 'Checking the whole mesh.'
            : `${numberText(all.dealt)} of ${counted(all.of, 'finding')} looked at.`}
        </p>
        <progress
          aria-label="How far it is"
          className="block h-1 w-full accent-ink"
          value={all.dealt}
          max={Math.max(1, all.of)}
        />
        <Button size="small" onClick={() => mend.askAll(null)}>
          Stop
        </Button>
      </div>
    );
  }
  return (
    <>
      <p>
        {all.change
          ? `${counted(all.mended, 'finding')} ${all.mended === 1 ? 'goes' : 'go'} in one step${all.left > 0 ? `, ${numberText(all.left)} can't be mended so` : ''}.`
          : 'None of them can be mended.'}
      </p>
      {all.routes && <p className="text-[13px] text-ink2">{all.routes}</p>}
    </>
  );
}

function missing(mend: MendGround): string | null {
  if (mend.given) return null;
  if (mend.finding === null) return 'Choose a finding first: in the list, by its mark, or with N.';
  if (mend.problem) return mend.problem;
  if (mend.kinds?.length === 0) return 'Choose what is to be mended.';
  if (mend.kinds) return mend.all?.isDone ? null : 'Looking for what mends them all.';
  if (!mend.offer) return 'Looking for what would mend it.';
  return mend.offer.mends.length === 0 ? mend.offer.reason : null;
}
