import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type Schemas } from '../src/api/client';
import { Moves } from '../src/features/exercises/Moves';
import type { EditorData } from '../src/features/exercises/useEditor';

const row = (total: number, soFar: number | null, isAnswered: boolean, attempt = 1) =>
  ({
    name: 'x',
    attempt,
    credits: { lines: [], total, of: 9, daysLate: 0, off: 0 },
    soFar,
    isAnswered,
  }) as unknown as Schemas['WouldGet'];

function shown(countsOtherwise: boolean) {
  const data = { id: 'e', countsOtherwise, draft: { rule: null } } as unknown as EditorData;
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <QueryClientProvider client={client}>
      <Moves data={data} />
    </QueryClientProvider>,
  );
}

beforeEach(() => vi.restoreAllMocks());
afterEach(cleanup);

describe('what letting changes hold would move', () => {
  it('is told in numbers: inspected anew, credits, answers that stay', async () => {
    vi.spyOn(api, 'recheck').mockResolvedValue({ done: 5, of: 5 });
    vi.spyOn(api, 'wouldGet').mockResolvedValue([
      row(9, null, false, 0),
      row(8, 6, false),
      row(5, 6, true),
      row(6, 6, true),
    ]);
    shown(true);
    await screen.findByText('By the findings known, the credits of 2 hand-ins move.');
    expect(screen.getAllByRole('listitem').map((li) => li.textContent)).toEqual([
      '5 hand-ins inspected anew.',
      'By the findings known, the credits of 2 hand-ins move.',
      '1 answer that is out would differ, and stays.',
    ]);
  });

  it('says that nothing moves where nothing does', async () => {
    vi.spyOn(api, 'recheck').mockResolvedValue({ done: 1, of: 1 });
    vi.spyOn(api, 'wouldGet').mockResolvedValue([row(6, 6, true)]);
    shown(false);
    await screen.findByText('No hand-in is inspected anew.');
    await screen.findByText('No credits move, as far as findings are known.');
  });

  it('asks nothing where nobody has handed in', async () => {
    vi.spyOn(api, 'recheck').mockResolvedValue({ done: 0, of: 0 });
    const asked = vi.spyOn(api, 'wouldGet');
    const { container } = shown(true);
    await vi.waitFor(() => expect(api.recheck).toHaveBeenCalled());
    expect(container.textContent).toBe('');
    expect(asked).not.toHaveBeenCalled();
  });
});
