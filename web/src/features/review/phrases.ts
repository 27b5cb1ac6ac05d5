import type { Finding, Note, Schemas } from '../../api/client';

type Phrase = Schemas['Phrase'];

const MOST = 4;

/** A phrase with its blanks filled by the numbers of a finding; what it does not know stays a blank. */
export function filled(text: string, finding: Finding | undefined): string {
  return text.replace(/\{(\w+)\}/g, (_, name: string) => {
    if (name === 'finding') return finding?.title ?? '…';
    const number = finding?.numbers[name];
    return number === undefined ? '…' : String(Math.round(number * 100) / 100);
  });
}

/** The blanks that the numbers of a finding can fill. */
export function blanksOf(finding: Finding | undefined): string[] {
  return finding ? Object.keys(finding.numbers) : [];
}

/**
 * Phrases that fit a note: its kind, and the kind of its finding first; those that begin as what is
 * typed, or hold it. They come in the order of their use.
 */
export function fitting(
  phrases: readonly Phrase[],
  note: Note,
  finding: Finding | undefined,
): { phrase: Phrase; text: string }[] {
  const typed = note.text.trim().toLowerCase();
  const fits = phrases.filter(
    (p) =>
      !p.isPutAway && p.noteKind === note.kind && (p.kind === null || p.kind === finding?.kind),
  );
  const rank = (p: Phrase) => (p.kind === null ? 1 : 0);
  return fits
    .map((phrase) => ({ phrase, text: filled(phrase.text, finding) }))
    .filter(({ text }) => {
      const low = text.toLowerCase();
      return low !== typed && (typed === '' || low.includes(typed));
    })
    .sort((a, b) => rank(a.phrase) - rank(b.phrase))
    .slice(0, MOST);
}
