import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, render, renderHook, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, ApiProblem } from '../src/api/client';
import { useLease } from '../src/features/review/useLease';
import { SentBand, useCallBack } from '../src/trade/SentBand';
import { useSent } from '../src/trade/sent';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.useRealTimers();
});

describe('the lease of an answer', () => {
  it('is held while it is open, and let go on the way out', async () => {
    const hold = vi.spyOn(api, 'hold').mockResolvedValue({ mine: true, holder: null });
    const letGo = vi.spyOn(api, 'letGo').mockResolvedValue();
    const { result, unmount } = renderHook(() => useLease('a'));
    await waitFor(() => expect(hold).toHaveBeenCalledWith('a', false));
    expect(result.current.holder).toBeNull();
    unmount();
    expect(letGo).toHaveBeenCalledWith('a');
  });

  it('tells who else has it, until it is taken over', async () => {
    const hold = vi
      .spyOn(api, 'hold')
      .mockResolvedValue({ mine: false, holder: 'Ottoline Brandt' });
    vi.spyOn(api, 'letGo').mockResolvedValue();
    const { result } = renderHook(() => useLease('a'));
    await waitFor(() => expect(result.current.holder).toBe('Ottoline Brandt'));
    hold.mockResolvedValue({ mine: true, holder: null });
    await act(() => result.current.takeOver());
    expect(hold).toHaveBeenLastCalledWith('a', true);
    expect(result.current.holder).toBeNull();
  });

  it('is asked for again and again, and tells when somebody took it over', async () => {
    vi.useFakeTimers();
    const hold = vi.spyOn(api, 'hold').mockResolvedValue({ mine: true, holder: null });
    vi.spyOn(api, 'letGo').mockResolvedValue();
    const { result } = renderHook(() => useLease('a'));
    await act(() => vi.advanceTimersByTimeAsync(100));
    hold.mockResolvedValue({ mine: false, holder: 'Ottoline Brandt' });
    await act(() => vi.advanceTimersByTimeAsync(20_000));
    expect(result.current.holder).toBe('Ottoline Brandt');
  });

  it('changes nothing where there is no answer', async () => {
    const hold = vi.spyOn(api, 'hold').mockRejectedValue(new ApiProblem(0, 'x', 'y'));
    vi.spyOn(api, 'letGo').mockRejectedValue(new ApiProblem(0, 'x', 'y'));
    const { result, unmount } = renderHook(() => useLease('a'));
    await waitFor(() => expect(hold).toHaveBeenCalled());
    expect(result.current.holder).toBeNull();
    unmount();
  });
});

function Around({ children }: { children: ReactNode }) {
  return (
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>{children}</MemoryRouter>
    </QueryClientProvider>
  );
}

describe('what was given back', () => {
  beforeEach(() => useSent.getState().forget());

  it('can be called back for half a minute', async () => {
    const callBack = vi.spyOn(api, 'callBackTogether').mockResolvedValue({ done: ['a'], left: [] });
    render(<SentBand />, { wrapper: Around });
    expect(screen.queryByTestId('sent')).toBeNull();
    act(() => useSent.getState().tell(['a'], 'Rune Osterholm'));
    expect(screen.getByTestId('sent').textContent).toContain('Rune Osterholm can read it in 30 s');
    await act(async () => screen.getByRole('button').click());
    expect(callBack).toHaveBeenCalledWith(['a']);
    await waitFor(() => expect(screen.queryByTestId('sent')).toBeNull());
  });

  it('can be called back by a key of the place, which says what went wrong in the same band', async () => {
    vi.spyOn(api, 'callBackTogether').mockRejectedValue(new ApiProblem(0, 'x', 'No answer.'));
    render(<SentBand />, { wrapper: Around });
    const { result } = renderHook(() => useCallBack(), { wrapper: Around });
    act(() => useSent.getState().tell(['a'], 'Rune Osterholm'));
    await act(() => result.current());
    expect((await screen.findByRole('alert')).textContent).toBe('No answer.');
  });

  it('is told who could not be called back any more', async () => {
    vi.spyOn(api, 'callBackTogether').mockResolvedValue({
      done: [],
      left: [{ id: 'a', student: 'Rune Osterholm', why: 'It is out already.' }],
    });
    render(<SentBand />, { wrapper: Around });
    act(() => useSent.getState().tell(['a'], 'Rune Osterholm'));
    await act(async () => screen.getByRole('button').click());
    expect((await screen.findByRole('alert')).textContent).toBe(
      'Rune Osterholm: It is out already.',
    );
  });

  it('is forgotten when its time is over, and nothing goes on counting', async () => {
    vi.useFakeTimers();
    render(<SentBand />, { wrapper: Around });
    act(() => useSent.getState().tell(['a'], 'Rune Osterholm'));
    await act(() => vi.advanceTimersByTimeAsync(12_000));
    expect(screen.getByTestId('sent').textContent).toContain('in 18 s');
    await act(() => vi.advanceTimersByTimeAsync(19_000));
    expect(screen.queryByTestId('sent')).toBeNull();
    expect(useSent.getState().sent).toBeNull();
    expect(vi.getTimerCount()).toBe(0);
  });

  it('goes by itself when its time is over', () => {
    render(<SentBand />, { wrapper: Around });
    act(() =>
      useSent.setState({ sent: { submissions: ['a'], to: 'Rune', at: Date.now() - 31_000 } }),
    );
    expect(screen.queryByTestId('sent')).toBeNull();
  });
});
