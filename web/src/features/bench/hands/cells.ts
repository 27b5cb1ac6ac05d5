/** What is to stand in a cell, or how that follows from what stands there. */
export type Next<T> = T | ((now: T) => T);

/** A value that a hand remembers, and how it is changed. */
export type Cell = <T>(key: string, first: T | (() => T)) => readonly [T, (next: Next<T>) => void];

/**
 * What the hands remember, each under its own name. Only the tool in hand runs; what another was at
 * stays here until it is taken again.
 */
export class Cells {
  private readonly values = new Map<string, unknown>();
  private readonly listeners = new Set<() => void>();
  private changes = 0;

  /** The cells of one hand. */
  of(hand: string): Cell {
    return <T>(key: string, first: T | (() => T)) => {
      const name = `${hand} ${key}`;
      if (!this.values.has(name)) this.values.set(name, resolved(first));
      const put = (next: Next<T>) => {
        const now = this.values.get(name) as T;
        const then = next instanceof Function ? next(now) : next;
        if (Object.is(now, then)) return;
        this.values.set(name, then);
        this.changes++;
        this.listeners.forEach((told) => told());
      };
      return [this.values.get(name) as T, put] as const;
    };
  }

  /** Grows with every change. */
  readonly version = () => this.changes;

  readonly subscribe = (told: () => void) => {
    this.listeners.add(told);
    return () => this.listeners.delete(told);
  };
}

function resolved<T>(first: T | (() => T)): T {
  return first instanceof Function ? first() : first;
}
