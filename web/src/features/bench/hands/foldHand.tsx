import { Slider } from 'radix-ui';
import type { Change } from '../../../api/client';
import { Aim } from '../../../stage/Aim';
import { GhostLines } from '../../../stage/GhostLines';
import { pick, type Picked } from '../../../stage/pick';
import { Button } from '../../../ui/Button';
import { NumberField } from '../../../ui/NumberField';
import { TwoWay } from '../../../ui/TwoWay';
import { Choice } from '../../../ui/fields';
import { counted } from '../../../ui/time';
import { FoldPlay, PlayButton } from './FoldPlay';
import type { Cell } from './cells';
import type { Ground, Hand, Xy } from './hand';

/** Hinges that are to have the same angle. */
interface Hinges {
  edges: readonly number[];
  angle: number;
  /** They get the angle with which the panels close. */
  follows: boolean;
}

const FIRST: readonly Hinges[] = [{ edges: [], angle: 90, follows: false }];

/** Fold: clicks on edges make hinges, a click on a face says which panel stays. */
export function foldHand(ground: Ground, cell: Cell): Hand {
  const { stage, mesh, choose } = ground;
  const [groups, setGroups] = cell<readonly Hinges[]>('groups', FIRST);
  const [at, setAt] = cell('at', 0);
  const [held, setHeld] = cell<number | null>('held', null);
  const [played, setPlayed] = cell('played', 1);
  const [hover, setHover] = cell<Picked | null>('hover', null);

  const known = groups.map((g) => ({ ...g, edges: g.edges.filter((e) => mesh.hasEdge(e)) }));
  const own = known[at] ?? known[0]!;
  const count = known.reduce((n, g) => n + g.edges.length, 0);
  const stays = held !== null && mesh.hasFace(held) ? held : null;
  const folded = (share: number): Change | null =>
    count === 0
      ? null
      : {
          tool: 'fold',
          hinges: known.flatMap((g) =>
            g.edges.map((e) => ({ edges: [e], angle: g.angle * share, follows: g.follows })),
          ),
          held: stays,
        };
  const change = folded(played);
  const whole = folded(1);

  const aim = (xy: Xy | null): Picked | null =>
    xy && stage
      ? pick(stage, xy.x, xy.y, { faces: true, vertices: false, edges: true, division: 0 })
      : null;
  /** The hinges are marked as what is chosen is. */
  const setHinges = (next: readonly Hinges[]) => {
    setGroups(next);
    choose({ faces: [], vertices: [], edges: next.flatMap((g) => g.edges) });
  };
  const put = (more: Partial<Hinges>) =>
    setGroups(known.map((g, i) => (i === at ? { ...g, ...more } : g)));
  const kept = ground.hinges?.hinges ?? [];
  /** One group for each angle that they had. */
  const takeUp = () => {
    const taken: Hinges[] = [];
    for (const { edges, angle, follows } of kept) {
      const like = taken.find((g) => g.angle === angle && g.follows === follows);
      if (like) like.edges = [...like.edges, ...edges];
      else taken.push({ edges, angle, follows });
    }
    setHinges(taken);
    setAt(0);
    setHeld(ground.hinges?.held ?? null);
    setPlayed(1);
  };
  const drop = () => {
    setHinges(FIRST);
    setAt(0);
    setHeld(null);
    setPlayed(1);
  };

  return {
    pending: count > 0,
    change,
    missing: null,
    hover,
    point: (xy) => setHover(aim(xy)),
    click: (xy) => {
      const picked = aim(xy);
      if (picked?.on === 'face') {
        setHeld(picked.id === stays ? null : picked.id);
        return true;
      }
      if (picked?.on !== 'edge') return false;
      const { id } = picked;
      const had = own.edges.includes(id);
      setHinges(
        known.map((g, i) => {
          const rest = g.edges.filter((e) => e !== id);
          return { ...g, edges: i === at && !had ? [...rest, id] : rest };
        }),
      );
      return true;
    },
    back: () => {
      const last = known.findLast((g) => g.edges.length > 0);
      if (!last) return false;
      setHinges(known.map((g) => (g === last ? { ...g, edges: g.edges.slice(0, -1) } : g)));
      return true;
    },
    drop,
    // The hinges stay, to be folded on or laid flat.
    made: () => setPlayed(1),
    hint: () => ({
      lead: hover ? 'Next click' : 'Fold',
      rest: hover ? clickText(hover, own, stays) : 'turns panels about hinges: click the edges.',
    }),
    keys: [],
    drawing: (preview) => (
      <>
        {hover && <Aim picked={hover} division={0} />}
        {whole && (
          <FoldPlay
            workpiece={ground.workpiece}
            revision={ground.revision}
            mesh={mesh}
            change={whole}
            share={played}
          >
            {preview && !preview.refusal && change && <GhostLines ghost={preview.ghost} />}
          </FoldPlay>
        )}
      </>
    ),
    slip: () => (
      <>
        {count === 0 && kept.length > 0 && (
          <Button size="small" onClick={takeUp}>
            Take up the {counted(kept.length, 'hinge')} of before
          </Button>
        )}
        <Choice
          label="Hinges of one angle"
          value={String(at)}
          options={known.map(
            (g, i) => [String(i), `${counted(g.edges.length, 'edge')}, ${angleText(g)}`] as const,
          )}
          onChange={(i) => setAt(Number(i))}
        />
        <div className="flex items-center gap-2">
          <span className="flex-1">Fold by</span>
          <NumberField
            label="Fold by"
            value={own.angle}
            unit="°"
            digits={1}
            onCommit={(angle) => put({ angle })}
          />
        </div>
        <TwoWay
          label="Whether these lead"
          value={own.follows ? 'follow' : 'lead'}
          options={[
            { value: 'lead', name: 'These lead' },
            { value: 'follow', name: 'Follow the others' },
          ]}
          onChange={(v) => put({ follows: v === 'follow' })}
        />
        <div className="flex gap-2">
          <Button
            size="small"
            onClick={() => {
              setGroups([...known, { edges: [], angle: 90, follows: false }]);
              setAt(known.length);
            }}
          >
            Another angle
          </Button>
          <Button size="small" onClick={() => setGroups(known.map((g) => ({ ...g, angle: 0 })))}>
            All flat
          </Button>
        </div>
        <div>
          <p className="condensed flex items-center justify-between text-[13px] text-ink2">
            <span>Played from flat, {Math.round(played * 100)} %</span>
            <PlayButton disabled={count === 0} onShare={setPlayed} />
          </p>
          <Slider.Root
            className="relative flex h-[26px] touch-none items-center"
            value={[Math.round(played * 100)]}
            max={100}
            step={1}
            onValueChange={([share]) => setPlayed((share ?? 100) / 100)}
          >
            <Slider.Track className="relative h-[3px] flex-1 bg-ctl">
              <Slider.Range className="absolute h-full bg-ink" />
            </Slider.Track>
            <Slider.Thumb
              aria-label="Played from flat"
              className="block h-[20px] w-[10px] border border-ink bg-sheet"
            />
          </Slider.Root>
        </div>
        <p className="condensed text-[13px] text-ink2">
          {stays === null
            ? 'Click a face to say which panel stays.'
            : 'The panel of the face that was clicked stays.'}
        </p>
      </>
    ),
  };
}

function angleText(g: Hinges): string {
  if (g.follows) return 'following';
  return g.angle === 0 ? 'flat' : `${Math.round(g.angle * 10) / 10}°`;
}

function clickText(hover: Picked, own: Hinges, stays: number | null): string {
  if (hover.on === 'face')
    return hover.id === stays ? 'lets this panel go.' : 'holds this panel still.';
  return own.edges.includes(hover.id) ? 'lets this hinge go.' : 'makes this edge a hinge.';
}
