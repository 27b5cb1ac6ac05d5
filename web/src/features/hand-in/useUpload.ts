import { useEffect, useRef, useState } from 'react';
import { api, asProblem, newKey, type Schemas, type Sending, type Upload } from '../../api/client';

export type UploadState =
  | { at: 'nothing' }
  | { at: 'sending'; fileName: string; share: number }
  | { at: 'under way'; upload: Upload }
  | { at: 'asking'; upload: Upload; question: Schemas['Question'] }
  | { at: 'failed'; title: string; detail: string; line: number; kept: string | null };

const LOOK_EVERY_MS = 300;

function after(upload: Upload): UploadState {
  if (upload.stage === 'cancelled') return { at: 'nothing' };
  if (upload.question) return { at: 'asking', upload, question: upload.question };
  if (upload.stage !== 'failed') return { at: 'under way', upload };
  return {
    at: 'failed',
    title: 'This file could not be read',
    detail: upload.problem?.detail ?? '',
    line: upload.problem?.line ?? 0,
    kept: upload.kept ? upload.id : null,
  };
}

/** A file's way in: sent with its share told, then watched while the server reads and inspects it. */
export function useUpload(assignment: string, onDone: (upload: Upload) => void) {
  const [state, setState] = useState<UploadState>({ at: 'nothing' });
  const sending = useRef<Sending<Upload> | null>(null);
  const stopped = useRef(false);
  /** Kept while it is not known whether the file arrived, so that sent again it is handed in once. */
  const unanswered = useRef<{ file: File; key: string } | null>(null);
  const upload = state.at === 'under way' ? state.upload : null;

  const take = (next: Upload) => {
    if (next.stage === 'done') onDone(next);
    else setState(after(next));
  };

  const fail = (e: unknown) => {
    const { title, message } = asProblem(e);
    setState({ at: 'failed', title, detail: message, line: 0, kept: null });
  };

  const send = async (file: File) => {
    stopped.current = false;
    const key = unanswered.current?.file === file ? unanswered.current.key : newKey();
    unanswered.current = { file, key };
    setState({ at: 'sending', fileName: file.name, share: 0 });
    sending.current = api.uploadFile(assignment, file, key, (share) =>
      setState({ at: 'sending', fileName: file.name, share }),
    );
    try {
      const received = await sending.current.done;
      unanswered.current = null;
      take(stopped.current ? await api.cancelUpload(received.id) : received);
    } catch (e) {
      if (!asProblem(e).offline) unanswered.current = null;
      if (stopped.current) setState({ at: 'nothing' });
      else fail(e);
    }
  };

  /** Says how the numbers of the file are meant that waits for it. */
  const answer = async (meant: Schemas['MeantAs']) => {
    if (state.at !== 'asking') return;
    try {
      take(await api.answerUpload(state.upload.id, meant.unit, meant.up));
    } catch (e) {
      fail(e);
    }
  };

  const stop = async () => {
    stopped.current = true;
    // Sent in full, it may have arrived: then it is cancelled when the answer is here.
    if (state.at === 'sending' && state.share < 1) sending.current?.stop();
    // It may have come through at the last moment: then it is handed in.
    const arrived = state.at === 'asking' ? state.upload : upload;
    if (arrived) await api.cancelUpload(arrived.id).then(take, fail);
  };

  const latest = useRef({ take, fail });
  useEffect(() => {
    latest.current = { take, fail };
  });
  const id = upload?.id;
  useEffect(() => {
    if (!id) return;
    const look = () =>
      api.upload(id).then(
        (next) => !stopped.current && latest.current.take(next),
        (e: unknown) => {
          // A lost connection is no failure: the server works on, and the next look finds out.
          const problem = asProblem(e);
          if (!problem.offline) latest.current.fail(problem);
        },
      );
    const timer = setInterval(() => void look(), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [id]);

  return { state, send, answer, stop };
}
