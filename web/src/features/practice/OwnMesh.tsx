import { useRef, useState } from 'react';
import {
  api,
  asProblem,
  newKey,
  type ApiProblem,
  type Schemas,
  type Sending,
} from '../../api/client';
import { MeantChoice, type Meant } from '../../trade/MeantChoice';
import { FileDrop } from '../../ui/FileDrop';
import { Trouble, Working } from '../../ui/States';

type Piece = Schemas['PracticePiece'];

interface Props {
  units: readonly string[];
  profile: string;
  onBegun: (piece: Piece) => void;
}

/** Begins with a mesh file: sent with its share told, then read. */
export function OwnMesh({ units, profile, onBegun }: Props) {
  const [meant, setMeant] = useState<Meant>({ unit: 'mm', up: 'z' });
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const sending = useRef<Sending<Piece> | null>(null);
  const stopped = useRef(false);

  const send = async (file: File) => {
    setProblem(null);
    setShare(0);
    stopped.current = false;
    const fields = { ...meant, profile, clientKey: newKey() };
    sending.current = api.beginPracticeFile(file, fields, setShare);
    try {
      onBegun(await sending.current.done);
    } catch (e) {
      if (!stopped.current) setProblem(asProblem(e));
    } finally {
      setShare(null);
    }
  };
  const stop = () => {
    stopped.current = true;
    sending.current?.stop();
  };

  if (share !== null) {
    const sent = share >= 1;
    return (
      <div className="mt-3 border border-ctl p-4">
        <Working
          stage={sent ? 'Reading the file' : 'Sending the file'}
          about={sent ? '' : `${Math.round(100 * share)} %`}
          share={sent ? undefined : share}
          onStop={stop}
        />
      </div>
    );
  }
  const line = typeof problem?.more.line === 'number' && problem.more.line;
  return (
    <div className="mt-3">
      <p className="mb-3 text-ink2">
        An OBJ, PLY, OFF, STL, glTF or GLB file. However messy it is, it will be read; only you see
        it.
      </p>
      <FileDrop
        label="Mesh file"
        accept=".obj,.ply,.off,.stl,.glb,.gltf"
        onChosen={(f) => void send(f)}
        onDropped={(f) => void send(f)}
      />
      <div className="mt-3">
        <MeantChoice units={units} meant={meant} onChange={setMeant} />
      </div>
      {problem && (
        <Trouble title={problem.title} where={line ? `Line ${line}` : undefined}>
          {problem.message}
        </Trouble>
      )}
    </div>
  );
}
