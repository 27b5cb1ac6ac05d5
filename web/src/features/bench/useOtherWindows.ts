import { useCallback, useEffect, useRef } from 'react';
import { ApiProblem } from '../../api/client';

const LOOK_EVERY_MS = 5000;

/**
 * Keeps windows on one workpiece in step: those of this browser tell each other at once; one on another
 * machine is found out by looking now and then, while this one is seen. Gives back how to tell.
 */
export function useOtherWindows(
  workpiece: string | undefined,
  revision: number | undefined,
  look: () => Promise<void>,
): () => void {
  const channel = useRef<BroadcastChannel | null>(null);
  const latest = useRef({ look, revision });
  useEffect(() => {
    latest.current = { look, revision };
  });

  useEffect(() => {
    if (!workpiece) return;
    const lookNow = () =>
      void latest.current.look().catch((e: unknown) => {
        // Without a connection the next look finds out, and what the user does says so.
        if (!(e instanceof ApiProblem)) throw e;
      });
    const opened = new BroadcastChannel(`workpiece ${workpiece}`);
    opened.onmessage = lookNow;
    channel.current = opened;
    const seen = () => document.visibilityState === 'visible' && lookNow();
    document.addEventListener('visibilitychange', seen);
    const timer = setInterval(seen, LOOK_EVERY_MS);
    return () => {
      opened.close();
      channel.current = null;
      document.removeEventListener('visibilitychange', seen);
      clearInterval(timer);
    };
  }, [workpiece]);

  return useCallback(() => channel.current?.postMessage('moved'), []);
}
