import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { asProblem, type Finding, type Workpiece } from '../../api/client';
import { queries } from '../../api/queries';
import { KIND_NAMES, lowered } from '../../trade/kinds';
import type { MendGround } from './hands/mendHand';

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
  const [asked, setAsked] = useState('');
  const key = `${state.id} ${state.revision} ${finding?.kind ?? ''}`;
  const isAllAsked = asked === key;
  const on = isInHand && state.checked && finding !== null && state.task.mends;
  const offer = useQuery({
    ...queries.workpieceMends(state.id, state.revision, finding?.key ?? '', hidden),
    enabled: on,
  });
  const all = useQuery({
    ...queries.workpieceAllMends(state.id, state.revision, finding?.kind ?? '', hidden),
    enabled: on && isAllAsked,
  });
  const error = isAllAsked ? all.error : offer.error;
  return {
    finding: finding?.title ?? null,
    alike: state.check.findings.filter((f) => f.kind === finding?.kind).length,
    kind: finding ? lowered(KIND_NAMES[finding.kind] ?? '') : '',
    offer: on ? (offer.data ?? null) : null,
    problem: !state.task.mends
      ? 'This exercise shows no mends now: in practice they are always shown.'
      : error
        ? asProblem(error).message
        : null,
    all: on && isAllAsked ? (all.data ?? null) : null,
    isAllAsked,
    askAll: (isAsked) => setAsked(isAsked ? key : ''),
    next,
  };
}
