import { expect, test } from 'vitest';
import { onlookersText } from '../src/features/room/Company';
import { sorted } from '../src/features/room/Room';
import { minutesSince } from '../src/features/room/times';
import { withoutTile, withTile, type RoomState, type Tile } from '../src/features/room/useRoom';

const tile = (workpiece: string, name: string, more: Partial<Tile> = {}) =>
  ({
    workpiece,
    student: name,
    name,
    group: null,
    revision: 0,
    stillSince: '2026-11-30T19:00:00Z',
    asksSince: null,
    ...more,
  }) as Tile;

const room = (tiles: Tile[], ...others: string[]) =>
  ({
    tiles,
    others: others.map((name) => ({ student: name, name, group: null })),
    last: 3,
  }) as RoomState;

test('a bench is there once, with how it stands now; who sits at it is not away', () => {
  const one = withTile(room([], 'Noor', 'Emil'), tile('a', 'Noor'));
  expect(one.tiles).toHaveLength(1);
  expect(one.others.map((o) => o.name)).toEqual(['Emil']);
  const two = withTile(one, tile('a', 'Noor', { revision: 4 }));
  expect(two.tiles.map((t) => t.revision)).toEqual([4]);
});

test('who left their last bench is away, and not before', () => {
  const both = room([tile('a', 'Noor'), tile('b', 'Noor')]);
  const one = withoutTile(both, 'a');
  expect(one.others).toEqual([]);
  const none = withoutTile(one, 'b');
  expect(none.others.map((o) => o.name)).toEqual(['Noor']);
  expect(withoutTile(none, 'b')).toBe(none);
});

test('of those who ask the one who waited longest is first, then by name', () => {
  const tiles = [
    tile('a', 'Petra'),
    tile('b', 'Noor', { asksSince: '2026-11-30T19:05:00Z' }),
    tile('c', 'Emil', { asksSince: '2026-11-30T19:02:00Z' }),
    tile('d', 'Bram', { stillSince: '2026-11-30T19:09:00Z' }),
  ];
  expect(sorted(tiles, 'asks').map((t) => t.name)).toEqual(['Emil', 'Noor', 'Bram', 'Petra']);
  expect(sorted(tiles, 'name').map((t) => t.name)).toEqual(['Bram', 'Emil', 'Noor', 'Petra']);
  expect(sorted(tiles, 'still').at(-1)!.name).toBe('Bram');
});

test('whoever cuts is told who looks on', () => {
  const company = { room: [], followers: [], asksSince: null, hints: [], last: 0 };
  expect(onlookersText(company)).toBe('');
  expect(onlookersText({ ...company, room: ['Marit'] })).toBe('Marit has the room open.');
  expect(onlookersText({ ...company, room: ['Jens', 'Marit'], followers: ['Marit'] })).toBe(
    'Marit looks on.',
  );
  expect(onlookersText({ ...company, room: ['Jens', 'Marit'] })).toBe(
    'Jens and Marit have the room open.',
  );
});

test('minutes are whole, and never before now', () => {
  const now = Date.parse('2026-11-30T19:10:30Z');
  expect(minutesSince('2026-11-30T19:05:00Z', now)).toBe(5);
  expect(minutesSince('2026-11-30T19:11:00Z', now)).toBe(0);
});
