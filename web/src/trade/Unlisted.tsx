import type { Workpiece } from '../api/client';
import { CardLink } from './CardLink';
import { SEVERITY_NAMES } from './FindingMark';
import { KIND_NAMES } from './kinds';
import { numberText } from '../ui/time';

interface Props {
  check: Pick<Workpiece['check'], 'unlisted' | 'leftOut'>;
  className: string;
}

/** Says how many findings of a kind are counted and not listed, and what was not looked at. */
export function Unlisted({ check: { unlisted, leftOut }, className }: Props) {
  if (unlisted.length === 0 && leftOut.length === 0) return null;
  return (
    <div className={className} data-testid="unlisted">
      {unlisted.length > 0 && <p className="font-semibold">Counted, but not listed or marked</p>}
      {unlisted.map(({ kind, severity, count }) => (
        <p key={`${kind} ${severity}`} className="text-ink2">
          {numberText(count)} more, {SEVERITY_NAMES[severity]}:{' '}
          <CardLink kind={kind}>{KIND_NAMES[kind]}</CardLink>
        </p>
      ))}
      {leftOut.length > 0 && <p className="font-semibold">Not looked at in full</p>}
      {leftOut.map(({ kind, why }) => (
        <p key={kind} className="text-ink2">
          <CardLink kind={kind}>{KIND_NAMES[kind]}</CardLink>: {why}
        </p>
      ))}
    </div>
  );
}
