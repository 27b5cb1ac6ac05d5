import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { counted, whenText } from '../../ui/time';

const BECAME: Record<string, string> = {
  waiting: 'not taken yet; it is tried again',
  refused: 'not taken by the mail server',
  unknown: 'perhaps not arrived: nobody said',
};

/** Mail to the class that did not simply arrive. */
export function MailTrouble({ course }: { course: string }) {
  const mail = useQuery(queries.mail(course));
  const troubled = mail.data?.troubled ?? [];
  if (troubled.length === 0) return null;
  return (
    <details className="border-b border-dashed border-ink bg-shoal1 px-4 py-1.5">
      <summary className="cursor-pointer">
        <b className="font-semibold">{counted(troubled.length, 'mail')} did not simply arrive.</b>{' '}
        Print those slips, or say it in class.
      </summary>
      <ul className="condensed mt-1 space-y-0.5 pb-1">
        {troubled.map((letter) => (
          <li key={letter.id}>{said(letter)}</li>
        ))}
      </ul>
    </details>
  );
}

function said(letter: Schemas['LetterView']): string {
  const what = letter.isSlip ? 'sign-in slip' : 'news';
  return `${letter.name}: ${what}, ${whenText(letter.madeAt)}, ${BECAME[letter.state] ?? letter.state}`;
}
