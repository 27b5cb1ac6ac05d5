import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Frame } from '../src/api/client';
import { numberOf, titleOf } from '../src/features/demonstration/frames';
import { usePlaying } from '../src/features/demonstration/usePlaying';

const frame = (kind: Frame['kind'], brief: string | null = null) =>
  ({ kind, title: 'Loops', brief }) as Frame;

const FRAMES = [
  frame('starter'),
  frame('made', '20 quads'),
  frame('question'),
  frame('made'),
  frame('takenBack'),
];

describe('a demonstration', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    window.history.replaceState(null, '', '/demonstrations/a');
  });
  afterEach(() => {
    cleanup();
    vi.useRealTimers();
  });
  const play = () => renderHook(() => usePlaying(FRAMES, true));
  const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

  it('plays to the question and waits there, then on to its end', async () => {
    const { result } = play();
    act(() => result.current.toggle());
    await pass(1300);
    await pass(1300);
    expect(result.current.at).toBe(2);
    expect(result.current.waits).toBe(true);
    await pass(60_000);
    expect(result.current.at).toBe(2);
    act(() => result.current.toggle());
    expect(result.current.isOpen).toBe(true);
    expect(result.current.playing).toBe(true);
    for (let i = 0; i < 6; i++) await pass(3700);
    expect(result.current.at).toBe(4);
    expect(result.current.playing).toBe(false);
  });

  it('steps on by the answer first, and back past it', () => {
    const { result } = play();
    act(() => result.current.go(2));
    act(() => result.current.stepOn());
    expect([result.current.at, result.current.isOpen]).toEqual([2, true]);
    act(() => result.current.stepOn());
    expect(result.current.at).toBe(3);
    act(() => result.current.stepBack());
    act(() => result.current.stepBack());
    expect(result.current.at).toBe(1);
    expect(result.current.reached).toBe(3);
    for (let i = 0; i < 9; i++) act(() => result.current.stepBack());
    expect(result.current.at).toBe(0);
  });

  it('is found again by its address, and bounded whatever that says', () => {
    window.history.replaceState(null, '', '/demonstrations/a?frame=3');
    expect(play().result.current.at).toBe(3);
    window.history.replaceState(null, '', '/demonstrations/a?frame=99');
    expect(play().result.current.at).toBe(4);
    window.history.replaceState(null, '', '/demonstrations/a?frame=x');
    expect(play().result.current.at).toBe(0);
  });

  it('names its frames', () => {
    expect(FRAMES.map(titleOf)).toEqual(['Loops', 'Loops, 20 quads', 'Question', 'Loops', 'Loops']);
    expect(numberOf(FRAMES, 0)).toBe(0);
    expect(numberOf(FRAMES, 3)).toBe(3);
  });
});
