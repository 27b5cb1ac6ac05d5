import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type Schemas } from '../src/api/client';
import { People } from '../src/features/people/People';
import { RosterPanel } from '../src/features/people/RosterPanel';
import { saveSlips } from '../src/features/people/usePeople';

type PeopleView = Schemas['PeopleView'];
type Person = Schemas['PersonView'];

const person = (name: string, more: Partial<Person> = {}): Person => ({
  id: name,
  name,
  signIn: name.toLowerCase().replace(' ', '.'),
  address: null,
  rosterAddress: null,
  role: 'student',
  group: null,
  cameBy: 'roster',
  isNew: false,
  slipUntil: null,
  seenAt: '2026-11-23T18:00:00Z',
  putAway: false,
  ...more,
});

const data = (more: Partial<PeopleView> = {}): PeopleView => ({
  id: 'c',
  info: {
    name: 'Harbour Props',
    zone: 'Europe/Oslo',
    unit: 'mm',
    up: 'Z',
    firstDay: null,
    lastDay: null,
  },
  putAway: false,
  mayKeep: true,
  groups: [{ id: 'tue', name: 'Tuesday' }],
  join: null,
  people: [
    person('Marit Tangen', { role: 'instructor', cameBy: 'founder' }),
    person('Rune Osterholm', { group: 'tue' }),
    person('Lea Brandvik', { isNew: true, cameBy: 'join-code', seenAt: null }),
    person('Hanno Wirtz', { putAway: true }),
  ],
  ...more,
});

function show(view: PeopleView) {
  vi.spyOn(api, 'people').mockResolvedValue(view);
  return render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <People course="c" />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

beforeEach(() => {
  vi.restoreAllMocks();
  document.body.innerHTML = '';
});

describe('people', () => {
  it('has who is here, and who is put away on request', async () => {
    show(data());
    await screen.findByText('Rune Osterholm');
    expect(screen.getByText('2 students, instructor Marit Tangen')).toBeTruthy();
    expect(screen.queryByText('Hanno Wirtz')).toBeNull();
    fireEvent.click(screen.getByText('Show them'));
    expect(screen.getByText('Hanno Wirtz')).toBeTruthy();
    expect(screen.queryByText('Rune Osterholm')).toBeNull();
  });

  it('filters by group', async () => {
    show(data());
    fireEvent.click(await screen.findByText('Tuesday 1'));
    expect(screen.getByText('Rune Osterholm')).toBeTruthy();
    expect(screen.queryByText('Lea Brandvik')).toBeNull();
  });

  it('asks about newcomers until they were looked at', async () => {
    const looked = vi.spyOn(api, 'lookedAtPeople').mockResolvedValue();
    show(data());
    fireEvent.click(await screen.findByText('All are'));
    await waitFor(() => expect(looked).toHaveBeenCalledWith('c'));
  });

  it('lets nobody be erased by a slip of the finger', async () => {
    const erase = vi.spyOn(api, 'erase').mockResolvedValue();
    show(data());
    fireEvent.click(await screen.findByText('Rune Osterholm'));
    fireEvent.click(screen.getByText('Erase for good'));
    const dialog = await screen.findByRole('dialog');
    const button = within(dialog).getByText('Erase for good') as HTMLButtonElement;
    expect(button.disabled).toBe(true);
    const field = within(dialog).getByLabelText('The whole name');
    fireEvent.change(field, { target: { value: 'rune' } });
    expect(button.disabled).toBe(true);
    fireEvent.change(field, { target: { value: 'Rune Osterholm' } });
    expect(button.disabled).toBe(false);
    fireEvent.click(button);
    await waitFor(() =>
      expect(erase).toHaveBeenCalledWith('c', 'Rune Osterholm', 'Rune Osterholm'),
    );
  });

  it('offers an assistant slips and nothing that changes the roster', async () => {
    show(data({ mayKeep: false }));
    fireEvent.click(await screen.findByText('Rune Osterholm'));
    expect(screen.getByText('New slip')).toBeTruthy();
    for (const name of ['Put away', 'Erase for good', 'Everything as a zip', 'Groups']) {
      expect(screen.queryByText(name)).toBeNull();
    }
  });

  it('changes nothing of a class that is put away', async () => {
    show(data({ putAway: true }));
    await screen.findByText('This class is put away.');
    fireEvent.click(screen.getByText('Rune Osterholm'));
    expect(screen.queryByText('New slip')).toBeNull();
    expect(screen.queryByText('Bring a roster')).toBeNull();
    expect(screen.getByText('Everything as a zip')).toBeTruthy();
  });
});

describe('a roster file', () => {
  const row = (line: number, state: Schemas['RowView']['state'], more = {}) => ({
    line,
    name: `Student ${line}`,
    address: null,
    group: null,
    state,
    words: '',
    choices: [],
    ...more,
  });

  it('is answered line by line before anybody is taken in', async () => {
    const rows = [
      row(2, 'fresh'),
      row(3, 'unclear', { choices: [{ key: 'new', words: 'new' }] }),
      row(4, 'wrong'),
    ];
    const preview = vi.spyOn(api, 'previewRoster').mockImplementation(async (_, { answers }) => ({
      how: 'commas, UTF-8, 3 lines after the header',
      columns: [{ name: 'Name', meaning: 'name' }],
      rows: rows.map((r) => {
        const answer = answers[r.line];
        return answer === 'out'
          ? { ...r, state: 'out' as const, choices: [] }
          : answer
            ? { ...r, state: 'fresh' as const, choices: [] }
            : r;
      }),
    }));
    const taken = vi.spyOn(api, 'takeInRoster').mockResolvedValue({ needSlips: ['a', 'b'] });
    const control = { change: async (work: () => Promise<unknown>) => (await work(), true) };
    const { container } = render(
      <RosterPanel data={data()} control={control as never} onClose={() => undefined} />,
    );
    const file = new File(['Name\nStudent 2\n'], 'autumn.csv');
    fireEvent.change(container.querySelector('input[type=file]')!, { target: { files: [file] } });
    const takeIn = (await screen.findByText('Take in 1')) as HTMLButtonElement;
    expect(takeIn.disabled).toBe(true);
    fireEvent.click(screen.getByText('Leave out 2'));
    await waitFor(() => expect(preview.mock.lastCall![1].answers).toEqual({ 3: 'out', 4: 'out' }));
    await waitFor(() =>
      expect((screen.getByText('Take in 1') as HTMLButtonElement).disabled).toBe(false),
    );
    fireEvent.click(screen.getByText('Take in 1'));
    await screen.findByText('2 students taken in. Each needs a sign-in slip.');
    expect(Object.keys(taken.mock.lastCall![1]).sort()).toEqual(['answers', 'columns', 'file']);
  });
});

describe('slips to print', () => {
  it('are made for everybody, in as many sheets as that takes', async () => {
    const made: number[] = [];
    vi.spyOn(api, 'slips').mockImplementation((_, people) => {
      made.push(people.length);
      return Promise.resolve(new Blob());
    });
    URL.createObjectURL = () => 'blob:slips';
    URL.revokeObjectURL = () => undefined;
    const names: string[] = [];
    vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (
      this: HTMLAnchorElement,
    ) {
      names.push(this.download);
    });
    await saveSlips(
      'c',
      Array.from({ length: 1200 }, (_, i) => `student ${i}`),
      'slips',
    );
    expect(made).toEqual([500, 500, 200]);
    expect(names).toEqual(['slips-1.pdf', 'slips-2.pdf', 'slips-3.pdf']);
  });
});
