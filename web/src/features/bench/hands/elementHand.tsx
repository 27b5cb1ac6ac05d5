import { type ReactNode } from 'react';
import type { Change } from '../../../api/client';
import { Aim } from '../../../stage/Aim';
import { GhostLines } from '../../../stage/GhostLines';
import { pick, type Picked } from '../../../stage/pick';
import { Button } from '../../../ui/Button';
import { NumberField } from '../../../ui/NumberField';
import { Select } from '../../../ui/Select';
import { TwoWay } from '../../../ui/TwoWay';
import { Choice, FieldRow } from '../../../ui/fields';
import { chosenText, kindOf, toggled } from '../useChosen';
import { ORIGIN } from './measure';
import { ElementGrips } from './ElementGrips';
import { WAYS } from './ways';
import type { ElementTool, Field, Values } from './ways/way';
import type { Cell } from './cells';
import type { Ground, Hand, Xy } from './hand';

/** A tool that works on chosen elements: clicks choose them, the slip has the rest. */
export function elementHand(ground: Ground, cell: Cell, tool: ElementTool): Hand {
  const { stage, mesh, chosen, choose, unit } = ground;
  const ways = WAYS[tool];
  const [wayOf, setWayOf] = cell<Record<string, string>>('wayOf', {});
  const [values, setValues] = cell<Record<string, Values>>('values', {});
  const [words, setWords] = cell<Record<string, string>>('words', {});
  const [rail, setRail] = cell<{ first: number; towards: number } | null>('rail', null);
  const [hover, setHover] = cell<Picked | null>('hover', null);
  const way = ways.find((w) => w.id === wayOf[tool]) ?? ways[0]!;
  const own = { ...way.initial(stage?.modelRadius ?? 1), ...values[way.id] };

  const missing = way.missing(chosen, mesh, rail);
  const asked = way.change(chosen, own, { mesh, scope: ground.scope, rail, words });
  const change: Change | null = missing ? null : asked;
  const count = way.picks.reduce((n, kind) => n + chosen[kind].length, 0);
  const pending = count > 0 || (way.picks.length === 0 && wayOf[tool] === way.id);

  const aim = (at: Xy | null): Picked | null => {
    if (!at || !stage || way.picks.length === 0) return null;
    const picked = pick(stage, at.x, at.y, {
      faces: way.picks.includes('faces'),
      vertices: way.picks.includes('vertices'),
      edges: way.picks.includes('edges') || tool === 'slide',
      division: 0,
    });
    return picked;
  };

  const click = (at: Xy): boolean => {
    const picked = aim(at);
    if (!picked) return false;
    if (tool === 'slide' && picked.on === 'edge') {
      const [a, b] = mesh.ends(picked.id);
      const ends = new Set(way.vertices?.(chosen, mesh) ?? []);
      if (ends.has(a) !== ends.has(b)) {
        setRail(ends.has(a) ? { first: a, towards: b } : { first: b, towards: a });
        return true;
      }
    }
    choose(toggled(chosen, kindOf(picked), picked.id));
    return true;
  };

  const set = (more: Values) => setValues({ ...values, [way.id]: { ...own, ...more } });
  const { turns } = way;

  const drop = () => {
    choose({ faces: [], edges: [], vertices: [] });
    setRail(null);
    setWayOf({ ...wayOf, [tool]: way.picks.length === 0 ? '' : way.id });
  };

  return {
    pending,
    change,
    missing,
    hover,
    point: (at) => setHover(aim(at)),
    click,
    back: () => {
      if (rail) {
        setRail(null);
        return true;
      }
      const last = way.picks.find((kind) => chosen[kind].length > 0);
      if (!last) return false;
      choose({ ...chosen, [last]: chosen[last].slice(0, -1) });
      return true;
    },
    drop,
    made: () => {
      drop();
      if (way.unmoved) set(way.unmoved);
    },
    hint: () => ({
      lead: hover ? 'Next click' : way.name,
      rest: hover ? clickText(hover, chosen, tool === 'slide' && count > 0) : way.does,
    }),
    keys: turns
      ? [
          {
            key: turns.letter,
            does: turns.to[own[turns.field] === 1 ? 1 : 0],
            act: () => set({ [turns.field]: own[turns.field] === 1 ? 0 : 1 }),
          },
        ]
      : [],
    drawing: (preview) => (
      <>
        {hover && <Aim picked={hover} division={0} />}
        {preview && !preview.refusal && change && <GhostLines ghost={preview.ghost} />}
        {change && (
          <ElementGrips
            way={way}
            values={own}
            vertices={way.vertices?.(chosen, mesh) ?? []}
            chosen={chosen}
            rail={rail}
            mesh={mesh}
            centre={stage?.modelMiddle ?? ORIGIN}
            reach={(stage?.modelRadius ?? 1) / 3}
            onValues={(more) => set(way.unmoved ? { ...more, place: 1 } : more)}
          />
        )}
      </>
    ),
    slip: () => (
      <>
        {ways.length > 1 && (
          <Choice
            label="What to do"
            value={way.id}
            options={ways.map((w) => [w.id, w.name] as const)}
            onChange={(id) => setWayOf({ ...wayOf, [tool]: id })}
          />
        )}
        <p className="condensed text-[13px] text-ink2">
          {way.picks.length === 0 ? asSentence(way.does) : chosenText(chosen, way.picks)}
        </p>
        {tool === 'support' && way.picks.length === 0 && chosen.edges.length > 0 && (
          <p className="condensed text-[13px] text-ink2">
            {chosenText(chosen, ['edges'])}: held as well.
          </p>
        )}
        {tool === 'meet' && (
          <Button size="small" onClick={ground.bringIn}>
            Bring a part in
          </Button>
        )}
        {tool === 'support' && ground.chooseMarked && (
          <Button size="small" onClick={ground.chooseMarked}>
            Choose the edges marked as hard
          </Button>
        )}
        {rows(way.fields.filter((field) => field.counts?.(own) ?? true)).map((row) => (
          <div key={row[0]!.key} className={row.length > 1 ? 'flex gap-1.5' : undefined}>
            {row.map((field) => (
              <ValueField
                key={field.key}
                field={field}
                unit={unit}
                value={own[field.key] ?? 0}
                onChange={(value) => set({ [field.key]: value })}
                word={words[field.key] ?? ''}
                onWord={(word) => setWords({ ...words, [field.key]: word })}
              />
            ))}
          </div>
        ))}
      </>
    ),
  };
}

/** Those with letters that follow each other stand in one. */
function rows(fields: readonly Field[]): Field[][] {
  const all: Field[][] = [];
  for (const field of fields) {
    const last = all.at(-1);
    if (field.letter && last?.[0]?.letter) last.push(field);
    else all.push([field]);
  }
  return all;
}

function asSentence(does: string): string {
  return does.charAt(0).toUpperCase() + does.slice(1);
}

function clickText(hover: Picked, chosen: Ground['chosen'], slides: boolean): string {
  const kind = kindOf(hover);
  const name = { faces: 'face', edges: 'edge', vertices: 'vertex' }[kind];
  if (slides && hover.on === 'edge')
    return 'on an edge that leads away slides towards its far end.';
  return chosen[kind].includes(hover.id) ? `lets this ${name} go.` : `chooses this ${name}.`;
}

function ValueField(props: {
  field: Field;
  unit: string;
  value: number;
  onChange: (value: number) => void;
  word: string;
  onWord: (word: string) => void;
}): ReactNode {
  const { field } = props;
  if (field.isText) {
    return (
      <FieldRow name={field.name}>
        <input
          aria-label={field.name}
          value={props.word}
          maxLength={60}
          className="h-8 w-40 min-w-0 rounded-ctl border border-ctl bg-sheet px-2 hover:border-ink"
          onChange={(e) => props.onWord(e.target.value)}
        />
      </FieldRow>
    );
  }
  if (field.options && (field.isListed || field.options.length > 3)) {
    // More than three words don't fit a row.
    return (
      <FieldRow name={field.name}>
        <Select
          label={field.name}
          value={String(props.value)}
          className={field.isListed ? 'w-full' : 'w-40'}
          options={field.options.map((name, i) => [String(i), name] as const)}
          onChange={(v) => props.onChange(Number(v))}
        />
      </FieldRow>
    );
  }
  if (field.options) {
    return (
      <TwoWay
        label={field.name}
        value={String(props.value)}
        options={field.options.map((name, i) => ({ value: String(i), name }))}
        onChange={(v) => props.onChange(Number(v))}
      />
    );
  }
  const factor = field.unit === '%' ? 100 : 1;
  const number = (
    <NumberField
      label={field.name}
      letter={field.letter}
      value={props.value * factor}
      unit={field.unit === 'unit' ? props.unit : (field.unit ?? '')}
      digits={field.digits ?? 1}
      onCommit={(v) => props.onChange(v / factor)}
    />
  );
  return field.letter ? number : <FieldRow name={field.name}>{number}</FieldRow>;
}
