import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api, type Schemas } from '../src/api/client';
import { Company } from '../src/features/room/Company';

class Line {
  static all: Line[] = [];
  heard = new Map<string, (e: { data: string; lastEventId: string }) => void>();
  readyState = 1;
  constructor(readonly url: string) {
    Line.all.push(this);
  }
  addEventListener(kind: string, act: (e: { data: string; lastEventId: string }) => void) {
    this.heard.set(kind, act);
  }
  close() {
    this.readyState = 2;
  }
}

const HINT: Schemas['HintView'] = {
  id: 'h',
  workpiece: 'w',
  assignment: 'a',
  title: 'Hatch lid',
  by: 'Marit Tangen',
  text: 'Begin at the rim.',
  place: null,
  revision: 0,
  sentAt: '2026-11-30T19:00:00Z',
  seenAt: null,
};

let company: Schemas['CompanyView'];

beforeEach(() => {
  Line.all = [];
  vi.stubGlobal('EventSource', Line);
  company = { room: ['Marit Tangen'], followers: [], asksSince: null, hints: [], last: 4 };
  vi.spyOn(api, 'company').mockImplementation(() => Promise.resolve(company));
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

test('a hint comes by the line, and goes when it is understood', async () => {
  const seen = vi.spyOn(api, 'hintSeen').mockImplementation(() => {
    company = { ...company, hints: [{ ...HINT, seenAt: '2026-11-30T19:01:00Z' }] };
    return Promise.resolve();
  });
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Company workpiece="w" />
    </QueryClientProvider>,
  );
  await screen.findByText('Marit Tangen has the room open.');
  const [line] = Line.all;
  expect(line!.url).toBe('/api/workpieces/w/live?after=4');
  company = { ...company, hints: [HINT], followers: ['Marit Tangen'] };
  line!.heard.get('company')!({ data: '{}', lastEventId: '5' });
  await screen.findByText('Begin at the rim.');
  expect(screen.getByText('Marit Tangen looks on.')).toBeTruthy();
  fireEvent.click(screen.getByText('Understood'));
  await waitFor(() => expect(screen.queryByText('Begin at the rim.')).toBeNull());
  expect(seen).toHaveBeenCalledWith('h');
  expect(Line.all).toHaveLength(1);
});

test('help is asked for, and that is taken back', async () => {
  const ask = vi.spyOn(api, 'askForHelp').mockImplementation((_, asks) => {
    company = { ...company, asksSince: asks ? '2026-11-30T19:00:00Z' : null };
    return Promise.resolve(company);
  });
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Company workpiece="w" />
    </QueryClientProvider>,
  );
  fireEvent.click(await screen.findByText('Ask for help'));
  fireEvent.click(await screen.findByText('You asked for help: take it back'));
  await screen.findByText('Ask for help');
  expect(ask.mock.calls.map((c) => c[1])).toEqual([true, false]);
});
