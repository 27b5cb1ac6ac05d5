import { describe, expect, it } from 'vitest';
import { lowered, manyOf, ruleName, summary } from '../src/trade/kinds';

const ngon = (title: string) => ({ kind: 'ngon', title });

describe('findings in a line', () => {
  it('tells one by its own words', () => {
    expect(summary([ngon('5 sides, flat')])).toBe('5 sides, flat');
    expect(summary([])).toBe('');
  });

  it('tells many by their number and the worst, or what each is', () => {
    expect(summary([ngon('5 sides, flat'), ngon('5 sides, flat')])).toBe(
      '2 n-gons, each: 5 sides, flat',
    );
    expect(summary([ngon('16 sides, flat'), ngon('5 sides, flat')])).toBe(
      '2 n-gons, the worst: 16 sides, flat',
    );
  });

  it('says nothing twice', () => {
    const loose = { kind: 'loose-vertex', title: 'Loose vertex' };
    expect(summary([loose, loose])).toBe('2 loose vertices');
    const pair = { kind: 'triangle', title: 'Pair of triangles' };
    expect(summary([pair, pair])).toContain('each: pair of triangles');
  });

  it('has a name for every rule, also one that came later', () => {
    expect(ruleName({ key: 'ngon-flat', kind: 'ngon' })).toBe('N-gons that are flat');
    expect(ruleName({ key: 'new-one', kind: 'new-one' })).toBe('new-one');
    expect(manyOf('new-one')).toBe('new-one');
    expect(lowered('Widths jump')).toBe('widths jump');
  });
});
