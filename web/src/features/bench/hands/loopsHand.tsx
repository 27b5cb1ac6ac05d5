import type { Change, Preview, Schemas } from '../../../api/client';
import { Aim, PlaceTag, StopBar } from '../../../stage/Aim';
import { CutLine } from '../../../stage/CutLine';
import { pickRing, type Picked } from '../../../stage/pick';
import { NumberField } from '../../../ui/NumberField';
import { TwoWay } from '../../../ui/TwoWay';
import { counted } from '../../../ui/time';
import { Choice, FieldRow } from '../../../ui/fields';
import type { Cell } from './cells';
import type { Ground, Hand, Hint } from './hand';

type Places = Schemas['LoopPlaces'];
type Kind = 'one' | 'many' | 'side' | 'pair';

interface Settings {
  kind: Kind;
  count: number;
  spread: number;
  shift: number;
  distance: number;
  second: boolean;
  byLength: boolean;
  curved: boolean;
  runOn: boolean;
}

const FIRST: Settings = {
  kind: 'one',
  count: 3,
  spread: 1,
  shift: 0,
  distance: 0,
  second: false,
  byLength: false,
  curved: false,
  runOn: false,
};

interface Held {
  edge: number;
  fraction: number;
}

/** Loops: the ring under the pointer lights up at once; where the loops will lie comes from the core. */
export function loopsHand(ground: Ground, cell: Cell): Hand {
  const { mesh, stage, scope } = ground;
  const [loop, setLoop] = cell<Held | null>('loop', null);
  const [atCentre, setAtCentre] = cell('atCentre', true);
  const [settings, setSettings] = cell('settings', FIRST);
  const [hover, setHover] = cell<Picked | null>('hover', null);

  const hovered: Held | null =
    !loop && hover?.on === 'edge'
      ? { edge: hover.id, fraction: fractionOf(hover, atCentre) }
      : null;
  const shown = loop ?? hovered;
  const there = shown && mesh.hasEdge(shown.edge) ? shown : null;
  const change: Change | null = there
    ? {
        tool: 'loops',
        edge: there.edge,
        places: placesOf(settings, there),
        shape: settings.curved ? 'curved' : 'straight',
        runOn: settings.runOn,
        scope,
      }
    : null;

  const put = (more: Partial<Settings>) => setSettings({ ...settings, ...more });
  const drop = () => setLoop(null);

  return {
    pending: loop !== null,
    change,
    missing: null,
    hover,
    ring: there?.edge,
    point: (at) => setHover(at && stage ? pickRing(stage, at.x, at.y, ground.division) : null),
    click: () => {
      if (hover?.on === 'edge') setLoop({ edge: hover.id, fraction: fractionOf(hover, atCentre) });
      return true;
    },
    back: () => {
      setLoop(null);
      return loop !== null;
    },
    drop,
    made: drop,
    hint: (preview) => hintFor(hover, loop !== null, preview, atCentre, settings),
    keys: [
      {
        key: 'M',
        does: atCentre ? 'at the middle of the edge' : 'where you point',
        act: () => setAtCentre(!atCentre),
      },
    ],
    drawing: (preview) => (
      <>
        {hover && <Aim picked={hover} division={0} />}
        {preview && !preview.refusal && change && (
          <CutLine pieces={preview.pieces} letters={false} />
        )}
        {preview && change && <Stops preview={preview} />}
      </>
    ),
    slip: (preview) =>
      loop && (
        <LoopSlip
          ground={ground}
          loop={loop}
          settings={settings}
          quads={preview?.splitFaces.length ?? 0}
          stops={preview?.remarks.some((r) => r.stop === 'triangle' || r.stop === 'ngon') ?? false}
          onLoop={setLoop}
          onSettings={put}
        />
      ),
  };
}

function fractionOf(picked: Picked & { on: 'edge' }, atCentre: boolean): number {
  return atCentre ? 0.5 : Math.min(0.999, Math.max(0.001, picked.t));
}

function placesOf(s: Settings, at: Held): Places {
  const by = s.byLength ? 'length' : 'fraction';
  switch (s.kind) {
    case 'one':
      return { place: 'at', fractions: [at.fraction], by };
    case 'many':
      return { place: 'even', count: s.count, spread: s.spread, shift: s.shift, by };
    case 'side':
      return { place: 'fromSide', distance: s.distance, second: s.second };
    case 'pair':
      return { place: 'pair', distance: s.distance };
  }
}

interface SlipProps {
  ground: Ground;
  loop: Held;
  settings: Settings;
  quads: number;
  stops: boolean;
  onLoop: (loop: Held) => void;
  onSettings: (more: Partial<Settings>) => void;
}

function LoopSlip({ ground, loop, settings: s, quads, stops, onLoop, onSettings }: SlipProps) {
  const { mesh, unit } = ground;
  if (!mesh.hasEdge(loop.edge)) return null;
  const [p, q] = mesh.ends(loop.edge).map((v) => mesh.local(v));
  const length = Math.hypot(p![0] - q![0], p![1] - q![1], p![2] - q![2]);
  const put = (fraction: number) => {
    if (fraction > 0 && fraction < 1) onLoop({ ...loop, fraction });
  };
  const change = (kind: Kind) =>
    onSettings({ kind, distance: s.distance || Number((length / 5).toPrecision(2)) });
  return (
    <>
      <p className="condensed text-[13px] text-ink2">
        {quads > 0
          ? `Ring of ${counted(quads, 'quad')}, from the edge that was clicked`
          : 'No ring here'}
      </p>
      <Choice
        label="Loops"
        value={s.kind}
        options={[
          ['one', 'One'],
          ['many', 'Many'],
          ['side', 'From a side'],
          ['pair', 'Pair'],
        ]}
        onChange={change}
      />
      {s.kind === 'one' && (
        <>
          <TwoWay
            label="Place of the loop"
            value={loop.fraction === 0.5 ? 'centre' : 'placed'}
            options={[
              { value: 'centre', name: 'Middle' },
              { value: 'placed', name: 'Placed' },
            ]}
            onChange={(v) => put(v === 'centre' ? 0.5 : 0.501)}
          />
          <FieldRow name="Share of the edge">
            <NumberField
              label="Share of the edge"
              value={loop.fraction * 100}
              unit="%"
              onCommit={(v) => put(v / 100)}
            />
          </FieldRow>
          <FieldRow name="From its first end">
            <NumberField
              label="Distance from the first end"
              value={loop.fraction * length}
              unit={unit}
              onCommit={(v) => put(v / length)}
            />
          </FieldRow>
        </>
      )}
      {s.kind === 'many' && (
        <>
          <FieldRow name="How many">
            <NumberField
              label="How many loops"
              value={s.count}
              unit="loops"
              digits={0}
              onCommit={(v) => onSettings({ count: Math.round(Math.min(200, Math.max(1, v))) })}
            />
          </FieldRow>
          <FieldRow name="Spread">
            <NumberField
              label="Spread"
              value={s.spread * 100}
              unit="%"
              onCommit={(v) => onSettings({ spread: v / 100 })}
            />
          </FieldRow>
          <FieldRow name="Shift to the second end">
            <NumberField
              label="Shift"
              value={s.shift * 100}
              unit="%"
              onCommit={(v) => onSettings({ shift: v / 100 })}
            />
          </FieldRow>
        </>
      )}
      {(s.kind === 'side' || s.kind === 'pair') && (
        <FieldRow name={s.kind === 'pair' ? 'From both sides' : 'Distance'}>
          <NumberField
            label="Distance from the side"
            value={s.distance}
            unit={unit}
            onCommit={(distance) => onSettings({ distance })}
          />
        </FieldRow>
      )}
      {s.kind === 'side' && (
        <TwoWay
          label="Which side"
          value={s.second ? 'second' : 'first'}
          options={[
            { value: 'first', name: 'First end' },
            { value: 'second', name: 'Second end' },
          ]}
          onChange={(v) => onSettings({ second: v === 'second' })}
        />
      )}
      {(s.kind === 'one' || s.kind === 'many') && (
        <TwoWay
          label="Same from edge to edge"
          value={s.byLength ? 'length' : 'share'}
          options={[
            { value: 'share', name: 'Same share' },
            { value: 'length', name: 'Same length' },
          ]}
          onChange={(v) => onSettings({ byLength: v === 'length' })}
        />
      )}
      <TwoWay
        label="Shape of the loop"
        value={s.curved ? 'curved' : 'straight'}
        options={[
          { value: 'straight', name: 'On the edges' },
          { value: 'curved', name: 'Follow curve' },
        ]}
        onChange={(v) => onSettings({ curved: v === 'curved' })}
      />
      {stops && (
        <TwoWay
          label="Where it stops"
          value={s.runOn ? 'on' : 'stop'}
          options={[
            { value: 'stop', name: 'Stop there' },
            { value: 'on', name: 'On to the corner' },
          ]}
          onChange={(v) => onSettings({ runOn: v === 'on' })}
        />
      )}
    </>
  );
}

function hintFor(
  hover: Picked | null,
  pending: boolean,
  preview: Preview | null,
  atCentre: boolean,
  settings: Settings,
): Hint {
  if (pending) return { lead: 'Next click', rest: 'takes the ring under the pointer instead.' };
  if (hover?.on !== 'edge') {
    return {
      lead: 'Loops',
      rest: 'inserts an edge loop: point at the model, near the edge that it shall cross.',
    };
  }
  if (preview?.refusal) return { lead: 'No loop here:', rest: preview.refusal.reason };
  const ring = preview ? `this ring of ${counted(preview.splitFaces.length, 'quad')}` : 'this ring';
  if (settings.kind !== 'one') return { lead: 'Next click', rest: `lays loops across ${ring}.` };
  const where = atCentre ? 'at the middle of' : 'here across';
  return { lead: 'Next click', rest: `lays a loop ${where} ${ring}.` };
}

function Stops({ preview }: { preview: Preview }) {
  const line = preview.pieces[0]?.points ?? [];
  const ends = [
    { at: line[0]?.at, towards: line[1]?.at },
    { at: line.at(-1)?.at, towards: line.at(-2)?.at },
  ];
  return (
    <>
      {preview.remarks
        .filter((r) => r.at && r.stop && r.stop !== 'border' && r.text.startsWith('Stops'))
        .map((remark, i) => {
          const end = ends.find(
            (e) =>
              e.at && e.at.x === remark.at!.x && e.at.y === remark.at!.y && e.at.z === remark.at!.z,
          );
          return (
            <g key={i}>
              {end?.at && end.towards && <StopBar at={end.at} towards={end.towards} />}
              <PlaceTag
                at={remark.at!}
                text={`Stops here: ${stopName(remark)}`}
                hiddenText={`Stops behind: ${stopName(remark)}`}
                lift={i === 0 ? 40 : -60}
              />
            </g>
          );
        })}
    </>
  );
}

function stopName({ stop, text }: Preview['remarks'][number]): string {
  if (stop === 'triangle') return 'a triangle';
  if (stop === 'crowded') return 'a crowded edge';
  if (stop === 'notChosen') return 'not chosen';
  return /a face with \d+ sides/.exec(text)?.[0] ?? 'too many sides';
}
