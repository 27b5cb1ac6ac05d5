import { useRef, useState } from 'react';
import { api, asProblem } from '../../api/client';
import { CARDS } from '../../trade/cards';
import { Button } from '../../ui/Button';
import { Markdown } from '../../ui/Markdown';
import { Select } from '../../ui/Select';
import { Refusal } from '../../ui/TextField';
import { TextField } from '../../ui/TextField';
import { SectionHead } from './SectionHead';
import type { EditorControl } from './useEditor';

/** Title, the line of what is asked, and the brief, as it is written and as it is read. */
export function BriefSection({ control }: { control: EditorControl }) {
  const { data, draft, change } = control;
  const off = !data.isMine;
  const cursor = useRef<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const pictures = api.picturesOf({ type: 'rehearsal', id: data.id });
  const send = async (file: File) => {
    setProblem(null);
    try {
      return (await api.sendPicture(data.id, file)).name;
    } catch (e) {
      setProblem(asProblem(e).message);
      return null;
    }
  };
  /** Where the cursor was last, or at the end. */
  const insert = (text: string) => {
    const at = Math.min(cursor.current ?? Infinity, draft.brief.length);
    change({ brief: draft.brief.slice(0, at) + text + draft.brief.slice(at) });
  };
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
          <div>
            <label className="block">
              <span className="text-[13px] text-ink2">
                The brief: an empty line parts paragraphs, **two stars** make strong, - a list
              </span>
              <textarea
                onSelect={(e) => (cursor.current = e.currentTarget.selectionEnd)}
                className="mt-1 block h-[380px] w-full resize-y rounded-ctl border border-ctl bg-sheet px-2.5 py-2"
                value={draft.brief}
                maxLength={40_000}
                readOnly={off}
                onChange={(e) => change({ brief: e.target.value })}
              />
            </label>
            {!off && (
              <div className="mt-2 flex flex-wrap items-center gap-2">
                <PictureButton
                  name="Put a picture in"
                  onChosen={async (file) => {
                    const name = await send(file);
                    if (name) insert(`\n\n![ ](picture:${name})\n\n`);
                  }}
                />
                <Select
                  label="Put a handbook card in"
                  value=""
                  size="small"
                  className="w-56"
                  options={[
                    ['', 'Put a handbook card in'] as const,
                    ...CARDS.map((card) => [card.name, card.title] as const),
                  ]}
                  onChange={(name) => {
                    const card = CARDS.find((c) => c.name === name);
                    if (card) insert(`[${card.title}](/handbook/${card.name})`);
                  }}
                />
                <span className="text-[13px] text-ink2">
                  Between the brackets of a picture stand words for those who hear it read.
                </span>
              </div>
            )}
            {problem && <Refusal>{problem}</Refusal>}
          </div>
          <div>
            <p className="text-[13px] text-ink2">As it is read</p>
            <div className="mt-1 min-h-[120px] border-t border-rule pt-2" data-testid="brief-read">
              <Markdown text={draft.brief} pictures={pictures} />
            </div>
          </div>
        </div>
        <div className="border-t border-rule pt-4">
          <h3 className="text-[15px] font-semibold">Tracing sheet</h3>
          <p className="mt-1 text-ink2">
            A picture behind the model on the bench, to be traced: a drawing of the part, a section.
          </p>
          {draft.sheet && pictures && (
            <img
              src={pictures + draft.sheet}
              alt="The tracing sheet"
              className="mt-2 max-h-40 border border-rule"
            />
          )}
          {!off && (
            <div className="mt-2 flex gap-2">
              <PictureButton
                name={draft.sheet ? 'Another sheet' : 'Choose a sheet'}
                onChosen={async (file) => {
                  const name = await send(file);
                  if (name) change({ sheet: name });
                }}
              />
              {draft.sheet && <Button onClick={() => change({ sheet: '' })}>Without one</Button>}
            </div>
          )}
        </div>
      </div>
    </section>
  );
}

function PictureButton(props: { name: string; onChosen: (file: File) => Promise<void> }) {
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const choose = async (file: File) => {
    setBusy(true);
    await props.onChosen(file);
    setBusy(false);
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg,image/webp"
        hidden
        aria-label={props.name}
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) void choose(file);
          e.target.value = '';
        }}
      />
      <Button size="small" disabled={busy} onClick={() => input.current?.click()}>
        {busy ? 'Sending it' : props.name}
      </Button>
    </>
  );
}
