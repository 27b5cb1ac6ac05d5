import { expect, test } from 'vitest';
import { cardOf } from '../src/features/handbook/cards';
import { groups } from '../src/trade/cards';
import { LENSES } from '../src/stage/lenses';
import { KIND_NAMES } from '../src/trade/kinds';

test('every kind of finding has a card that says why it matters and how to mend it', () => {
  for (const kind of Object.keys(KIND_NAMES)) {
    const card = cardOf(kind);
    expect(card, kind).not.toBeNull();
    expect(card!.title, kind).not.toBe('');
    expect(card!.html, kind).toContain('<p>');
  }
});

test('every lens that shows more than the form has a card that says how to read it', () => {
  for (const { lens, name } of LENSES.filter((l) => l.lens !== 'clay')) {
    const card = cardOf(`lens-${lens}`);
    expect(card?.title, lens).toBe(name);
    expect(card!.html, lens).toContain('How to read it');
  }
});

test('the list names every card that there is, and its links lead to cards', () => {
  const listed = groups().flatMap((g) => g.cards);
  expect(listed.map((c) => c.name)).toEqual(expect.arrayContaining(Object.keys(KIND_NAMES)));
  for (const { name, title } of listed) {
    const card = cardOf(name);
    expect(card?.title, name).toBe(title);
    for (const [, to] of card!.html.matchAll(/href="\/handbook\/([a-z-]+)"/g)) {
      expect(cardOf(to!), `${name} to ${to}`).not.toBeNull();
    }
  }
});

test('the handbook opens on a first page, which is no card of the list and leads to some', () => {
  const first = cardOf('first')!;
  expect(first.title).toBe('The handbook');
  expect(groups().flatMap((g) => g.cards.map((c) => c.name))).not.toContain('first');
  const links = [...first.html.matchAll(/href="\/handbook\/([a-z-]+)"/g)].map(([, to]) => to!);
  expect(links.length).toBeGreaterThan(10);
  for (const to of links) expect(cardOf(to), to).not.toBeNull();
});
