import { Fragment, type ReactNode } from 'react';

/** Which card tells what a word means, the longer words first. */
const TERMS: readonly (readonly [RegExp, string])[] = [
  [/\bsupport (?:loops?|strips?)\b/i, 'words'],
  [/\bedge (?:loops?|rings?)\b/i, 'words'],
  [/\bhard edges?\b/i, 'words'],
  [/\bT-junctions?\b/i, 'touching'],
  [/\bn-gons?\b/i, 'ngon'],
  [/\bpoles?\b/i, 'pole'],
  [/\btriangles?\b/i, 'triangle'],
  [/\brings?\b/i, 'words'],
  [/\bloops?\b/i, 'words'],
  [/\bborders?\b/i, 'words'],
  [/\bquads?\b/i, 'words'],
  [/\bcage\b/i, 'words'],
];

/** A sentence in which the words of the trade open their cards; each card once. */
export function WithTerms({ children: text, but }: { children: string; but?: string }) {
  return pieces(text, but ? [but] : []).map((piece, i) => <Fragment key={i}>{piece}</Fragment>);
}

function pieces(text: string, known: string[]): ReactNode[] {
  let first: { at: number; word: string; card: string } | null = null;
  for (const [term, card] of TERMS) {
    const match = known.includes(card) ? null : term.exec(text);
    if (match && (!first || match.index < first.at)) {
      first = { at: match.index, word: match[0], card };
    }
  }
  if (!first) return [text];
  const { at, word, card } = first;
  return [
    text.slice(0, at),
    <a
      href={`/handbook/${card}`}
      target="_blank"
      rel="noreferrer"
      className="underline decoration-dotted underline-offset-2 hover:decoration-solid"
      onClick={(e) => e.stopPropagation()}
    >
      {word}
    </a>,
    ...pieces(text.slice(at + word.length), [...known, card]),
  ];
}
