import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { api, ApiProblem } from '../src/api/client';
import { queries } from '../src/api/queries';
import { MyWork } from '../src/features/my-work/MyWork';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const LOST = new ApiProblem(0, 'No connection', 'The server does not answer.');
const ITEM = {
  assignment: {
    id: 'a',
    exercise: { id: 'e', title: 'Hatch lid', summary: 'Cut it' },
    dueAt: null,
  },
  course: 'Harbour Props',
  state: 'open',
  attempts: 0,
  handedInAt: null,
  answer: null,
};

function show(client: QueryClient) {
  return render(
    <QueryClientProvider client={client}>
      <MemoryRouter>
        <MyWork handIn={() => <input aria-label="draft" defaultValue="typed" />} />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

const client = () => new QueryClient({ defaultOptions: { queries: { retry: false } } });

it('keeps what is in view when the connection is lost, and says so', async () => {
  const queryClient = client();
  const asked = vi.spyOn(api, 'myWork').mockResolvedValueOnce({ items: [ITEM] } as never);
  show(queryClient);
  const draft = await screen.findByLabelText('draft');
  asked.mockRejectedValue(LOST);
  await queryClient.refetchQueries(queries.myWork());
  await waitFor(() => expect(screen.getByText('No connection.')).toBeTruthy());
  expect(screen.getByText('Hatch lid')).toBeTruthy();
  // The very same field: nothing that was typed is lost.
  expect(screen.getByLabelText('draft')).toBe(draft);
});

it('says that it can not begin without one', async () => {
  vi.spyOn(api, 'myWork').mockRejectedValue(LOST);
  show(client());
  expect(await screen.findByRole('alert')).toBeTruthy();
});
