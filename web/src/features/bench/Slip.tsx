import type { ReactNode } from 'react';
import type { Finding, Preview } from '../../api/client';
import { Button } from '../../ui/Button';
import { FindingMark } from '../../ui/FindingMark';
import { WithTerms } from '../../ui/WithTerms';
import { numberText } from '../../ui/time';

interface Props {
  tool: string;
  /** Whether a change is pending, or the tool only in hand. */
  state: string;
  preview: Preview | null;
  /** Why there is nothing to make yet. */
  missing: string | null;
  busy: boolean;
  problem: string | null;
  children?: ReactNode;
  /** What the main button says. */
  make: string;
  onMake: () => void;
  onDrop: () => void;
}

/** The panel of a pending change: its fields, what it will do, make it or drop it. */
export function Slip(props: Props) {
  const { preview } = props;
  const refused = preview?.refusal?.reason ?? null;
  const canMake = preview !== null && !refused && !preview.changesNothing && !props.missing;
  const why = props.missing ?? refused ?? (preview?.changesNothing ? 'It changes nothing' : null);
  return (
    <aside
      aria-label={`${props.tool}, ${props.state}`}
      data-testid="slip"
      className="over-stage absolute top-4 right-4 flex max-h-[calc(100%-124px)] w-[292px] flex-col border border-ink bg-sheet"
    >
      <header className="flex h-[38px] items-center justify-between border-b border-ink px-3">
        <h2 className="text-[15px] font-semibold">
          <a
            href={`/handbook/${props.tool.toLowerCase()}`}
            target="_blank"
            rel="noreferrer"
            title={`What ${props.tool} does`}
            className="hover:underline"
          >
            {props.tool}
          </a>
        </h2>
        <span className="text-ink2">{props.state}</span>
      </header>
      <div className="min-h-0 shrink-[3] space-y-2.5 overflow-y-auto px-3 py-3">
        {props.children}
      </div>
      <div
        className="min-h-0 space-y-1.5 overflow-y-auto border-t border-rule px-3 py-3"
        aria-live="polite"
      >
        {props.problem && <p className="font-semibold">{props.problem}</p>}
        {refused && !props.missing && <p data-testid="refusal">{refused}</p>}
        {props.missing && <p className="text-ink2">{props.missing}</p>}
        {preview && !refused && <Effect preview={preview} />}
      </div>
      <footer className="flex shrink-0 gap-2 px-3 pt-1 pb-3">
        <Button
          look="main"
          className="flex-1"
          shortcut="↵"
          disabled={!canMake || props.busy}
          title={canMake ? undefined : (why ?? undefined)}
          onClick={props.onMake}
        >
          {props.make}
        </Button>
        <Button shortcut="Esc" onClick={props.onDrop}>
          Drop it
        </Button>
      </footer>
    </aside>
  );
}

function Effect({ preview }: { preview: Preview }) {
  return (
    <>
      <p data-testid="effect">
        <WithTerms>{preview.sentence}</WithTerms>
      </p>
      {[...new Set(preview.remarks.map((r) => r.text))].map((text) => (
        <p key={text}>{text}</p>
      ))}
      {grouped(preview).map((g) => (
        <p key={g.text} className="flex gap-2">
          <span className="pt-0.5">
            <FindingMark kind={g.kind} severity={g.severity} title={g.text} />
          </span>
          <span>{g.text}</span>
        </p>
      ))}
      {preview.wouldAlter
        .filter((a) => a.now.severity === 'must')
        .map(({ title, now }) => (
          <p key={now.key} className="flex gap-2">
            <span className="pt-0.5">
              <FindingMark kind={now.kind} severity={now.severity} title={now.title} />
            </span>
            <span>
              What was {lowered(title)} becomes {lowered(now.title)}.
            </span>
          </p>
        ))}
      {preview.wouldMend > 0 && (
        <p>
          {preview.wouldMend === 1
            ? '1 finding that stands now goes.'
            : `${preview.wouldMend} findings that stand now go.`}
        </p>
      )}
      {preview.checked &&
        !preview.changesNothing &&
        preview.wouldMake.length + preview.wouldAlter.length === 0 && (
          <p className="text-ink2">Brings no new finding.</p>
        )}
    </>
  );
}

interface Group {
  kind: string;
  severity: Preview['wouldMake'][number]['severity'];
  text: string;
}

/** One sentence for all findings of one kind; what only should be mended is counted. */
function grouped(preview: Preview): Group[] {
  const kinds = new Map<string, Finding[]>();
  for (const f of preview.wouldMake) {
    kinds.set(f.kind, [...(kinds.get(f.kind) ?? []), f]);
  }
  return [...kinds.values()].map((found) => ({
    kind: found[0]!.kind,
    severity: found[0]!.severity,
    text: leaves(found),
  }));
}

function leaves(found: readonly Finding[]): string {
  const [first] = found;
  if (found.length === 1) return `Leaves one: ${lowered(first!.title)}.`;
  if (first!.kind === 'ring-stop')
    return `Leaves ${numberText(found.length)} faces at which rings stop.`;
  const titles = new Map<string, number>();
  for (const f of found) titles.set(f.title, (titles.get(f.title) ?? 0) + 1);
  const told = [...titles].map(([title, n]) =>
    n > 1 ? `${n} x ${lowered(title)}` : lowered(title),
  );
  return `Leaves ${numberText(found.length)}: ${told.slice(0, 4).join('; ')}${told.length > 4 ? ' ...' : ''}.`;
}

function lowered(title: string): string {
  return title.charAt(0).toLowerCase() + title.slice(1);
}
