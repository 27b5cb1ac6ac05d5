import { useEffect, useState } from 'react';
import { api, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { FileDrop } from '../../ui/FileDrop';
import { Trouble, Working } from '../../ui/States';
import { MeantForm } from './MeantForm';
import { STAGES } from '../../trade/stages';
import { useUpload, type UploadState } from './useUpload';

interface Props {
  assignment: string;
  main: boolean;
  onDone: (handedIn: Schemas['HandedIn']) => void;
}

/** Handing in a mesh file: dropped here or chosen, watched on its way, stopped if need be. */
export function FileHandIn({ assignment, main, onDone }: Props) {
  const [file, setFile] = useState<File | null>(null);
  const { state, send, answer, stop } = useUpload(
    assignment,
    (u) => u.handedIn && onDone(u.handedIn),
  );

  if (state.at === 'sending' || state.at === 'under way') {
    return <UnderWay state={state} onStop={() => void stop()} />;
  }
  if (state.at === 'asking') {
    return (
      <div>
        <p className="mb-3 truncate font-semibold">{state.upload.fileName}</p>
        <MeantForm
          question={state.question}
          onAnswer={(meant) => void answer(meant)}
          onStop={() => void stop()}
        />
      </div>
    );
  }
  return (
    <div>
      <p className="font-semibold">A mesh file made elsewhere</p>
      <p className="mb-3 text-ink2">
        An OBJ, PLY, OFF, STL, glTF or GLB file. However messy it is, it will be read.
      </p>
      <FileDrop
        label="Mesh file"
        accept=".obj,.ply,.off,.stl,.glb,.gltf"
        onChosen={setFile}
        onDropped={(dropped) => {
          setFile(dropped);
          void send(dropped);
        }}
      >
        <span className="min-w-0 flex-1 truncate text-ink2">{file?.name ?? 'none chosen'}</span>
        <Button
          look={main ? 'main' : 'plain'}
          disabled={!file}
          title={file ? undefined : 'Choose a file first'}
          onClick={() => file && void send(file)}
        >
          Hand in the file
        </Button>
      </FileDrop>
      {state.at === 'failed' && (
        <Trouble title={state.title} where={state.line ? `Line ${state.line}` : undefined}>
          {state.detail}
          {state.kept && (
            <>
              {' '}
              <a href={api.keptFile(state.kept)} className="font-medium underline">
                Get the file
              </a>
            </>
          )}
        </Trouble>
      )}
    </div>
  );
}

type Moving = Extract<UploadState, { at: 'sending' | 'under way' }>;

function UnderWay({ state, onStop }: { state: Moving; onStop: () => void }) {
  const seconds = useSeconds();
  const sending = state.at === 'sending';
  const share = sending ? state.share : state.upload.share;
  const stage = sending ? 'Sending the file' : STAGES[state.upload.stage];
  const known = sending || state.upload.stage === 'reading';
  return (
    <div>
      <p className="mb-3 truncate font-semibold">
        {sending ? state.fileName : state.upload.fileName}
      </p>
      <Working
        stage={stage}
        about={`${known ? `${Math.round(100 * share)} %, ` : ''}${seconds} s`}
        share={known ? share : undefined}
        onStop={onStop}
      />
      <p className="mt-3 text-ink2">
        {sending
          ? 'Stay here until it is sent.'
          : 'You may close this: it goes on, and is in My work once it is handed in.'}
      </p>
    </div>
  );
}

/** Seconds since it was first shown. */
function useSeconds(): number {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setSeconds((s) => s + 1), 1000);
    return () => clearInterval(timer);
  }, []);
  return seconds;
}
