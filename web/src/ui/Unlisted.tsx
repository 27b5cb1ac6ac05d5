import type { Workpiece } from '../api/client';
import { CardLink } from './CardLink';
import { SEVERITY_NAMES } from './FindingMark';
import { KIND_NAMES } from './kinds';
import { numberText } from './time';

interface Props {
  unlisted: Workpiece['check']['unlisted'];
  className: string;
}

/** Says how many findings of a kind are counted and not listed. */
export function Unlisted({ unlisted, className }: Props) {
  if (unlisted.length === 0) return null;
  return (
    <div className={className} data-testid="unlisted">
      <p className="font-semibold">Counted, but not listed or marked</p>
      {unlisted.map(({ kind, severity, count }) => (
        <p key={`${kind} ${severity}`} className="text-ink2">
          {numberText(count)} more, {SEVERITY_NAMES[severity]}:{' '}
          <CardLink kind={kind}>{KIND_NAMES[kind]}</CardLink>
        </p>
      ))}
    </div>
  );
}
