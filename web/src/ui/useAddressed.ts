import { useCallback, useState } from 'react';

/**
 * A piece of what is shown that the address carries, so that a reload or a link shows the same. It
 * replaces the address at hand: going back leaves the place.
 */
export function useAddressed(name: string): [string | null, (value: string | null) => void] {
  const [value, setValue] = useState(() => readAddress(name));
  const set = useCallback(
    (next: string | null) => {
      writeAddress(name, next);
      setValue(next);
    },
    [name],
  );
  return [value, set];
}

export function readAddress(name: string): string | null {
  return new URLSearchParams(window.location.search).get(name);
}

export function writeAddress(name: string, value: string | null) {
  const params = new URLSearchParams(window.location.search);
  if (value === null) params.delete(name);
  else params.set(name, value);
  const search = params.size ? `?${params}` : '';
  window.history.replaceState(window.history.state, '', window.location.pathname + search);
}
