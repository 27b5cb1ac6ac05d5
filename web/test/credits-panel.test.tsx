import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../src/api/client';
import { CreditsPanel } from '../src/features/review/CreditsPanel';
import type { Draft } from '../src/features/review/useDraft';

afterEach(cleanup);

const credits: Schemas['CreditsView'] = {
  lines: [
    {
      name: 'Quads everywhere',
      gets: 3,
      of: 4,
      isOpen: false,
      why: '1 must, 0 should',
      kinds: ['ngon'],
      words: [],
      byHand: null,
    },
    {
      name: 'Holds its form',
      gets: 0,
      of: 3,
      isOpen: true,
      why: 'to be seen',
      kinds: [],
      words: [
        { word: 'slack', credits: 0, isChosen: false },
        { word: 'crisp', credits: 3, isChosen: false },
      ],
      byHand: null,
    },
  ],
  daysLate: 2,
  offForLate: 1,
  total: 2,
  of: 7,
  isOpen: true,
};

function shown(draft: Partial<Draft> = {}, written = true) {
  const onChange = vi.fn();
  const onWalk = vi.fn();
  render(
    <CreditsPanel
      credits={credits}
      draft={{ word: '', verdict: null, notes: [], seen: {}, byHand: {}, ...draft }}
      written={written}
      byEye={null}
      onByEye={() => undefined}
      onChange={onChange}
      onWalk={onWalk}
    />,
  );
  return { onChange, onWalk };
}

describe('the credits of a review', () => {
  it('say what the engine counted, and a click walks it', () => {
    const { onWalk } = shown();
    fireEvent.click(screen.getByText('1 must, 0 should'));
    expect(onWalk).toHaveBeenCalledWith(['ngon']);
    expect(screen.getByTestId('credits').textContent).toContain('2 days late');
  });

  it('are changed by hand with a reason, and with nothing else', () => {
    const { onChange } = shown();
    fireEvent.click(screen.getByRole('button', { name: /Quads everywhere/ }));
    const give = screen.getByRole('button', { name: 'Give it' });
    const number = screen.getByLabelText('Credits, at most 4');
    expect(give.hasAttribute('disabled')).toBe(true);
    fireEvent.change(screen.getByLabelText('Why'), { target: { value: 'The top is won.' } });
    fireEvent.change(number, { target: { value: '5' } });
    expect(give.hasAttribute('disabled')).toBe(true);
    fireEvent.change(number, { target: { value: '3,5' } });
    fireEvent.click(give);
    expect(onChange).toHaveBeenCalledWith({
      byHand: { 'Quads everywhere': { credits: 3.5, reason: 'The top is won.' } },
    });
  });

  it('go back to what was proposed', () => {
    const given = { 'Quads everywhere': { credits: 1, reason: 'copied' } };
    const { onChange } = shown({ byHand: given });
    expect(screen.getByTestId('credits').textContent).toContain('by hand: copied');
    fireEvent.click(screen.getByText(/again$/));
    expect(onChange).toHaveBeenCalledWith({ byHand: {} });
  });

  it('have words for the eye, with the digits that choose them', () => {
    const { onChange } = shown();
    const crisp = screen.getByRole('radio', { name: /crisp/ });
    expect(crisp.textContent).toBe('2crisp');
    fireEvent.click(crisp);
    expect(onChange).toHaveBeenCalledWith({ seen: { 'Holds its form': 'crisp' } });
  });

  it('are only read where somebody else has it open', () => {
    shown({}, false);
    for (const radio of screen.getAllByRole('radio')) {
      expect(radio.hasAttribute('disabled')).toBe(true);
    }
    expect(screen.getByRole('button', { name: /Quads everywhere/ }).hasAttribute('disabled')).toBe(
      true,
    );
  });
});
