import { useQuery } from '@tanstack/react-query';
import { queries } from '../../api/queries';
import { counted } from '../../ui/time';
import type { EditorData } from './useEditor';
import { isMoved } from './WouldGet';

const NO_RULE = { criteria: [], step: 0.5, offADay: 0, counts: 'best' as const };

/** What letting the changes hold would move: before it is done. */
export function Moves({ data }: { data: EditorData }) {
  const recheck = useQuery(queries.recheck(data.id));
  const of = recheck.data?.of ?? 0;
  const tried = useQuery({
    ...queries.wouldGet(data.id, data.draft.rule ?? NO_RULE, [
      data.draft.profile,
      data.draft.wanted,
    ]),
    enabled: of > 0,
  });
  if (of === 0) return null;
  const moved = (tried.data ?? []).filter(isMoved);
  const answered = moved.filter((r) => r.isAnswered).length;
  const lines = [
    data.countsOtherwise
      ? `${counted(of, 'hand-in')} inspected anew.`
      : 'No hand-in is inspected anew.',
    moved.length > 0
      ? `By the findings known, the credits of ${counted(moved.length, 'hand-in')} move.`
      : 'No credits move, as far as findings are known.',
    answered > 0 &&
      `${counted(answered, 'answer')} that ${answered === 1 ? 'is' : 'are'} out would differ, and ${answered === 1 ? 'stays' : 'stay'}.`,
  ].filter(Boolean);
  return (
    <section
      aria-label="What it moves"
      className="border-t border-ink px-3 py-3"
      data-testid="moves"
    >
      <h2 className="font-semibold">Letting the changes hold</h2>
      <ul className="condensed mt-1 text-[13px]">
        {lines.map((line) => (
          <li key={String(line)} className="border-t border-rule py-1.5">
            {line}
          </li>
        ))}
      </ul>
    </section>
  );
}
