import type { Schemas } from '../../api/client';
import type { Draft } from './useDraft';

/** Which criterion by eye the digits are for: the one at hand, else the first that is open. */
export function currentByEye(
  credits: Schemas['CreditsView'],
  draft: Draft,
  atHand: string | null,
): string | null {
  const all = credits.lines.filter((line) => line.words.length > 0);
  const open = all.find((line) => !draft.seen[line.name]);
  return (all.find((line) => line.name === atHand) ?? open ?? all[0])?.name ?? null;
}

/** The draft once a digit is pressed, and which criterion is next; null where the digit is nothing. */
export function withDigit(
  credits: Schemas['CreditsView'],
  draft: Draft,
  atHand: string | null,
  digit: number,
): { seen: Draft['seen']; next: string | null } | null {
  const name = currentByEye(credits, draft, atHand);
  const word = credits.lines.find((line) => line.name === name)?.words[digit - 1];
  if (!name || !word) return null;
  const seen = { ...draft.seen, [name]: word.word };
  const open = credits.lines.find((line) => line.words.length > 0 && !seen[line.name]);
  return { seen, next: open ? open.name : name };
}
