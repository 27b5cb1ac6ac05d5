import { useMemo } from 'react';
import type { Beside, Note, Review } from '../../api/client';
import { useAddressed } from '../../ui/useAddressed';

/** Something to be laid beside the hand-in, as a list names it. */
export interface BesideChoice {
  key: string;
  name: string;
  beside: Beside;
}

/** What there is to be laid beside a hand-in: other attempts, the last first; references; the starter. */
export function choicesOf(review: Review): BesideChoice[] {
  const attempts = review.attempts
    .filter((a) => a.attempt !== review.attempt)
    .map((a) => ({
      key: `attempt-${a.attempt}`,
      name: `Attempt ${a.attempt}`,
      beside: { sort: 'attempt', which: String(a.attempt) } as const,
    }))
    .reverse();
  const many = review.references.length > 1;
  const references = review.references.map((hash, i) => ({
    key: `reference-${i + 1}`,
    name: many ? `Reference ${String.fromCharCode(65 + i)}` : 'Reference',
    beside: { sort: 'reference', which: hash } as const,
  }));
  const starter = {
    key: 'starter',
    name: 'Starter',
    beside: { sort: 'starter', which: '0' } as const,
  };
  return [...attempts, ...references, starter];
}

/** What lies beside at first: the attempt before, else a reference, else the starter. */
export function usualOf(review: Review, choices: readonly BesideChoice[]): BesideChoice {
  const before = choices.find((c) => c.key === `attempt-${review.attempt - 1}`);
  return before ?? choices.find((c) => c.beside.sort === 'reference') ?? choices.at(-1)!;
}

/** What a mend would leave, laid beside the hand-in. */
export function triedOf(mend: NonNullable<Note['mend']>): BesideChoice {
  return {
    key: `mend ${JSON.stringify(mend.change)}`,
    name: 'With the mend',
    beside: { sort: 'mend', change: mend.change },
  };
}

const STAGES = 'fair-edge-stages';
/** Narrower there is room for one stage only. */
const ROOM = 1200;

/** What is laid beside the hand-in, and whether it is at all: kept in the address and on this machine. */
export function useBeside(review: Review) {
  const choices = useMemo(() => choicesOf(review), [review]);
  const [named, name] = useAddressed('beside');
  const usual = usualOf(review, choices);
  const [alone, setAlone] = useAddressed('alone');
  const isAlone =
    alone === null ? localStorage.getItem(STAGES) === 'one' || innerWidth < ROOM : alone === 'yes';
  const chosen = choices.find((c) => c.key === named) ?? usual;
  return {
    choices,
    chosen,
    choose: (key: string) => name(key === usual.key ? null : key),
    alone: isAlone,
    toggle: () => {
      localStorage.setItem(STAGES, isAlone ? 'two' : 'one');
      setAlone(isAlone ? 'no' : 'yes');
    },
  };
}
