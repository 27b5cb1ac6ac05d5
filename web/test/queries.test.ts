import { describe, expect, it } from 'vitest';
import { queries } from '../src/api/queries';

const ALL = { course: null, group: null, assignment: null, kind: null, mine: false };

type Refetch = (query: { state: { data: unknown } }) => number | false;

describe('queries', () => {
  it('are told apart by what they ask for', () => {
    const keys = [
      queries.session(),
      queries.me(),
      queries.demoPeople(),
      queries.myWork(),
      queries.practice(),
      queries.desk(ALL),
      queries.desk({ ...ALL, course: 'a' }),
      queries.desk({ ...ALL, mine: true }),
      queries.phrases(),
      queries.besideMesh('a', { sort: 'step', which: '1' }),
      queries.besideMesh('a', { sort: 'attempt', which: '1' }),
      queries.besideEdges('a', { sort: 'step', which: '1' }),
      queries.account(),
      queries.people('a'),
      queries.people('b'),
      queries.audit('a'),
      queries.bundle('a'),
      queries.assignments(),
      queries.mail('a'),
      queries.mailSwitches(),
      queries.outbox(),
      queries.exercises(),
      queries.exercise('a'),
      queries.starterMesh('a', 'h'),
      queries.starterCheck('a', 'h', 1),
      queries.allowances('a'),
      queries.recheck('a'),
      queries.review('a'),
      queries.answer('a'),
      queries.submissionMesh('a'),
    ].map((q) => JSON.stringify(q.queryKey));
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('look again only while something is under way', () => {
    const practice = queries.practice().refetchInterval as unknown as Refetch;
    const pieces = (stage: string) => ({ state: { data: { pieces: [{ stage }] } } });
    expect(practice(pieces('reading'))).toBeGreaterThan(0);
    expect(practice(pieces('ready'))).toBe(false);
    expect(practice({ state: { data: undefined } })).toBe(false);
    const recheck = queries.recheck('e').refetchInterval as unknown as Refetch;
    expect(recheck({ state: { data: { done: 3, of: 9 } } })).toBeGreaterThan(0);
    expect(recheck({ state: { data: { done: 9, of: 9 } } })).toBe(false);
  });
});
