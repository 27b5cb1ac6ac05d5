import { Choice } from '../ui/fields';

export interface Meant {
  unit: string;
  up: 'z' | 'y';
}

/** In which unit a mesh file is and which of its axes points upwards, which no file says. */
export function MeantChoice(props: {
  units: readonly string[];
  meant: Meant;
  onChange: (meant: Meant) => void;
}) {
  const { units, meant, onChange } = props;
  return (
    <div className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
      <span>Its lengths are in</span>
      <Choice
        label="Unit"
        value={meant.unit}
        options={units.map((u) => [u, u] as const)}
        onChange={(unit) => onChange({ ...meant, unit })}
      />
      <span>Upwards points its</span>
      <Choice
        label="Upwards"
        value={meant.up}
        options={[
          ['z', 'Z axis'],
          ['y', 'Y axis'],
        ]}
        onChange={(up) => onChange({ ...meant, up })}
      />
    </div>
  );
}
