import { counted } from '../../ui/time';
import { Moves } from './Moves';
import type { Draft, EditorData, Section } from './useEditor';

/** The sections in the order of the work. */
export const SECTIONS: readonly { section: Section; name: string }[] = [
  { section: 'starter', name: 'Starter' },
  { section: 'brief', name: 'Brief' },
  { section: 'counts', name: 'What counts' },
  { section: 'references', name: 'Reference and lines' },
  { section: 'credits', name: 'Credits' },
  { section: 'setting', name: 'Set it' },
];

interface Props {
  data: EditorData;
  draft: Draft;
  section: Section;
  onSection: (section: Section) => void;
}

/** The way through the editor: each section with what is in it, and what is missing. */
export function Rail({ data, draft, section, onSection }: Props) {
  return (
    <nav
      aria-label="Sections"
      className="flex w-[236px] shrink-0 flex-col border-r border-rule max-lg:w-full max-lg:border-r-0"
    >
      <ol>
        {SECTIONS.map((s, i) => {
          const missing = data.missing.filter((m) => m.section === s.section);
          const here = s.section === section;
          return (
            <li key={s.section}>
              <button
                type="button"
                aria-current={here ? 'step' : undefined}
                className={`flex min-h-[72px] w-full gap-3 border-b border-rule border-l-[3px] py-2.5 pr-3 pl-2.5 text-left outline-offset-[-2px] ${here ? 'border-l-ink bg-shoal1' : 'border-l-transparent hover:bg-shoal1'}`}
                onClick={() => onSection(s.section)}
              >
                <Mark
                  whole={missing.length === 0 && (s.section !== 'setting' || data.version !== null)}
                  here={here}
                />
                <span className="min-w-0">
                  <span className="block text-[15px] font-semibold">
                    {i + 1}&ensp;{s.name}
                  </span>
                  <span className="condensed block text-[13px] text-ink2">
                    {missing.length > 0 ? (
                      <b className="font-semibold text-ink">{missing[0]!.what} is missing.</b>
                    ) : (
                      aboutOf(s.section, data, draft)
                    )}
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      {data.isMine && data.version !== null && data.isChanged && data.missing.length === 0 && (
        <div className="mt-auto">
          <Moves data={data} />
        </div>
      )}
      {data.missing.length > 0 && (
        <section aria-label="Missing" className="mt-auto border-t border-ink px-3 py-3">
          <h2 className="font-semibold">Before it can be set</h2>
          <ul className="condensed mt-1">
            {data.missing.map((m) => (
              <li key={m.what} className="border-t border-rule py-1.5 text-[13px]">
                <button
                  type="button"
                  className="text-left underline"
                  onClick={() => onSection(m.section)}
                >
                  {m.what}
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </nav>
  );
}

function aboutOf(section: Section, data: EditorData, draft: Draft): string {
  const words = draft.brief.trim().split(/\s+/).length;
  switch (section) {
    case 'starter':
      return [
        `${data.starter?.from}, ${data.starter?.faces} faces`,
        draft.wanted.pardons.length > 0 && 'faults pardoned',
        draft.wanted.cuttable.length > 0 && 'faces locked',
      ]
        .filter(Boolean)
        .join(', ');
    case 'brief':
      return `${draft.summary}. ${words} words`;
    case 'counts':
      return `${draft.profile.name}. The check tells ${draft.tells}`;
    case 'references':
      return referencesText(draft);
    case 'credits':
      return draft.rule
        ? `${draft.rule.criteria.length} criteria, ${draft.rule.criteria.reduce((sum, c) => sum + c.credits, 0)} in all`
        : 'None are given';
    default:
      return data.version === null ? 'Once it is ready' : 'In which classes, from when, until when';
  }
}

function referencesText({ references, wanted }: Draft): string {
  const lines = wanted.lines.length;
  return [
    references.length > 0
      ? `${counted(references.length, 'reference')}${references.length > 1 ? ', any will do' : ''}`
      : 'No reference',
    lines > 0 ? `${counted(lines, 'line')} required` : 'no line required',
  ].join(', ');
}

/** A full dot where all is there, a dashed ring where something is missing. */
function Mark({ whole, here }: { whole: boolean; here: boolean }) {
  return (
    <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden className="mt-0.5 shrink-0">
      {here && (
        <circle cx="11" cy="11" r="8.5" fill="none" stroke="currentColor" strokeWidth={1.5} />
      )}
      {whole ? (
        <circle cx="11" cy="11" r="4.5" fill="currentColor" />
      ) : (
        <circle
          cx="11"
          cy="11"
          r="4.5"
          fill="none"
          stroke="currentColor"
          strokeWidth={1.5}
          strokeDasharray="2.6 2"
        />
      )}
    </svg>
  );
}
