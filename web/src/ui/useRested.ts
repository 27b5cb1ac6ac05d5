import { useEffect, useState } from 'react';

/** A value once it has stayed the same for a moment. */
export function useRested<T>(value: T, ms: number): T {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const rest = setTimeout(() => setRested(value), ms);
    return () => clearTimeout(rest);
  }, [value, ms]);
  return rested;
}
