import { expect, it, vi } from 'vitest';
import { lensKeys, LENSES, lookOf } from '../src/stage/lenses';

it('have a letter each that occurs in their word', () => {
  const letters = LENSES.map((l) => l.letter);
  expect(new Set(letters).size).toBe(LENSES.length);
  for (const { name, letter } of LENSES) expect(name.toUpperCase()).toContain(letter);
});

it('are taken by their letters', () => {
  const take = vi.fn();
  lensKeys(take).h!();
  expect(take).toHaveBeenCalledWith('shape-change');
});

it('tell tones apart by weight where a colour alone would', () => {
  expect(lookOf('short').dashed).toBe(true);
  expect(lookOf('jump').weight).toBeGreaterThan(lookOf('step').weight);
});
