import README from '../../../docs/handbook/README.md?raw';

/** The cards in the groups in which the sources name them. */
export function groups(): { name: string; cards: { name: string; title: string }[] }[] {
  const list = README.slice(README.indexOf('\n- ')).replace(/\n {2}/g, ' ');
  return list
    .split('\n- ')
    .filter((line) => line.includes(': '))
    .map((line) => ({
      name: line.slice(0, line.indexOf(':')),
      cards: [...line.matchAll(/\[([^\]]+)\]\(([a-z-]+)\.md\)/g)].map((m) => ({
        title: m[1]!,
        name: m[2]!,
      })),
    }));
}

/** All cards, by their titles. */
export const CARDS = groups()
  .flatMap((group) => group.cards)
  .sort((a, b) => a.title.localeCompare(b.title, 'en'));
