import { useState } from 'react';

/** A few names, of which each can be put in and taken out again. */
export function useToggled(): [readonly string[], (name: string) => void] {
  const [names, setNames] = useState<readonly string[]>([]);
  const toggle = (name: string) =>
    setNames((now) => (now.includes(name) ? now.filter((n) => n !== name) : [...now, name]));
  return [names, toggle];
}
