import { useState } from 'react';
import type { Sending } from '../../api/client';
import { MeantChoice, type Meant } from '../../trade/MeantChoice';
import { FileDrop } from '../../ui/FileDrop';
import { Trouble, Working } from '../../ui/States';
import type { EditorControl, EditorData } from './useEditor';

const UNITS = ['mm', 'cm', 'm', 'in'];

interface Props {
  control: EditorControl;
  label: string;
  hint: string;
  send: (file: File, meant: Meant, onShare: (share: number) => void) => Sending<EditorData>;
  /** Whether what comes of it is written on the draft, and seen in no list. */
  writes?: boolean;
}

/** A mesh file of any format: its unit and axis are said, since files don't. */
export function MeshFileDrop({ control, label, hint, send, writes = false }: Props) {
  const { data, act, problem } = control;
  const [meant, setMeant] = useState<Meant>({ unit: data.starter?.unit ?? 'mm', up: 'z' });
  const [sending, setSending] = useState<Sending<EditorData> | null>(null);
  const [share, setShare] = useState(0);
  const take = async (file: File) => {
    setShare(0);
    const now = send(file, meant, setShare);
    setSending(now);
    await act(() => now.done, writes, writes);
    setSending(null);
  };
  const line = typeof problem?.more.line === 'number' && problem.more.line;
  if (sending) {
    return (
      <div className="mt-3 border border-ctl p-4">
        <Working
          stage={share >= 1 ? 'Reading the file' : 'Sending the file'}
          about={share >= 1 ? '' : `${Math.round(100 * share)} %`}
          share={share >= 1 ? undefined : share}
          onStop={sending.stop}
        />
      </div>
    );
  }
  return (
    <>
      <div className="mt-3 grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-6 gap-y-3 max-[1180px]:grid-cols-1">
        <FileDrop
          label={label}
          accept=".obj,.ply,.off,.stl,.glb,.gltf"
          onChosen={(f) => void take(f)}
          onDropped={(f) => void take(f)}
        >
          <span className="text-ink2">{hint}</span>
        </FileDrop>
        <MeantChoice units={UNITS} meant={meant} onChange={setMeant} />
      </div>
      {line ? (
        <Trouble title={problem!.title} where={`Line ${line}`}>
          {problem!.message}
        </Trouble>
      ) : null}
    </>
  );
}
