import { useSyncExternalStore } from 'react';

const TICK_MS = 15_000;
let now = Date.now();

function subscribe(told: () => void) {
  now = Date.now();
  const timer = setInterval(() => {
    now = Date.now();
    told();
  }, TICK_MS);
  return () => clearInterval(timer);
}

/** The time, as far as minutes go. */
export function useNow(): number {
  return useSyncExternalStore(subscribe, () => now);
}

/** How many whole minutes ago something was. */
export function minutesSince(at: string, time: number): number {
  return Math.max(0, Math.floor((time - new Date(at).getTime()) / 60_000));
}
