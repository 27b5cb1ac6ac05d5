import { render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { cardOf } from '../src/features/handbook/cards';
import { WithTerms } from '../src/trade/WithTerms';

it('words of the trade open their cards, each card once, and the text stays as it is', () => {
  const text = 'A ring of 3 quads. It ends at a triangle on both sides, beside another triangle.';
  const { container } = render(<WithTerms>{text}</WithTerms>);
  expect(container.textContent).toBe(text);
  const links = screen.getAllByRole('link');
  expect(links.map((l) => l.textContent)).toEqual(['ring', 'triangle']);
  for (const link of links) {
    expect(cardOf(link.getAttribute('href')!.replace('/handbook/', ''))).not.toBeNull();
  }
});

it('a word that is part of another is none, nor one whose card is open beside it', () => {
  const { container } = render(
    <WithTerms but="pole">Poles string through the boring cagebird.</WithTerms>,
  );
  expect(container.querySelectorAll('a')).toHaveLength(0);
});
