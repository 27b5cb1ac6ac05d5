import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type Review } from '../src/api/client';
import { useWake } from '../src/features/review/useWake';
import { MeshBuffers } from '../src/mesh/MeshBuffers';

const mesh = {} as MeshBuffers;
const review = { id: 'a', steps: [{ id: 7 }, { id: 8 }, { id: 9 }] } as unknown as Review;

let client: QueryClient;

function Around({ children }: { children: ReactNode }) {
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>;
}

const shown: number[] = [];
const wake = () =>
  renderHook(() => useWake(review, mesh, (at) => shown.push(at)), { wrapper: Around });

describe('the wake of a hand-in', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    client = new QueryClient();
    shown.length = 0;
    vi.spyOn(api, 'besideMesh').mockResolvedValue(new ArrayBuffer(0));
    vi.spyOn(MeshBuffers, 'read').mockReturnValue(mesh);
  });
  afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
    vi.useRealTimers();
  });

  it('plays from the starter to what was handed in, and stops there', async () => {
    const { result } = wake();
    expect(result.current.at).toBe(3);
    act(() => result.current.toggle());
    expect(result.current.at).toBe(0);
    await act(() => vi.advanceTimersByTimeAsync(1300));
    expect(result.current.at).toBe(1);
    for (let i = 0; i < 4; i++) await act(() => vi.advanceTimersByTimeAsync(1300));
    expect(result.current.at).toBe(3);
    expect(result.current.playing).toBe(false);
    expect(shown).toEqual([0, 1, 2, 3]);
  });

  it('plays on, however often what is round it is drawn', async () => {
    const { result, rerender } = wake();
    act(() => result.current.toggle());
    for (let i = 0; i < 15; i++) {
      rerender();
      await act(() => vi.advanceTimersByTimeAsync(100));
    }
    expect(result.current.at).toBe(1);
  });

  it('is held, and gone through step by step, never beyond its ends', async () => {
    const { result } = wake();
    act(() => result.current.go(-4));
    expect(result.current.at).toBe(0);
    act(() => result.current.go(9));
    expect(result.current.at).toBe(3);
    act(() => result.current.toggle());
    act(() => result.current.stop());
    await act(() => vi.advanceTimersByTimeAsync(5000));
    expect(result.current.at).toBe(0);
  });
});
