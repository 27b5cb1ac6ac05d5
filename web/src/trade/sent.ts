import { create } from 'zustand';

/** So long an answer can be called back; the server says the same. */
export const CALL_BACK_S = 30;

/** Answers that were given back here just now. */
export interface Sent {
  submissions: readonly string[];
  /** To whom, in words. */
  to: string;
  /** When they were given back, by the clock here. */
  at: number;
}

interface SentStore {
  sent: Sent | null;
  /** Why the last ones could not be called back. */
  problem: string | null;
  tell: (submissions: readonly string[], to: string) => void;
  forget: (problem?: string | null) => void;
}

/** The last answers that were given back in this window: they can be called back for a while. */
export const useSent = create<SentStore>((set) => ({
  sent: null,
  problem: null,
  tell: (submissions, to) => set({ sent: { submissions, to, at: Date.now() }, problem: null }),
  forget: (problem = null) => set({ sent: null, problem }),
}));
