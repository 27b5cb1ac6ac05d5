import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, asProblem, type Change, type Finding, type Workpiece } from '../../api/client';
import { queries } from '../../api/queries';
import { KIND_NAMES, lowered } from '../../trade/kinds';
import { useAddressed } from '../../ui/useAddressed';
import type { GivenMend, KindAt, MendGround } from './hands/mendHand';

/**
 * What would mend the finding that is chosen, asked of the core while the tool is in hand.
 *
 * @param hidden faces that are not meant
 */
export function useMends(
  state: Workpiece,
  isInHand: boolean,
  finding: Finding | null,
  hidden: readonly number[],
  next: () => void,
): MendGround {
  const [asked, setAsked] = useState<{ at: string; kinds: readonly string[] } | null>(null);
  const key = `${state.id} ${state.revision} ${finding?.kind ?? ''}`;
  const kinds = asked?.at === key ? asked.kinds : null;
  const { given, letGo } = useGivenMend();
  const on = isInHand && state.checked && finding !== null && state.task.mends && !given;
  const offer = useQuery({
    ...queries.workpieceMends(state.id, state.revision, finding?.key ?? '', hidden),
    enabled: on,
  });
  const sweeps = on && kinds !== null && kinds.length > 0;
  const all = useQuery({
    ...queries.workpieceAllMends(state.id, state.revision, kinds ?? [], hidden),
    enabled: sweeps,
  });
  useEndedSweep(state.id, sweeps);
  const error = sweeps ? all.error : offer.error;
  return {
    given,
    letGo,
    finding: finding?.title ?? null,
    kind: finding?.kind ?? null,
    standing: standingOf(state),
    offer: on ? (offer.data ?? null) : null,
    problem:
      !state.task.mends && !given
        ? 'This exercise shows no mends now: in practice they are always shown.'
        : error
          ? asProblem(error).message
          : null,
    all: sweeps ? (all.data ?? null) : null,
    kinds,
    askAll: (some) => setAsked(some && { at: key, kinds: some }),
    next,
  };
}

/** Ends what is under way on the server once nobody waits for it. */
function useEndedSweep(workpiece: string, sweeps: boolean) {
  useEffect(() => {
    if (!sweeps) return;
    // Where that fails it ends by itself a little later.
    return () => void api.endAllMends(workpiece).catch(() => undefined);
  }, [workpiece, sweeps]);
}

/** The kinds of what stands, those with the most first. */
function standingOf(state: Workpiece): KindAt[] {
  const counts = new Map<string, number>();
  for (const f of state.check.findings) counts.set(f.kind, (counts.get(f.kind) ?? 0) + 1);
  return [...counts]
    .map(([kind, count]) => ({ kind, count, name: lowered(KIND_NAMES[kind] ?? kind) }))
    .sort((a, b) => b.count - a.count);
}

/** The mend that goes with a note of an answer, if the address names one. */
function useGivenMend(): { given: GivenMend | null; letGo: () => void } {
  const [named, name] = useAddressed('mend');
  const [submission, note] = (named ?? '').split('.');
  const answer = useQuery({ ...queries.answer(submission ?? ''), enabled: Boolean(note) });
  const notes = answer.data?.answer.notes ?? [];
  const at = notes.findIndex((n) => n.id === note);
  const mend = notes[at]?.mend;
  return {
    given: note && mend ? { note: at + 1, does: mend.does, change: mend.change as Change } : null,
    letGo: () => name(null),
  };
}
