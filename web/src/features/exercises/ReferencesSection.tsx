import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/fields';
import { counted } from '../../ui/time';
import { MeshFileDrop } from './MeshFileDrop';
import { SectionHead } from './SectionHead';
import { nameOfReference } from './StarterStage';
import type { Draft, EditorControl, EditorData } from './useEditor';

const MOST = 3;

const SHOWS: readonly (readonly [Draft['shows'], string])[] = [
  ['withAnswer', 'with the answer'],
  ['afterDue', 'after the due time'],
  ['never', 'never'],
];

/** Solutions that the exercise knows, and lines along which edges are to run. */
export function ReferencesSection({ control }: { control: EditorControl }) {
  const { data, draft, change, busy } = control;
  const { wanted } = draft;
  const isFull = data.references.length >= MOST;
  const navigate = useNavigate();
  const make = async () => {
    if (!(await control.keep())) return;
    await api.forgetTry(data.id);
    void navigate(`/exercises/${data.id}/try?for=reference`);
  };
  return (
    <section>
      <SectionHead
        number={4}
        name="Reference and lines"
        about="what a good hand-in looks like, as a mesh"
      />
      {!data.starter && (
        <p className="px-5 pt-4">Choose a starter first: references are cut from it.</p>
      )}
      <fieldset disabled={!data.isMine || !data.starter}>
        <div className="border-b border-rule px-5 py-4">
          <h3 className="text-[15px] font-semibold">References</h3>
          <p className="mt-1 text-ink2">
            {data.references.length === 0
              ? 'With a reference, new edges that it does not have are told. Up to three: the one whose lines a student meets best counts alone.'
              : data.references.length === 1
                ? 'New edges that it does not have are told.'
                : 'Any will do: the one whose lines a student meets best counts alone.'}
          </p>
          <ul className="mt-2">
            {data.references.map((r, i) => (
              <ReferenceRow
                key={r.hash}
                control={control}
                reference={r}
                name={data.references.length === 1 ? 'Reference' : nameOfReference(i)}
              />
            ))}
          </ul>
          {!isFull && (
            <div className="mt-3 space-y-4">
              <Button disabled={busy} onClick={() => void make()}>
                Make one on the bench
              </Button>
              <MeshFileDrop
                control={control}
                label="Reference file"
                hint="or a mesh file of it: OBJ, PLY, OFF, STL, glTF or GLB"
                writes
                send={(file, meant, onShare) =>
                  api.sendReference(data.id, file, { ...meant }, onShare)
                }
              />
            </div>
          )}
        </div>
        <div className="border-b border-rule px-5 py-4">
          <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5">
            <span>Students see the reference</span>
            <Choice
              label="When students see the reference"
              value={draft.shows}
              options={SHOWS}
              onChange={(shows) => change({ shows })}
            />
          </div>
        </div>
        <div className="px-5 py-4">
          <h3 className="text-[15px] font-semibold">Required lines</h3>
          <p className="mt-1">
            {wanted.lines.length === 0 ? (
              <>
                None yet. Beside the stage, choose <b className="font-semibold">required edges</b>{' '}
                of the starter or of a reference, or <b className="font-semibold">draw a line</b>{' '}
                over the starter.
              </>
            ) : (
              <>
                {counted(wanted.lines.length, 'line')}: edges are to run along{' '}
                {wanted.lines.length === 1 ? 'it' : 'them'}, and they are never called idle.{' '}
                <Button size="small" onClick={() => change({ wanted: { ...wanted, lines: [] } })}>
                  {wanted.lines.length === 1 ? 'Take it off' : 'Take all off'}
                </Button>
              </>
            )}
          </p>
          <label className="mt-3 flex items-start gap-2">
            <input
              type="checkbox"
              className="mt-1"
              checked={draft.showsLines}
              onChange={(e) => change({ showsLines: e.target.checked })}
            />
            <span>
              The bench shows them
              <span className="block text-[13px] text-ink2">
                Else a student knows of them by the brief, and by what the check says.
              </span>
            </span>
          </label>
        </div>
      </fieldset>
    </section>
  );
}

function ReferenceRow(props: {
  control: EditorControl;
  reference: EditorData['references'][number];
  name: string;
}) {
  const { control, reference: r } = props;
  const { data, draft, change } = control;
  const check = useQuery(
    queries.referenceCheck(data.id, r.hash, [data.draft.profile, data.draft.wanted]),
  );
  const told = check.data;
  return (
    <li className="flex items-center gap-3 border-t border-rule py-2" data-testid="reference">
      <span className="min-w-0 flex-1">
        <b className="font-semibold">{props.name}</b>{' '}
        <span className="text-ink2">
          {r.from}, {counted(r.faces, 'face')}
        </span>
        <span className="condensed block text-[13px]">
          {told === undefined
            ? 'Inspecting it'
            : told.must + told.should === 0
              ? 'Clean by what counts'
              : `The check finds ${told.must} must, ${told.should} should in it`}
          {told?.met.lines != null &&
            `, ${Math.round(100 * told.met.lines)} % of the required lines met`}
        </span>
      </span>
      <Button
        size="small"
        onClick={() =>
          change({ references: draft.references.filter((one) => one.hash !== r.hash) })
        }
      >
        Let go of it
      </Button>
    </li>
  );
}
