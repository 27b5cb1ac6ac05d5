import { render, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { api } from '../src/api/client';
import { App } from '../src/app/App';
import places from '../src/app/places.json';

beforeEach(() => {
  vi.restoreAllMocks();
  window.scrollTo = () => undefined;
});

test('a place that is not there says so, and one behind the door leads to the sign-in', async () => {
  vi.spyOn(api, 'me').mockRejectedValue(
    Object.assign(new (await import('../src/api/client')).ApiProblem(401, 'Sign in', 'first')),
  );
  window.history.pushState(null, '', '/nowhere/at/all');
  const { unmount } = render(<App />);
  expect(screen.getByRole('alert').textContent).toContain('Nothing is here');
  unmount();
  window.history.pushState(null, '', places.desk);
  render(<App />);
  await waitFor(() => expect(window.location.pathname).toBe(places.signIn));
});
