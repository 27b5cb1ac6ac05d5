import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';

export type Entering = ReturnType<typeof useEntering>;

/** Tries something that lets one in, says what is wrong with it, and goes on to a place. */
export function useEntering() {
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const client = useQueryClient();
  const attempt = async <T>(work: () => Promise<T>): Promise<T | undefined> => {
    setBusy(true);
    setProblem('');
    try {
      return await work();
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'This did not work.');
      return undefined;
    } finally {
      setBusy(false);
    }
  };
  return {
    problem,
    busy,
    attempt,
    /** The same, and then one is in. */
    enter: (work: () => Promise<unknown>, to: string) =>
      attempt(async () => {
        await work();
        client.clear();
        void navigate(to, { replace: true });
      }),
  };
}
