import { Choice } from '../../../ui/fields';
import type { GoesOn } from './hand';

/** What goes on after a cut. */
export type Then = 'none' | GoesOn;

const THEN: readonly (readonly [Then, string])[] = [
  ['none', 'The cut alone'],
  ['extrude', 'then Extrude'],
  ['inset', 'then Inset'],
  ['pieces', 'then Pieces'],
  ['rest', 'then delete the rest'],
];

interface Props {
  then: Then;
  /** What is gone on with, in a few words. */
  what: string;
  onThen: (then: Then) => void;
}

/** What is to go on after a cut, with what the cut parts off. */
export function ThenChoice({ then, what, onThen }: Props) {
  return (
    <div className="space-y-1">
      <Choice label="Then" value={then} options={THEN} onChange={onThen} />
      {then !== 'none' && <p className="condensed text-[13px] text-ink2">Goes on with {what}.</p>}
    </div>
  );
}
