import { act, cleanup, fireEvent, render, renderHook, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, type Finding, type Schemas } from '../src/api/client';
import { isPardoned, pardoning, pardoningKind } from '../src/features/exercises/pardons';
import { MarkBar } from '../src/features/exercises/MarkBar';
import { StarterLedger } from '../src/features/exercises/StarterLedger';
import type { EditorControl } from '../src/features/exercises/useEditor';
import { useMarking } from '../src/features/exercises/useMarking';
import * as picking from '../src/stage/pick';
import type { StageView } from '../src/stage/StageView';

const NOTHING: Schemas['Wanted'] = {
  parts: null,
  faces: null,
  distance: null,
  mirror: null,
  rightRound: false,
  lines: [],
  hardLines: [],
  coveredEnds: [],
  cuttable: [],
  held: [],
  pardons: [],
};

const at = (x: number) => ({ x, y: 0, z: 0 });
const fault = (kind: string, x: number) =>
  ({
    key: `${kind} ${x}`,
    kind,
    severity: 'must',
    family: 'Sides',
    title: `${kind} at ${x}`,
    place: at(x),
    elements: [],
  }) as unknown as Finding;

const NGONS = [1, 2, 3, 4].map((x) => fault('ngon', x));
const ALL = [...NGONS, fault('slit', 9)];

beforeEach(() => vi.restoreAllMocks());
afterEach(cleanup);

describe('a fault of the starter', () => {
  it('is the task until it is pardoned, and is it again afterwards', () => {
    const one = pardoning(NOTHING, [NGONS[1]!], true, ALL);
    expect(ALL.filter((f) => isPardoned(one, f))).toEqual([NGONS[1]]);
    expect(pardoning(one, [NGONS[1]!], false, ALL)).toEqual(NOTHING);
  });

  it('is pardoned with all of its kind, and taken out of them by itself', () => {
    const kind = pardoningKind(NOTHING, 'ngon', true);
    expect(kind.pardons).toEqual([{ kind: 'ngon', place: null }]);
    const butOne = pardoning(kind, [NGONS[0]!], false, ALL);
    expect(ALL.filter((f) => isPardoned(butOne, f))).toEqual(NGONS.slice(1));
    expect(pardoningKind(butOne, 'ngon', false)).toEqual(NOTHING);
  });

  it('keeps what is said of other kinds', () => {
    const slit = pardoning(NOTHING, [ALL[4]!], true, ALL);
    const both = pardoningKind(slit, 'ngon', true);
    expect(ALL.every((f) => isPardoned(both, f))).toBe(true);
    expect(pardoningKind(both, 'ngon', false)).toEqual(slit);
  });
});

function ledger(
  wanted: Schemas['Wanted'],
  onWanted: (next: Schemas['Wanted']) => void,
  mine = true,
) {
  render(
    <StarterLedger
      findings={ALL}
      wanted={wanted}
      isMine={mine}
      of="starter"
      chosen={null}
      onChoose={() => undefined}
      onWanted={onWanted}
    />,
  );
}

describe('the ledger of the starter', () => {
  it('counts what is the task, and tells how much is pardoned', () => {
    ledger(pardoningKind(NOTHING, 'ngon', true), () => undefined);
    expect(screen.getByRole('heading').textContent).toBe(
      '1 must, 0 should are the task, 4 pardoned',
    );
  });

  it('pardons a folded kind as a whole, and a single fault by itself', () => {
    const set = vi.fn();
    ledger(NOTHING, set);
    const rows = screen.getAllByRole('radio', { name: 'pardoned' });
    expect(rows).toHaveLength(2);
    fireEvent.click(rows[0]!);
    fireEvent.click(rows[1]!);
    expect(set.mock.calls.map(([next]) => next.pardons)).toEqual([
      [{ kind: 'ngon', place: null }],
      [{ kind: 'slit', place: at(9) }],
    ]);
  });

  it('lets nobody else switch', () => {
    ledger(NOTHING, () => undefined, false);
    for (const radio of screen.getAllByRole('radio')) {
      expect(radio).toHaveProperty('disabled', true);
    }
  });
});

function marking(on: string | null = null) {
  const change = vi.fn();
  const control = {
    data: { id: 'e' },
    draft: { wanted: NOTHING },
    act: (work: (revision: number) => Promise<unknown>) => work(7),
    change,
  } as unknown as EditorControl;
  const stage = {} as StageView;
  const hook = renderHook(() => useMarking(control, stage, on));
  return { hook, change };
}

describe('marking', () => {
  it('names what is picked to the core, with the revision it was seen at', () => {
    const sent = vi.spyOn(api, 'mark').mockResolvedValue({} as Schemas['EditorView']);
    vi.spyOn(picking, 'pick').mockReturnValue({ on: 'vertex', id: 5, at: at(0) });
    const { hook } = marking();
    act(() => hook.result.current.click({ x: 1, y: 1 }));
    expect(sent).not.toHaveBeenCalled();
    act(() => hook.result.current.begin('held'));
    act(() => hook.result.current.click({ x: 1, y: 1 }));
    expect(sent.mock.calls).toEqual([
      ['e', { revision: 7, sort: 'held', reference: null, ids: [5] }],
    ]);
  });

  it('marks all in a box, and nothing in an empty one', () => {
    const sent = vi.spyOn(api, 'mark').mockResolvedValue({} as Schemas['EditorView']);
    const found = vi.spyOn(picking, 'inside').mockReturnValue([3, 4]);
    const { hook } = marking('reference');
    act(() => hook.result.current.begin('line'));
    act(() => hook.result.current.setBox(true));
    expect(hook.result.current.box).toBe('box');
    act(() => hook.result.current.drawn([]));
    expect(found.mock.calls[0]?.[2]).toBe('edges');
    expect(sent.mock.calls[0]?.[1]).toMatchObject({
      sort: 'line',
      reference: 'reference',
      ids: [3, 4],
    });
    found.mockReturnValue([]);
    act(() => hook.result.current.drawn([]));
    expect(sent).toHaveBeenCalledTimes(1);
  });

  it('draws a line from place to place, and keeps it once it is whole', () => {
    const pick = vi.spyOn(picking, 'pick');
    const { hook, change } = marking();
    act(() => hook.result.current.begin('draw'));
    for (const x of [1, 2, 3]) {
      pick.mockReturnValue({ on: 'face', id: 0, at: at(x) });
      act(() => hook.result.current.click({ x, y: 0 }));
    }
    act(() => hook.result.current.dropPoint());
    act(() => hook.result.current.keepLine());
    expect(change).toHaveBeenCalledWith({
      wanted: { ...NOTHING, lines: [{ points: [at(1), at(2)] }] },
    });
    expect(hook.result.current.points).toEqual([]);
  });

  it('ends where the same is pressed again, and lets go of what was drawn', () => {
    const { hook } = marking();
    act(() => hook.result.current.begin('hard'));
    act(() => hook.result.current.begin('hard'));
    expect(hook.result.current.mode).toBeNull();
  });

  it('says what there is already on each button', () => {
    const { hook } = marking();
    const line = { points: [at(0), at(1), at(2)] };
    render(
      <MarkBar
        marking={hook.result.current}
        modes={['hard', 'covered', 'cuttable', 'held', 'line', 'draw']}
        wanted={{ ...NOTHING, hardLines: [line], held: [at(0)], lines: [line] }}
        cuttable={1}
      />,
    );
    expect(screen.getAllByRole('button').map((b) => b.textContent)).toEqual([
      '2 hard edges',
      'covered ends',
      '1 face may be cut',
      '1 held still',
      '1 line required',
      'draw a line',
    ]);
  });
});
