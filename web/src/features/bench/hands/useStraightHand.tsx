import { useRef, useState } from 'react';
import type { Change, Preview, Schemas, View } from '../../../api/client';
import type { Point } from '../../../mesh/MeshBuffers';
import { Aim } from '../../../stage/Aim';
import { CutLine } from '../../../stage/CutLine';
import { Grip } from '../../../stage/Grip';
import { Handle, ScreenLine } from '../../../stage/Handle';
import { pick, type Picked } from '../../../stage/pick';
import { NumberField } from '../../../ui/NumberField';
import { TwoWay } from '../../../ui/TwoWay';
import { Choice, FieldRow } from '../../../ui/fields';
import { anchorOf } from '../pending';
import type { Ground, Hand, Hint, Xy } from './hand';
import { viewOf } from './hand';
import { length, minus, plus } from './measure';

type By = 'drawn' | 'x' | 'y' | 'z' | 'three' | 'face';
type Straight = Extract<Change, { tool: 'straight' }>;

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

const NUMBERS = { turn: 0, tilt: 0, shift: 0, count: 1, spacing: 0 };
const STEP = 15;

/** Straight: a plane seen edge-on, along an axis, through three points or square to a face. */
export function useStraightHand(ground: Ground): Hand {
  const { stage, scope, division, unit } = ground;
  const [by, setBy] = useState<By>('drawn');
  const [places, setPlaces] = useState<readonly Place[]>([]);
  const [view, setView] = useState<View | null>(null);
  const [numbers, setNumbers] = useState(NUMBERS);
  const [front, setFront] = useState(false);
  const [between, setBetween] = useState(false);
  const [after, setAfter] = useState<Straight['after']>('joined');
  const [ends, setEnds] = useState<Straight['ends']>('open');
  const [steps, setSteps] = useState(false);
  const [held, setHeld] = useState<number | null>(null);
  const [hover, setHover] = useState<Picked | null>(null);
  const [pointer, setPointer] = useState<Xy | null>(null);

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
      </>
    ),
  };
}

const ORIGIN: Point = { x: 0, y: 0, z: 0 };

/** What the slip covers of the stage. */
const SLIP_WIDTH = 320;

interface GripsProps {
  stage: Ground['stage'];
  plane: NonNullable<Preview['plane']>;
  pieces: Preview['pieces'];
  numbers: typeof NUMBERS;
  onNumbers: (more: Partial<typeof NUMBERS>) => void;
}

/** On the plane, where it cuts the model: to move, turn and tilt it. */
function PlaneGrips({ stage, plane, pieces, numbers, onNumbers }: GripsProps) {
  const before = useRef(numbers);
  const middle = middleOf(pieces);
  if (!middle) return null;
  const { normal, depth, along } = plane;
  const reach = 1.2 * farthest(pieces, middle);
  /** On the side on which it is in view. */
  const side = (way: Point): number => {
    if (!stage) return 1;
    const { x, y } = stage.project(plus(middle, way, reach));
    const across = x > 20 && x < stage.width - SLIP_WIDTH;
    return across && y > 60 && y < stage.height - 20 ? 1 : -1;
  };
  const [turns, tilts] = [side(along), -side(depth)];
  const take = () => (before.current = numbers);
  const turned = (amount: number) => (Math.atan2(amount, reach) * 180) / Math.PI;
  return (
    <>
      <Grip
        at={middle}
        along={normal}
        label="Move the plane"
        onTake={take}
        onDraw={(by) => onNumbers({ shift: before.current.shift + by })}
      />
      <Grip
        at={plus(middle, along, turns * reach)}
        along={plus(ORIGIN, normal, turns)}
        apartFrom={middle}
        label="Turn the plane"
        round
        onTake={take}
        onDraw={(by) => onNumbers({ turn: before.current.turn + turned(by) })}
      />
      <Grip
        at={plus(middle, depth, -tilts * reach)}
        along={plus(ORIGIN, normal, tilts)}
        apartFrom={middle}
        label="Tilt the plane"
        round
        onTake={take}
        onDraw={(by) => onNumbers({ tilt: before.current.tilt + turned(by) })}
      />
    </>
  );
}

function middleOf(pieces: Preview['pieces']): Point | null {
  const places = pieces.flatMap((piece) => piece.points.map((p) => p.at));
  if (places.length === 0) return null;
  const mean = (axis: 'x' | 'y' | 'z') => {
    const low = places.reduce((least, p) => Math.min(least, p[axis]), Infinity);
    const high = places.reduce((most, p) => Math.max(most, p[axis]), -Infinity);
    return (low + high) / 2;
  };
  return { x: mean('x'), y: mean('y'), z: mean('z') };
}

function farthest(pieces: Preview['pieces'], from: Point): number {
  return pieces
    .flatMap((piece) => piece.points)
    .reduce((most, { at }) => Math.max(most, length(minus(at, from))), 0);
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
            lead: 'Straight',
            rest: 'cuts along a line: click where it begins, then where it ends.',
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

interface FieldsProps {
  by: By;
  unit: string;
  numbers: typeof NUMBERS;
  front: boolean;
  between: boolean;
  after: Straight['after'];
  ends: Straight['ends'];
  preview: Preview | null;
  onNumbers: (more: Partial<typeof NUMBERS>) => void;
  onFront: (front: boolean) => void;
  onBetween: (between: boolean) => void;
  onAfter: (after: Straight['after']) => void;
  onEnds: (ends: Straight['ends']) => void;
}

function PlaneFields(p: FieldsProps) {
  const { numbers: n, unit } = p;
  const whole = !p.front && !(p.between && p.by === 'drawn') && n.count === 1;
  return (
    <>
      <FieldRow name="Moved">
        <NumberField
          label="Moved"
          value={n.shift}
          unit={unit}
          onCommit={(shift) => p.onNumbers({ shift })}
        />
      </FieldRow>
      <FieldRow name="Turned, tilted">
        <div className="flex gap-1">
          <NumberField
            label="Turned"
            value={n.turn}
            unit="°"
            onCommit={(turn) => p.onNumbers({ turn })}
          />
          <NumberField
            label="Tilted"
            value={n.tilt}
            unit="°"
            onCommit={(tilt) => p.onNumbers({ tilt })}
          />
        </div>
      </FieldRow>
      <FieldRow name="Planes, apart by">
        <div className="flex gap-1">
          <NumberField
            label="Planes"
            value={n.count}
            unit="x"
            digits={0}
            onCommit={(v) => p.onNumbers({ count: Math.round(Math.min(200, Math.max(1, v))) })}
          />
          <NumberField
            label="Apart"
            value={n.spacing}
            unit={unit}
            onCommit={(spacing) => p.onNumbers({ spacing })}
          />
        </div>
      </FieldRow>
      <TwoWay
        label="How deep"
        value={p.front ? 'front' : 'through'}
        options={[
          { value: 'through', name: 'Right through' },
          { value: 'front', name: 'Front only' },
        ]}
        onChange={(v) => p.onFront(v === 'front')}
      />
      {p.by === 'drawn' && (
        <TwoWay
          label="How long"
          value={p.between ? 'between' : 'endless'}
          options={[
            { value: 'endless', name: 'Endless' },
            { value: 'between', name: 'Between the ends' },
          ]}
          onChange={(v) => p.onBetween(v === 'between')}
        />
      )}
      {whole && (
        <Choice
          label="The two sides"
          value={p.after}
          options={[
            ['joined', 'Stay joined'],
            ['keepAhead', 'Keep one'],
            ['keepBehind', 'Keep the other'],
            ['apart', 'Take apart'],
          ]}
          onChange={p.onAfter}
        />
      )}
      {whole && p.after !== 'joined' && (
        <Choice
          label="Open ends"
          value={p.ends}
          options={[
            ['open', 'Leave open'],
            ['faces', 'Close with a face'],
            ['quads', 'Close with quads'],
          ]}
          onChange={p.onEnds}
        />
      )}
    </>
  );
}
