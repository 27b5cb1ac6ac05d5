import type { MeshBuffers } from '../../mesh/MeshBuffers';
import { NumberField } from '../../ui/NumberField';
import { TwoWay } from '../../ui/TwoWay';
import { counted } from '../../ui/time';
import type { PendingLoop } from './pending';

interface Props {
  mesh: MeshBuffers;
  loop: PendingLoop;
  unit: string;
  quads: number;
  onChange: (loop: PendingLoop) => void;
}

/** Where the loop lies on the edge that was clicked: by share, by length, or at the middle. */
export function LoopFields({ mesh, loop, unit, quads, onChange }: Props) {
  const [a, b] = mesh.ends(loop.edge);
  const p = mesh.local(a);
  const q = mesh.local(b);
  const length = Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
  const put = (fraction: number) => {
    if (fraction > 0 && fraction < 1) onChange({ ...loop, fraction });
  };
  return (
    <>
      <p className="condensed text-[13px] text-ink2">
        {quads > 0
          ? `Ring of ${counted(quads, 'quad')}, from the edge that was clicked`
          : 'No ring here'}
      </p>
      <TwoWay
        label="Place of the loop"
        value={loop.fraction === 0.5 ? 'centre' : 'placed'}
        options={[
          { value: 'centre', name: 'Middle' },
          { value: 'placed', name: 'Placed' },
        ]}
        onChange={(v) => put(v === 'centre' ? 0.5 : 0.5 + 1e-3)}
      />
      <div className="grid grid-cols-[1fr_130px] items-center gap-2">
        <span>Share of the edge</span>
        <NumberField
          label="Share of the edge"
          value={loop.fraction * 100}
          unit="%"
          onCommit={(v) => put(v / 100)}
        />
        <span>From its first end</span>
        <NumberField
          label="Distance from the first end"
          value={loop.fraction * length}
          unit={unit}
          onCommit={(v) => put(v / length)}
        />
      </div>
    </>
  );
}
