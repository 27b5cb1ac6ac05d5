import { useQuery } from '@tanstack/react-query';
import { queries } from '../../api/queries';
import { Failure, Loading } from '../../ui/States';
import { whenText } from '../../ui/time';

const DEEDS: Record<string, string> = {
  'made-class': 'made the class',
  'changed-class': 'changed what the class is',
  'put-class-away': 'put the class away',
  'brought-class-back': 'brought the class back',
  'renewed-join-code': 'made a new join code',
  'ended-join-code': 'ended the join code',
  joined: 'joined by the code',
  'took-in': 'took in',
  'made-slip': 'made a new slip for',
  'made-instructor': 'made an instructor of',
  'made-assistant': 'made an assistant of',
  'made-student': 'made a student of',
  'put-away': 'put away',
  'brought-back': 'brought back',
  'took-out': 'took out',
  erased: 'erased',
  left: 'left the class',
  'set-exercise': 'set an exercise',
  'changed-setting': 'changed when an exercise is open or due',
  'unset-exercise': 'took an exercise out of the class',
  'allowed-more': 'gave more time, more attempts, or excused',
  accepted: 'accepted what was handed in by',
  'asked-again': 'asked for another try of',
  amended: 'amended an answer to',
  'gave-by-hand': 'changed credits by hand for',
  'waved-through': 'waved findings through for',
  'counted-again': 'let findings count again for',
};

const ALONE = ['joined', 'left'];

/** What was done to whom in a class, the newest first. */
export function Audit({ course }: { course: string }) {
  const lines = useQuery(queries.audit(course));
  if (lines.error) return <Failure error={lines.error} />;
  if (!lines.data) return <Loading stage="Looking up what was done" />;
  return (
    <ul>
      {lines.data.map((l) => (
        <li key={l.id} className="border-b border-rule py-1.5">
          <span className="font-medium">{l.who}</span> {DEEDS[l.deed] ?? l.deed}
          {l.whom && !ALONE.includes(l.deed) && ` ${l.whom}`}
          {l.number !== null && ` ${l.number} by a roster file`}
          <span className="block text-[13px] text-ink2">{whenText(l.at)}</span>
        </li>
      ))}
    </ul>
  );
}
