import { Choice, FieldRow } from '../../../ui/fields';
import { NumberField } from '../../../ui/NumberField';
import type { Against, AimBy, Aiming } from './aiming';

const WAYS: readonly (readonly [AimBy, string])[] = [
  ['parts', 'Parts'],
  ['distance', 'Distance'],
  ['square', 'Square'],
  ['steps', 'Steps'],
];

const AGAINST: readonly (readonly [Against, string])[] = [
  ['screen', 'The screen'],
  ['last', 'The last piece'],
  ['edge', 'The edge left'],
];

/** The way of aiming after one, in turn. */
export function nextAim(by: AimBy): AimBy {
  return WAYS[(WAYS.findIndex(([way]) => way === by) + 1) % WAYS.length]![0];
}

interface Props {
  aiming: Aiming;
  unit: string;
  onChange: (aiming: Aiming) => void;
}

/** What the next point on an edge is drawn to. */
export function AimFields({ aiming, unit, onChange }: Props) {
  return (
    <div className="space-y-1.5">
      <p className="text-[13px] text-ink2">The next point is aimed by</p>
      <Choice
        label="Aim by"
        value={aiming.by}
        options={WAYS}
        onChange={(by) => onChange({ ...aiming, by })}
      />
      {aiming.by === 'distance' && (
        <FieldRow name="From the nearer end">
          <NumberField
            label="Distance from the nearer end"
            value={aiming.distance}
            unit={unit}
            onCommit={(distance) => distance > 0 && onChange({ ...aiming, distance })}
          />
        </FieldRow>
      )}
      {aiming.by === 'steps' && (
        <>
          <FieldRow name="Steps of">
            <NumberField
              label="Steps of direction"
              value={aiming.step}
              unit="°"
              onCommit={(step) => step >= 1 && step <= 180 && onChange({ ...aiming, step })}
            />
          </FieldRow>
          <Choice
            label="Against"
            value={aiming.against}
            options={AGAINST}
            onChange={(against) => onChange({ ...aiming, against })}
          />
        </>
      )}
    </div>
  );
}
