import { Slider } from 'radix-ui';
import { useState } from 'react';
import { NumberField } from '../ui/NumberField';
import { TwoWay } from '../ui/TwoWay';
import type { BendSettings } from './lenses';
import type { Looked } from './useLensPicture';

const WAYS = [
  { value: 'bend', name: 'Bend' },
  { value: 'twist', name: 'Twist' },
  { value: 'taper', name: 'Taper' },
] as const;

const AXES = ['x', 'y', 'z'] as const;

const MOST = { bend: 360, twist: 360, taper: 95 } as const;
const USUAL = { bend: 90, twist: 90, taper: 0.5 } as const;

/** What the form is tried with, and what is too much. It is for a look: the mesh stays as it is. */
export function BendControls({ bend }: { bend: Looked['bend'] }) {
  const { settings, set } = bend;
  const change = (part: Partial<BendSettings>) => set({ ...settings, ...part });
  return (
    <div
      role="group"
      aria-label="Bend, for a look"
      data-testid="bend"
      className="flex w-full flex-wrap items-center gap-x-4 gap-y-1.5 pb-0.5"
    >
      <span className="w-[172px]">
        <TwoWay
          label="What is done"
          value={settings.way}
          options={WAYS}
          onChange={(way) => change({ way, amount: USUAL[way] })}
        />
      </span>
      <Choice
        name="Along"
        value={settings.along}
        axes={AXES}
        onChange={(along) => change({ along, towards: besides(along, settings) })}
      />
      {settings.way === 'bend' && (
        <Choice
          name="Towards"
          value={settings.towards}
          axes={AXES.filter((a) => a !== settings.along)}
          onChange={(towards) => change({ towards })}
        />
      )}
      <Amount settings={settings} onChange={(amount) => change({ amount })} />
      <span className="flex items-center gap-2">
        Marked over
        {settings.way !== 'taper' && (
          <span className="w-[92px]">
            <NumberField
              label="What a face may turn"
              value={settings.turn}
              unit="° a face"
              digits={0}
              onCommit={(v) => change({ turn: clamped(v, 1, 360) })}
            />
          </span>
        )}
        <span className="w-[96px]">
          <NumberField
            label="What the length of an edge may change by"
            value={settings.stretch * 100}
            unit="% length"
            digits={0}
            onCommit={(v) => change({ stretch: clamped(v, 1, 1000) / 100 })}
          />
        </span>
      </span>
    </div>
  );
}

function Choice(props: {
  name: string;
  value: BendSettings['along'];
  axes: readonly BendSettings['along'][];
  onChange: (axis: BendSettings['along']) => void;
}) {
  return (
    <span className="flex items-center gap-2">
      {props.name}
      <span style={{ width: 32 * props.axes.length }}>
        <TwoWay
          label={props.name}
          value={props.value}
          options={props.axes.map((value) => ({ value, name: value.toUpperCase() }))}
          onChange={props.onChange}
        />
      </span>
    </span>
  );
}

/** The slider moves at once; the mesh follows what it rests on. */
function Amount(props: { settings: BendSettings; onChange: (amount: number) => void }) {
  const { settings, onChange } = props;
  const isTaper = settings.way === 'taper';
  const most = MOST[settings.way];
  const [drawn, setDrawn] = useState<number | null>(null);
  const kept = Math.round(settings.amount * (isTaper ? 100 : 1));
  const shown = drawn ?? kept;
  const take = (v: number) => onChange(isTaper ? v / 100 : v);
  const unit = isTaper ? '% narrower' : '°';
  return (
    <div className="grid grow basis-[220px] grid-cols-[1fr_104px] items-center gap-3">
      <Slider.Root
        className="relative flex h-7 touch-none items-center select-none"
        min={-most}
        max={most}
        step={isTaper ? 1 : 5}
        value={[shown]}
        onValueChange={([v]) => {
          setDrawn(v!);
          take(v!);
        }}
        onValueCommit={() => setDrawn(null)}
      >
        <Slider.Track className="relative h-[3px] grow bg-shoal3">
          <span className="absolute -top-1 left-1/2 h-[11px] w-px bg-ink2" />
        </Slider.Track>
        <Slider.Thumb
          aria-label={`How much, in ${unit}`}
          className="block h-5 w-3 rounded-ctl border border-ink bg-sheet hover:bg-shoal1"
        />
      </Slider.Root>
      <NumberField
        label="How much"
        value={shown}
        unit={unit}
        digits={0}
        onCommit={(v) => take(clamped(v, -most, most))}
      />
    </div>
  );
}

function clamped(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}

/** A bend goes towards another axis than it goes along. */
function besides(along: BendSettings['along'], { towards }: BendSettings): BendSettings['towards'] {
  return towards !== along ? towards : AXES.find((a) => a !== along)!;
}
