import { useEffect, useRef } from 'react';

export type Keys = Record<string, () => void>;

/** Whether letters and digits belong to a field now. */
function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.closest('input, textarea, select') !== null;
}

function nameOf(e: KeyboardEvent): string {
  const key = e.key.length === 1 ? e.key.toLowerCase() : e.key;
  return e.ctrlKey || e.metaKey ? `Ctrl ${key}` : key;
}

/**
 * Keys of a place. In a field only those with Ctrl and Escape count, and what a field does with Ctrl Z
 * itself comes first. Nothing is held down to see or choose.
 */
export function useKeys(keys: Keys) {
  const current = useRef(keys);
  useEffect(() => {
    current.current = keys;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.defaultPrevented || e.altKey) return;
      const name = nameOf(e);
      if (document.querySelector('[role=dialog]') && name !== 'Escape') return;
      const typing = isTyping(e.target);
      if (typing && name !== 'Ctrl Enter') return;
      const onButton = e.target instanceof HTMLElement && e.target.closest('button, a') !== null;
      if (onButton && (name === 'Enter' || name === ' ')) return;
      const act = current.current[name];
      if (!act) return;
      e.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
