import { useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import { queries } from '../../api/queries';
import { FormRow } from '../../trade/FormRow';
import { Select } from '../../ui/Select';
import { counted } from '../../ui/time';
import { MeshFileDrop } from './MeshFileDrop';
import { SectionHead } from './SectionHead';
import type { EditorControl } from './useEditor';

/** What students begin with: a form, a file, a piece of one's own, or another exercise's. */
export function StarterSection({ control }: { control: EditorControl }) {
  const { data, busy, act } = control;
  const practice = useQuery(queries.practice());
  const others = useQuery(queries.exercises());
  const free = data.isMine && !data.starter?.isFixed;
  const pieces = (practice.data?.pieces ?? []).filter((p) => p.stage === 'ready');
  const from = (others.data ?? []).filter(
    (e) => e.id !== data.id && e.hasStarter && e.state !== 'draft',
  );
  const use = (asked: { form?: string; workpiece?: string; exercise?: string }) =>
    void act(() => api.useStarter(data.id, asked));
  const usePiece = (piece: string) =>
    void act(async () => {
      const workpiece = await api.openWorkpiece(`/practice/${piece}`);
      return api.useStarter(data.id, { workpiece: workpiece.id });
    });
  return (
    <section>
      <SectionHead number={1} name="Starter" about="the mesh that students begin with" />
      <div className="space-y-6 px-5 py-4">
        <p>
          {data.starter ? (
            <>
              It is <b className="font-semibold">{data.starter.from}</b>, in {data.starter.unit},{' '}
              {counted(data.starter.faces, 'face')}.{' '}
              {data.starter.isFixed &&
                'Students have begun with it: copy the exercise to give the copy another one.'}
            </>
          ) : (
            'None is chosen yet. However messy it is, it can be one: cleaning may be the exercise.'
          )}
        </p>
        {free && (
          <>
            <div>
              <h3 className="border-b border-rule pb-1.5 font-semibold">A form off the shelf</h3>
              <ul className="grid grid-cols-[repeat(auto-fill,minmax(240px,1fr))] gap-x-4">
                {practice.data?.forms.map((form) => (
                  <FormRow
                    key={form.form}
                    form={form}
                    disabled={busy}
                    onChoose={(name) => use({ form: name })}
                  />
                ))}
              </ul>
            </div>
            <div>
              <h3 className="border-b border-rule pb-1.5 font-semibold">Or a mesh file</h3>
              <MeshFileDrop
                control={control}
                label="Mesh file"
                hint="OBJ, PLY, OFF, STL, glTF or GLB"
                send={(file, meant, onShare) =>
                  api.sendStarter(data.id, file, { ...meant }, onShare)
                }
              />
            </div>
            <div className="flex flex-wrap gap-x-8 gap-y-4">
              {pieces.length > 0 && (
                <Picker
                  title="A practice piece of yours, as it stands"
                  none="Choose a piece"
                  options={pieces.map((p) => [p.id, p.title] as const)}
                  onPick={usePiece}
                />
              )}
              {from.length > 0 && (
                <Picker
                  title="The starter of another exercise"
                  none="Choose an exercise"
                  options={from.map((e) => [e.id, e.title] as const)}
                  onPick={(exercise) => use({ exercise })}
                />
              )}
            </div>
          </>
        )}
      </div>
    </section>
  );
}

function Picker(props: {
  title: string;
  none: string;
  options: readonly (readonly [string, string])[];
  onPick: (id: string) => void;
}) {
  return (
    <div>
      <h3 className="mb-1.5 font-semibold">{props.title}</h3>
      <Select
        label={props.title}
        value=""
        className="w-64"
        options={[['', props.none] as const, ...props.options]}
        onChange={(id) => id && props.onPick(id)}
      />
    </div>
  );
}
