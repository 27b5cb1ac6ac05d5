import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { NumberField } from '../src/ui/NumberField';
import { FindingMark } from '../src/trade/FindingMark';
import { shortNumber, waitText } from '../src/ui/time';
import { Unlisted } from '../src/trade/Unlisted';
import { useKeys } from '../src/ui/useKeys';

afterEach(cleanup);

describe('number field', () => {
  it.each([
    ['12.5', 12.5],
    ['12,5', 12.5],
    [' 7 ', 7],
  ])('takes %j on Enter', (typed, value) => {
    const taken = vi.fn();
    render(<NumberField label="Distance" value={1} unit="mm" onCommit={taken} />);
    const field = screen.getByLabelText('Distance in mm');
    fireEvent.change(field, { target: { value: typed } });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(taken).toHaveBeenCalledExactlyOnceWith(value);
  });

  it.each(['', 'ten', '1e999'])('leaves the value for %j', (typed) => {
    const taken = vi.fn();
    render(<NumberField label="Distance" value={1} unit="mm" onCommit={taken} />);
    const field = screen.getByLabelText<HTMLInputElement>('Distance in mm');
    fireEvent.change(field, { target: { value: typed } });
    fireEvent.blur(field);
    expect(taken).not.toHaveBeenCalled();
    expect(field.value).toBe('1.0');
  });
});

describe('keys', () => {
  function Place({ act }: { act: () => void }) {
    useKeys({ d: act, 'Ctrl z': act, 'Ctrl Enter': act, Enter: act });
    return (
      <>
        <input aria-label="name" />
        <button type="button">go</button>
      </>
    );
  }

  it('act on the place, and rest while something is typed', () => {
    const act = vi.fn();
    render(<Place act={act} />);
    fireEvent.keyDown(document.body, { key: 'D' });
    fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true });
    expect(act).toHaveBeenCalledTimes(2);
    const field = screen.getByLabelText('name');
    fireEvent.keyDown(field, { key: 'd' });
    fireEvent.keyDown(field, { key: 'z', ctrlKey: true });
    expect(act).toHaveBeenCalledTimes(2);
    fireEvent.keyDown(field, { key: 'Enter', ctrlKey: true });
    fireEvent.keyDown(screen.getByText('go'), { key: 'Enter' });
    fireEvent.keyDown(document.body, { key: 'd', altKey: true });
    expect(act).toHaveBeenCalledTimes(3);
  });
});

describe('words', () => {
  it.each([
    [0, 'under a minute'],
    [35, '35 min'],
    [19 * 60, '19 h'],
    [52 * 60, '2 d 4 h'],
    [48 * 60, '2 d'],
  ])('%i minutes of waiting', (minutes, words) => {
    const now = Date.parse('2026-11-24T12:00:00Z');
    expect(waitText(new Date(now - minutes * 60_000).toISOString(), now)).toBe(words);
  });

  it('name every mark, so that it is not told by shape alone', () => {
    render(<FindingMark kind="ngon" severity="must" title="5 sides" />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('5 sides, must mend');
  });
});

describe('counts', () => {
  it.each([
    [7, '7'],
    [9204, '9,204'],
    [10_000, '10 k'],
    [999_499, '999 k'],
    [999_500, '1 M'],
    [3_266_627, '3 M'],
  ])('%d is %j in a row', (n, text) => {
    expect(shortNumber(n)).toBe(text);
  });

  it('says what is counted and not listed, by kind and severity', () => {
    const unlisted = [
      { kind: 'pole', family: 'Flow', severity: 'should', count: 324_949 } as const,
      { kind: 'pole', family: 'Flow', severity: 'remark', count: 107 } as const,
    ];
    const leftOut = [
      { kind: 'crossing' as const, why: 'Too many: not every two of them were tried.' },
    ];
    render(<Unlisted check={{ unlisted, leftOut }} className="" />);
    const told = screen.getByTestId('unlisted').textContent;
    expect(told).toContain('Not looked at in full');
    expect(told).toContain('not every two of them were tried');
    expect(told).toContain('324,949 more, should mend: Poles');
    expect(told).toContain('107 more, remark: Poles');
    expect(screen.getAllByRole('link')[0]).toHaveProperty('pathname', '/handbook/pole');
  });

  it('says nothing where all are listed', () => {
    render(<Unlisted check={{ unlisted: [], leftOut: [] }} className="" />);
    expect(screen.queryByTestId('unlisted')).toBeNull();
  });
});
