import { expect, test } from 'vitest';
import type { Finding } from '../src/api/client';
import { foldedRows, isFold } from '../src/trade/folding';
import { summary } from '../src/trade/kinds';

const finding = (key: string, title: string, kind = 'ngon') =>
  ({ key, title, kind, severity: 'should' }) as unknown as Finding;
const five = ['a', 'b', 'c', 'd', 'e'].map((key) => finding(key, '5 sides, flat'));
const few = [finding('x', '6 sides, flat'), finding('y', '6 sides, flat')];

const told = (rows: ReturnType<typeof foldedRows<Finding>>) =>
  rows.map((row) => (isFold(row) ? `${row.count}` : row.key)).join(' ');

test('more than three findings of a kind fold, and unfold where one is chosen', () => {
  const poles = [finding('p', 'Pole of 6', 'pole'), finding('q', 'Pole of 7', 'pole')];
  const all = [...five, ...few, ...poles];
  expect(told(foldedRows(all, (f) => f, [], null))).toBe('7 p q');
  expect(told(foldedRows(all, (f) => f, [], 'c'))).toBe('7 a b c d e x y p q');
  const fold = foldedRows(all, (f) => f, [], null).find(isFold)!;
  expect(told(foldedRows(all, (f) => f, [fold.fold], null))).toBe('7 a b c d e x y p q');
  expect(told(foldedRows(five.slice(0, 3), (f) => f, [], null))).toBe('a b c');
});

test('a kind is told in a line, with how many and the worst', () => {
  expect(summary(five)).toBe('5 n-gons, each: 5 sides, flat');
  expect(summary([...few, ...five])).toBe('7 n-gons, the worst: 6 sides, flat');
  const bend = finding('v', 'Bend where 2 edges meet', 'bent-vertex');
  expect(summary([bend, bend])).toBe('2 bends where 2 edges meet');
  expect(summary([finding('z', 'Widths jump by 11.9 to 1', 'jump')])).toBe(
    'Widths jump by 11.9 to 1',
  );
});
