import type { Change, Preview } from '../../../api/client';
import { NumberField } from '../../../ui/NumberField';
import { TwoWay } from '../../../ui/TwoWay';
import { Choice, FieldRow } from '../../../ui/fields';

export type By = 'drawn' | 'x' | 'y' | 'z' | 'three' | 'face';
export type Straight = Extract<Change, { tool: 'straight' }>;

/** How a plane is moved and turned, and how many there are. */
export const NUMBERS = { turn: 0, tilt: 0, shift: 0, count: 1, spacing: 0 };
export type Numbers = typeof NUMBERS;

interface FieldsProps {
  by: By;
  unit: string;
  numbers: Numbers;
  front: boolean;
  between: boolean;
  after: Straight['after'];
  ends: Straight['ends'];
  preview: Preview | null;
  onNumbers: (more: Partial<Numbers>) => void;
  onFront: (front: boolean) => void;
  onBetween: (between: boolean) => void;
  onAfter: (after: Straight['after']) => void;
  onEnds: (ends: Straight['ends']) => void;
}

/** The plane by numbers, and what becomes of the sides. */
export function PlaneFields(p: FieldsProps) {
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
      <FieldRow name="Planes">
        <NumberField
          label="Planes"
          value={n.count}
          unit="x"
          digits={0}
          onCommit={(v) => p.onNumbers({ count: Math.round(Math.min(200, Math.max(1, v))) })}
        />
      </FieldRow>
      {n.count > 1 && (
        <FieldRow name="Apart by">
          <NumberField
            label="Apart"
            value={n.spacing}
            unit={unit}
            onCommit={(spacing) => p.onNumbers({ spacing })}
          />
        </FieldRow>
      )}
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
