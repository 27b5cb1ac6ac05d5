import { useState } from 'react';
import { Choice } from '../../ui/fields';
import type { Wanted } from './wanted';

interface Props {
  unit: string;
  /** How many faces the references have. */
  references: readonly number[];
  wanted: Wanted;
  onChange: (wanted: Wanted) => void;
}

const AXES = [
  ['', 'none'],
  ['x', 'X'],
  ['y', 'Y'],
  ['z', 'Z'],
] as const;

const NORMALS = {
  x: { x: 1, y: 0, z: 0 },
  y: { x: 0, y: 1, z: 0 },
  z: { x: 0, y: 0, z: 1 },
};

type Axis = (typeof AXES)[number][0];

function axisOf({ mirror }: Wanted): Axis {
  if (!mirror) return '';
  const { x, y } = mirror.normal;
  return x !== 0 ? 'x' : y !== 0 ? 'y' : 'z';
}

/** What is asked of the shape: each only where it is filled in. */
export function Asked({ unit, references, wanted, onChange }: Props) {
  const axis = axisOf(wanted);
  return (
    <section
      aria-label="Asked of the shape"
      className="space-y-3 border-b border-ink px-5 pt-4 pb-5"
    >
      <h3 className="text-[15px] font-semibold">Asked of the shape</h3>
      <p className="text-ink2">What is left empty is not asked for, and not checked.</p>
      <Whole
        label="Parts"
        about="One skin, or so many fitted pieces."
        value={wanted.parts}
        onSet={(parts) => onChange({ ...wanted, parts })}
      />
      <Whole
        label="Face budget"
        about={
          references.length > 0
            ? `No more faces than these. With the reference there are ${references.join(', or ')}.`
            : 'No more faces than these.'
        }
        value={wanted.faces}
        onSet={(faces) => onChange({ ...wanted, faces })}
      />
      <Whole
        label={`Surface stays within, ${unit}`}
        about="Both ways: from the starter, and to it."
        value={wanted.distance}
        decimals
        onSet={(distance) => onChange({ ...wanted, distance })}
      />
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          className="mt-1"
          checked={wanted.rightRound}
          onChange={(e) => onChange({ ...wanted, rightRound: e.target.checked })}
        />
        <span>
          Every new line comes right round
          <span className="block text-[13px] text-ink2">It closes, or ends at borders.</span>
        </span>
      </label>
      <div>
        <p className="mb-1">Halves mirror each other across</p>
        <Choice<Axis>
          label="Mirror plane"
          value={axis}
          options={AXES}
          onChange={(to) =>
            onChange({
              ...wanted,
              mirror: to
                ? {
                    through: wanted.mirror?.through ?? { x: 0, y: 0, z: 0 },
                    normal: NORMALS[to],
                    within: wanted.mirror?.within ?? 0.1,
                  }
                : null,
            })
          }
        />
        {wanted.mirror && axis && (
          <div className="mt-2 space-y-2">
            <Whole
              label={`The plane lies at ${axis.toUpperCase()}, ${unit}`}
              value={wanted.mirror.through[axis]}
              decimals
              signed
              onSet={(at) =>
                onChange({
                  ...wanted,
                  mirror: {
                    ...wanted.mirror!,
                    through: { ...wanted.mirror!.through, [axis]: at ?? 0 },
                  },
                })
              }
            />
            <Whole
              label={`Edges meet within, ${unit}`}
              value={wanted.mirror.within}
              decimals
              onSet={(within) =>
                onChange({ ...wanted, mirror: { ...wanted.mirror!, within: within || 0.1 } })
              }
            />
          </div>
        )}
      </div>
    </section>
  );
}

function Whole(props: {
  label: string;
  about?: string;
  value: number | null;
  decimals?: boolean;
  signed?: boolean;
  onSet: (value: number | null) => void;
}) {
  const [text, setText] = useState(props.value === null ? '' : String(props.value));
  const take = (typed: string) => {
    setText(typed);
    const number = Number(typed.replace(',', '.'));
    const least = props.signed ? -Infinity : props.decimals ? 0 : 1;
    if (typed.trim() === '') props.onSet(null);
    else if (Number.isFinite(number) && number >= least && (props.decimals || number % 1 === 0))
      props.onSet(number);
  };
  return (
    <label className="grid grid-cols-[1fr_96px] items-center gap-x-3">
      <span>{props.label}</span>
      <input
        className="h-7 rounded-ctl border border-ctl bg-sheet px-2"
        inputMode="decimal"
        value={text}
        onChange={(e) => take(e.target.value)}
      />
      {props.about && <span className="col-span-2 text-[13px] text-ink2">{props.about}</span>}
    </label>
  );
}
