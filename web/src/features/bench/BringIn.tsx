import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem } from '../../api/client';
import { queries } from '../../api/queries';
import { FormRow } from '../../trade/FormRow';
import { MeantChoice, type Meant } from '../../trade/MeantChoice';
import { Dialog } from '../../ui/Dialog';
import { FileDrop } from '../../ui/FileDrop';
import { Select } from '../../ui/Select';
import type { Incoming } from './useWorkpiece';

interface Props {
  open: boolean;
  unit: string;
  busy: boolean;
  /** Why the last one could not be brought in. */
  refused: string | null;
  onBring: (from: Incoming) => void;
  onClose: () => void;
}

/** Where a part comes from that is to meet what is on the bench. */
export function BringIn({ open, unit, busy, refused, onBring, onClose }: Props) {
  const practice = useQuery({ ...queries.practice(), enabled: open });
  const [meant, setMeant] = useState<Meant>({ unit, up: 'z' });
  const [unopened, setUnopened] = useState<string | null>(null);
  const pieces = (practice.data?.pieces ?? []).filter((p) => p.stage === 'ready');
  const bringPiece = async (piece: string) => {
    try {
      setUnopened(null);
      const workpiece = await api.openWorkpiece(`/practice/${piece}`);
      onBring({ workpiece: workpiece.id });
    } catch (e) {
      setUnopened(asProblem(e).message);
    }
  };
  return (
    <Dialog
      title="Bring a part in"
      description="It comes with its middle on top of the model. Move it then, and let it meet the rest."
      open={open}
      onClose={onClose}
    >
      <div className="space-y-5">
        <div>
          <h3 className="border-b border-rule pb-1.5 font-semibold">A form off the shelf</h3>
          <ul className="grid grid-cols-1">
            {practice.data?.forms.map((form) => (
              <FormRow
                key={form.form}
                form={form}
                disabled={busy}
                onChoose={(name) => onBring({ form: name })}
              />
            ))}
          </ul>
        </div>
        <div>
          <h3 className="mb-2 border-b border-rule pb-1.5 font-semibold">Or a mesh file</h3>
          <FileDrop
            label="Mesh file"
            accept=".obj,.ply,.off,.stl,.glb,.gltf"
            onChosen={(file) => onBring({ file, meant })}
            onDropped={(file) => onBring({ file, meant })}
          >
            <span className="text-ink2">OBJ, PLY, OFF, STL, glTF or GLB</span>
          </FileDrop>
          <div className="mt-3">
            <MeantChoice units={practice.data?.units ?? [unit]} meant={meant} onChange={setMeant} />
          </div>
        </div>
        {pieces.length > 0 && (
          <div>
            <h3 className="mb-1.5 font-semibold">Or a practice piece of yours, as it stands</h3>
            <Select
              label="A practice piece of yours"
              value=""
              className="w-64"
              options={[
                ['', 'Choose a piece'] as const,
                ...pieces.map((p) => [p.id, p.title] as const),
              ]}
              onChange={(id) => id && void bringPiece(id)}
            />
          </div>
        )}
        {busy && <p role="status">It is read and laid beside the model.</p>}
        {!busy && (unopened ?? refused) && (
          <p role="alert" className="font-semibold">
            {unopened ?? refused}
          </p>
        )}
      </div>
    </Dialog>
  );
}
