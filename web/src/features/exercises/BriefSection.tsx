import { Markdown } from '../../ui/Markdown';
import { TextField } from '../../ui/TextField';
import { SectionHead } from './SectionHead';
import type { EditorControl } from './useEditor';

/** Title, the line of what is asked, and the brief, as it is written and as it is read. */
export function BriefSection({ control }: { control: EditorControl }) {
  const { data, draft, change } = control;
  const off = !data.isMine;
  return (
    <section>
      <SectionHead
        number={2}
        name="Brief"
        about="what students read before they cut, and beside it"
      />
      <div className="space-y-4 px-5 py-4">
        <TextField
          label="Title"
          value={draft.title}
          maxLength={120}
          readOnly={off}
          onChange={(title) => change({ title })}
        />
        <TextField
          label="One line of what is asked"
          value={draft.summary}
          maxLength={200}
          readOnly={off}
          hint="It stands under the title in My work."
          onChange={(summary) => change({ summary })}
        />
        <div className="grid grid-cols-2 gap-5 max-[1180px]:grid-cols-1">
          <label className="block">
            <span className="text-[13px] text-ink2">
              The brief: an empty line parts paragraphs, **two stars** make strong, - a list
            </span>
            <textarea
              className="mt-1 block h-[380px] w-full resize-y rounded-ctl border border-ctl bg-sheet px-2.5 py-2"
              value={draft.brief}
              maxLength={40_000}
              readOnly={off}
              onChange={(e) => change({ brief: e.target.value })}
            />
          </label>
          <div>
            <p className="text-[13px] text-ink2">As it is read</p>
            <div className="mt-1 min-h-[120px] border-t border-rule pt-2" data-testid="brief-read">
              <Markdown text={draft.brief} />
            </div>
          </div>
        </div>
      </div>
    </section>
  );
}
