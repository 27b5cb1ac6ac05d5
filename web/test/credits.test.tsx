import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, type Schemas } from '../src/api/client';
import { CreditsSection } from '../src/features/exercises/CreditsSection';
import type { Draft, EditorControl } from '../src/features/exercises/useEditor';
import { Credits } from '../src/trade/Credits';
import { liveIn, wallText } from '../src/ui/time';

afterEach(() => {
  cleanup();
  liveIn(null);
  vi.restoreAllMocks();
});

const PLAIN = { kinds: [], words: [], byHand: null };

const credits = (total: number): Schemas['CreditsView'] => ({
  lines: [
    { name: 'Quads', gets: total, of: 4, isOpen: false, why: '1 must, 0 should', ...PLAIN },
    { name: 'Form', gets: 0, of: 3, isOpen: true, why: 'to be seen', ...PLAIN },
  ],
  daysLate: 0,
  offForLate: 0,
  total,
  of: 7,
  isOpen: true,
});

function Edited({ onRule }: { onRule: (rule: Draft['rule']) => void }) {
  const [draft, setDraft] = useState({ rule: null } as Draft);
  const control = {
    data: { id: 'e', isMine: true, draft: {} },
    draft,
    change: (part: Partial<Draft>) => {
      setDraft({ ...draft, ...part });
      onRule(part.rule ?? null);
    },
  } as unknown as EditorControl;
  return (
    <QueryClientProvider client={new QueryClient()}>
      <CreditsSection control={control} />
    </QueryClientProvider>
  );
}

describe('a rule for credits', () => {
  it('is written criterion by criterion, and is none without one', () => {
    vi.spyOn(api, 'wouldGet').mockResolvedValue([]);
    let rule: Draft['rule'] = null;
    render(<Edited onRule={(r) => (rule = r)} />);
    expect(screen.getByText(/No credits are given/)).toBeTruthy();
    fireEvent.click(screen.getByText('by what is found'));
    fireEvent.click(screen.getByText('by eye'));
    expect(screen.getByText('7 in all')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Off for a must'), { target: { value: '1,5' } });
    expect(rule!.criteria[0]).toMatchObject({ by: 'findings', offMust: 1.5, families: ['Sides'] });
    fireEvent.change(screen.getByLabelText('Off for a must'), { target: { value: '-' } });
    expect(rule!.criteria[0]!.offMust).toBe(1.5);
    fireEvent.click(screen.getByText('Flow'));
    expect(rule!.criteria[0]!.families).toEqual(['Sides', 'Flow']);
    screen.getAllByText('Drop').forEach(() => fireEvent.click(screen.getAllByText('Drop')[0]!));
    expect(rule).toBeNull();
  });

  it('shows what all would get, those that move first', async () => {
    vi.spyOn(api, 'wouldGet').mockResolvedValue([
      { name: 'Starter', attempt: 0, credits: credits(1), soFar: null, isAnswered: false },
      { name: 'Ada Lunde', attempt: 1, credits: credits(3), soFar: 3, isAnswered: false },
      { name: 'Bo Vik', attempt: 2, credits: credits(2), soFar: 3.5, isAnswered: true },
    ]);
    render(<Edited onRule={() => undefined} />);
    fireEvent.click(screen.getByText('by what is found'));
    await waitFor(() => expect(screen.getByText('was 3.5')).toBeTruthy());
    expect(screen.getByText(/moves the credits of 1 hand-in/)).toBeTruthy();
    expect(screen.getByText(/stays as it went out/)).toBeTruthy();
    const names = screen.getAllByRole('row').map((row) => row.textContent ?? '');
    expect(names.map((n) => n.slice(0, 3))).toEqual(['Who', 'Sta', 'Bo ', 'Ada']);
  });
});

describe('credits of a hand-in', () => {
  it('say why, and what is open', () => {
    render(<Credits credits={{ ...credits(2.5), daysLate: 2, offForLate: 1 }} />);
    const text = screen.getByTestId('credits').textContent;
    expect(text).toContain('2.5 of 7');
    expect(text).toContain('1 must, 0 should');
    expect(text).toContain('open of 3');
    expect(text).toContain('2 days late');
  });
});

describe('a time on the wall of a class', () => {
  it('has one’s own beside it where that is another', () => {
    liveIn('UTC');
    expect(wallText('2026-12-04T17:00:00Z', 'UTC')).toBe('Fri 4 Dec, 17:00');
    expect(wallText('2026-12-04T17:00:00Z', 'Europe/Oslo')).toBe('Fri 4 Dec, 18:00 (17:00 here)');
    expect(wallText('2026-12-04T17:00:00Z', 'Asia/Tokyo')).toBe(
      'Sat 5 Dec, 02:00 (Fri 4 Dec, 17:00 here)',
    );
  });
});
