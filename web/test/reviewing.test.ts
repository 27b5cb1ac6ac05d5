import { describe, expect, it } from 'vitest';
import type { Finding, Note, Review, Schemas } from '../src/api/client';
import { currentByEye, withDigit } from '../src/features/review/byEye';
import { filled, fitting } from '../src/features/review/phrases';
import { placesOf } from '../src/features/review/seeing';
import { choicesOf, usualOf } from '../src/features/review/useBeside';
import type { Draft } from '../src/features/review/useDraft';
import type { MeshBuffers } from '../src/mesh/MeshBuffers';
import { onSurface, smoothed } from '../src/stage/strokes';
import type { StageView } from '../src/stage/StageView';

const finding = {
  kind: 'ngon',
  title: '6 sides, flat',
  numbers: { sides: 6, off: 1.23456 },
} as unknown as Finding;

function phrase(text: string, more: Partial<Schemas['Phrase']> = {}): Schemas['Phrase'] {
  return {
    id: text,
    course: null,
    kind: null,
    noteKind: 'mend',
    text,
    uses: 0,
    isMine: true,
    isPutAway: false,
    ...more,
  };
}

const note = (text: string, kind: Note['kind'] = 'mend') => ({ text, kind }) as Note;

describe('phrases', () => {
  it('have their blanks filled by the numbers of the finding', () => {
    expect(filled('{sides} sides, {off} off, {fathoms}: {finding}', finding)).toBe(
      '6 sides, 1.23 off, …: 6 sides, flat',
    );
    expect(filled('{sides} sides', undefined)).toBe('… sides');
  });

  it('are offered where kind and words fit, those of the very fault first', () => {
    const all = [
      phrase('Look here.'),
      phrase('Put {sides} back to 4.', { kind: 'ngon' }),
      phrase('A pole too many.', { kind: 'pole' }),
      phrase('Well done.', { noteKind: 'praise' }),
      phrase('Gone.', { isPutAway: true }),
    ];
    const texts = (typed: string, kind: Note['kind'] = 'mend') =>
      fitting(all, note(typed, kind), finding).map((f) => f.text);
    expect(texts('')).toEqual(['Put 6 back to 4.', 'Look here.']);
    expect(texts('put')).toEqual(['Put 6 back to 4.']);
    expect(texts('Put 6 back to 4.')).toEqual([]);
    expect(texts('', 'praise')).toEqual(['Well done.']);
  });
});

const words = (...names: string[]) =>
  names.map((word, i) => ({ word, credits: i, isChosen: false }));
const credits = {
  lines: [
    { name: 'Quads', words: [] },
    { name: 'Form', words: words('slack', 'crisp') },
    { name: 'Care', words: words('none', 'some', 'all') },
  ],
} as unknown as Schemas['CreditsView'];
const draft = (seen: Draft['seen']) => ({ seen }) as Draft;

describe('words by eye', () => {
  it('are chosen by digits, one criterion after the other', () => {
    expect(currentByEye(credits, draft({}), null)).toBe('Form');
    const first = withDigit(credits, draft({}), null, 2)!;
    expect(first).toEqual({ seen: { Form: 'crisp' }, next: 'Care' });
    expect(withDigit(credits, draft(first.seen), first.next, 3)).toEqual({
      seen: { Form: 'crisp', Care: 'all' },
      next: 'Care',
    });
    expect(withDigit(credits, draft({}), null, 9)).toBeNull();
  });
});

describe('what lies beside', () => {
  const review = {
    attempt: 2,
    attempts: [
      { id: 'a', attempt: 1 },
      { id: 'b', attempt: 2 },
      { id: 'c', attempt: 3 },
    ],
    references: ['00', '11'],
  } as unknown as Review;

  it('is the attempt before, else a reference, else the starter', () => {
    const choices = choicesOf(review);
    expect(choices.map((c) => c.name)).toEqual([
      'Attempt 3',
      'Attempt 1',
      'Reference A',
      'Reference B',
      'Starter',
    ]);
    expect(usualOf(review, choices).key).toBe('attempt-1');
    const first = { ...review, attempt: 1, attempts: [] } as unknown as Review;
    expect(usualOf(first, choicesOf(first)).key).toBe('reference-1');
    const bare = { ...first, references: [] } as unknown as Review;
    expect(usualOf(bare, choicesOf(bare)).key).toBe('starter');
  });
});

describe('where a finding is looked at', () => {
  it('is at a bounded number of places, spread over all of it, however many corners it has', () => {
    const corners = Int32Array.from({ length: 100_000 }, (_, v) => v);
    const buffers = {
      hasFace: () => true,
      corners: () => corners,
      local: (v: number) => [v, 0, 0],
      toWorld: ([x, y, z]: number[]) => ({ x, y, z }),
    } as unknown as MeshBuffers;
    const round = {
      place: { x: -1, y: 0, z: 0 },
      elements: [{ kind: 'face', id: 0, ends: null }],
    } as unknown as Finding;
    const places = placesOf(buffers, round);
    expect(places).toHaveLength(41);
    expect(places[0]).toBe(round.place);
    expect(places.at(-1)!.x).toBeGreaterThan(97_000);
    expect(placesOf(undefined, round)).toEqual([round.place]);
  });
});

describe('strokes', () => {
  it('lose the tremor of the hand and keep their ends', () => {
    const path = [0, 1, 2, 3, 4, 5, 6].map((x) => ({ x, y: x % 2 }));
    const even = smoothed(path);
    expect(even[0]).toEqual(path[0]);
    expect(even.at(-1)).toEqual(path.at(-1));
    const sway = (line: readonly { y: number }[]) =>
      Math.max(...line.slice(2, -2).map((p) => Math.abs(p.y - 0.5)));
    expect(sway(even)).toBeLessThan(0.3 * sway(path));
  });

  it('end where they leave the model, and begin anew where they come back', () => {
    const stage = {
      hit: (x: number) => (x > 33 && x < 66 ? undefined : { face: 0, at: { x, y: 0, z: 0 } }),
    } as unknown as StageView;
    const lines = onSurface(stage, [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
    ]);
    expect(lines.map((line) => [line[0]!.x, line.at(-1)!.x])).toEqual([
      [0, 30],
      [70, 100],
    ]);
    // Near enough to each other to follow the surface between.
    expect(lines[0]).toHaveLength(7);
    expect(onSurface(stage, [{ x: 40, y: 0 }])).toEqual([]);
    expect(onSurface(stage, [])).toEqual([]);
  });
});
