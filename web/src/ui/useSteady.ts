import { useCallback, useEffect, useRef } from 'react';

/** The same function at every drawing, which does what the latest one does: for what is drawn once. */
export function useSteady<A extends unknown[], R>(act: (...args: A) => R): (...args: A) => R {
  const latest = useRef(act);
  useEffect(() => {
    latest.current = act;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}
