import type { Change, Schemas, View } from '../../../api/client';
import type { Point } from '../../../mesh/MeshBuffers';
import { Aim } from '../../../stage/Aim';
import { CutLine } from '../../../stage/CutLine';
import { Handle, ScreenLine } from '../../../stage/Handle';
import { pick, type Picked } from '../../../stage/pick';
import { Choice } from '../../../ui/fields';
import { anchorOf } from '../pending';
import type { Cell } from './cells';
import type { Ground, Hand, Hint, Xy } from './hand';
import { viewOf } from './hand';
import { NUMBERS, PlaneFields, type By, type Straight } from './PlaneFields';
import { PlaneGrips } from './PlaneGrips';
import { ThenChoice, type Then } from './Then';

const BYS: readonly (readonly [By, string])[] = [
  ['drawn', 'Drawn'],
  ['x', 'Across X'],
  ['y', 'Across Y'],
  ['z', 'Across Z'],
  ['three', 'Three points'],
  ['face', 'Square to a face'],
];

interface Place {
  at: Point;
  picked: Picked | null;
}

const STEP = 15;

/** Straight: a plane seen edge-on, along an axis, through three points or square to a face. */
export function straightHand(ground: Ground, cell: Cell): Hand {
  const { stage, scope, division, unit } = ground;
  const [by, setBy] = cell<By>('by', 'drawn');
  const [places, setPlaces] = cell<readonly Place[]>('places', []);
  const [view, setView] = cell<View | null>('view', null);
  const [numbers, setNumbers] = cell('numbers', NUMBERS);
  const [front, setFront] = cell('front', false);
  const [between, setBetween] = cell('between', false);
  const [after, setAfter] = cell<Straight['after']>('after', 'joined');
  const [ends, setEnds] = cell<Straight['ends']>('ends', 'open');
  const [steps, setSteps] = cell('steps', false);
  const [held, setHeld] = cell<number | null>('held', null);
  const [hover, setHover] = cell<Picked | null>('hover', null);
  const [pointer, setPointer] = cell<Xy | null>('pointer', null);
  const [then, setThen] = cell<Then>('then', 'none');

  const needed = by === 'drawn' ? 2 : by === 'three' ? 3 : 1;
  const plane = planeOf(by, places, view);
  const change: Change | null = plane
    ? {
        tool: 'straight',
        plane,
        ...numbers,
        reach: front ? 'front' : 'through',
        between: between && by === 'drawn',
        eye: view,
        after: front || between ? 'joined' : after,
        ends,
        scope,
      }
    : null;

  const aim = (at: Xy | null): Picked | null =>
    at && stage ? pick(stage, at.x, at.y, { faces: true, vertices: true, division }) : null;

  const placeAt = (at: Xy): Place => {
    const picked = by === 'drawn' ? null : aim(at);
    return { at: picked?.at ?? stage!.onSight(at.x, at.y), picked };
  };

  const stepped = (at: Xy, from: Place | undefined): Xy => {
    if (!steps || !from || !stage) return at;
    const start = stage.project(from.at);
    const turn = (STEP * Math.PI) / 180;
    const angle = Math.round(Math.atan2(at.y - start.y, at.x - start.x) / turn) * turn;
    const length = Math.hypot(at.x - start.x, at.y - start.y);
    return { x: start.x + length * Math.cos(angle), y: start.y + length * Math.sin(angle) };
  };

  const click = (at: Xy): boolean => {
    if (!stage) return false;
    if (held !== null) {
      const put = placeAt(stepped(at, places[1 - held]));
      setPlaces(places.map((p, i) => (i === held ? put : p)));
      setView(viewOf(stage));
      setHeld(null);
      return true;
    }
    const grabbed = by === 'drawn' && places.length === 2 ? handleAt(at) : null;
    if (grabbed !== null) {
      setHeld(grabbed);
      return true;
    }
    const kept = places.length >= needed ? [] : places;
    const put = placeAt(stepped(at, by === 'drawn' ? kept[0] : undefined));
    if (by !== 'drawn' && !put.picked) return false;
    if (by === 'face' && put.picked?.on !== 'face') return false;
    setPlaces([...kept, put]);
    setView(viewOf(stage));
    return true;
  };

  const handleAt = (at: Xy): number | null => {
    const near = places.findIndex((p) => {
      const q = stage!.project(p.at);
      return Math.hypot(q.x - at.x, q.y - at.y) < 12;
    });
    return near < 0 ? null : near;
  };

  const drop = () => {
    setPlaces([]);
    setNumbers(NUMBERS);
    setHeld(null);
  };

  const missing =
    places.length === 0 || plane ? null : `${needed - places.length} more to tell the plane.`;

  return {
    pending: places.length > 0,
    change,
    missing,
    hover: by === 'drawn' ? null : hover,
    point: (at) => {
      setPointer(at);
      setHover(by === 'drawn' ? null : aim(at));
    },
    click,
    back: () => {
      if (held !== null) setHeld(null);
      else setPlaces(places.slice(0, -1));
      return places.length > 0;
    },
    drop,
    made: drop,
    then: then === 'none' || change?.tool !== 'straight' || change.after !== 'joined' ? null : then,
    hint: () => hintFor(by, places.length, held !== null),
    keys: [
      { key: 'K', does: steps ? `steps of ${STEP}°` : 'any angle', act: () => setSteps(!steps) },
      { key: 'R', does: front ? 'front only' : 'right through', act: () => setFront(!front) },
    ],
    drawing: (preview) => (
      <>
        {hover && by !== 'drawn' && <Aim picked={hover} division={division} />}
        {by === 'drawn' && places[0] && (
          <ScreenLine
            from={places[0].at}
            to={places.length === 2 && held === null ? places[1]!.at : null}
            pointer={pointer && stepped(pointer, held === 0 ? places[1] : places[0])}
            held={held}
            other={held === 0 ? (places[1]?.at ?? null) : null}
          />
        )}
        {by === 'drawn' &&
          places.length === 2 &&
          places.map((p, i) => <Handle key={i} at={p.at} />)}
        {preview && !preview.refusal && change && (
          <CutLine pieces={preview.pieces} letters={false} />
        )}
        {preview?.plane && !preview.refusal && change && held === null && (
          <PlaneGrips
            stage={stage}
            plane={preview.plane}
            pieces={preview.pieces}
            numbers={numbers}
            onNumbers={(more) => setNumbers({ ...numbers, ...more })}
          />
        )}
      </>
    ),
    slip: (preview) => (
      <>
        <Choice
          label="The plane"
          value={by}
          options={BYS}
          onChange={(next) => {
            setBy(next);
            setPlaces([]);
          }}
        />
        {places.length === 0 && <p className="text-ink2">{hintFor(by, 0, false).rest}</p>}
        {plane && (
          <PlaneFields
            by={by}
            unit={unit}
            numbers={numbers}
            front={front}
            between={between}
            after={after}
            ends={ends}
            preview={preview}
            onNumbers={(more) => setNumbers({ ...numbers, ...more })}
            onFront={setFront}
            onBetween={setBetween}
            onAfter={setAfter}
            onEnds={setEnds}
          />
        )}
        {plane && after === 'joined' && (
          <ThenChoice
            then={then}
            what="the smallest part that the planes cut off"
            onThen={setThen}
          />
        )}
      </>
    ),
  };
}

function planeOf(by: By, places: readonly Place[], view: View | null): Schemas['PlaneBy'] | null {
  const [a, b, c] = places;
  if (by === 'drawn') return a && b && view ? { by: 'drawn', from: a.at, to: b.at, view } : null;
  if (by === 'three') {
    return a && b && c
      ? { by: 'anchors', anchors: [a, b, c].map((p) => anchorOf(p.picked!)) }
      : null;
  }
  if (!a) return null;
  if (by === 'face') return a.picked?.on === 'face' ? { by: 'face', face: a.picked.id } : null;
  return { by: 'axis', axis: by, offset: a.at[by] };
}

function hintFor(by: By, placed: number, held: boolean): Hint {
  if (held) return { lead: 'Next click', rest: 'puts this end of the line down here.' };
  switch (by) {
    case 'drawn':
      return placed === 1
        ? {
            lead: 'Next click',
            rest: 'ends the line; the cut goes along it, straight away from you.',
          }
        : {
            lead: 'Cuts along a line:',
            rest: 'click where it begins, then where it ends.',
          };
    case 'three':
      return {
        lead: 'Next click',
        rest: `sets place ${(placed % 3) + 1} of 3 that tell the plane.`,
      };
    case 'face':
      return {
        lead: 'Next click',
        rest: 'on a face lays the plane square to it, through its middle.',
      };
    default:
      return {
        lead: 'Next click',
        rest: `on the model lays the plane there, across ${by.toUpperCase()}.`,
      };
  }
}
