import type { ReactNode } from 'react';
import type { Finding, Preview } from '../../api/client';
import { Button } from '../../ui/Button';
import { FindingMark } from '../../trade/FindingMark';
import { WithTerms } from '../../trade/WithTerms';
import { lowered, summary } from '../../trade/kinds';
import { numberText } from '../../ui/time';

interface Props {
  tool: string;
  /** Whether a change is pending, or the tool only in hand. */
  state: string;
  preview: Preview | null;
  /** Whether that is of a moment ago, and a newer one is on its way. */
  isLate: boolean;
  /** Whether it is told what the check would say. */
  isTold: boolean;
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

/**
 * The panel of a pending change: make it or drop it, its fields, what it will do. The buttons stand
 * under the head, above all that grows when an answer comes: a button that moves between the press
 * and the release is not pressed. The rest scrolls beneath them where a window is too low, and its bar
 * takes no room from them.
 */
export function Slip(props: Props) {
  const { preview } = props;
  const refused = preview?.refusal?.reason ?? null;
  const canMake = preview !== null && !refused && !preview.changesNothing && !props.missing;
  const why = props.missing ?? refused ?? (preview?.changesNothing ? 'It changes nothing' : null);
  return (
    <aside
      aria-label={`${props.tool}, ${props.state}`}
      data-testid="slip"
      className="over-stage absolute top-4 right-4 flex max-h-[calc(100%-32px)] w-[292px] flex-col border border-ink bg-sheet"
    >
      <div className="shrink-0">
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
        <div className="flex gap-2 border-b border-rule px-3 py-2.5">
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
        </div>
      </div>
      <div className="thin-scroll min-h-0 overflow-y-auto">
        <div className="space-y-2.5 px-3 py-3">{props.children}</div>
        <div
          className="min-h-24 space-y-1.5 border-t border-rule px-3 py-3"
          aria-live="polite"
          aria-busy={props.isLate || (props.isTold && preview?.checked === false)}
        >
          {props.problem && <p className="font-semibold">{props.problem}</p>}
          {refused && !props.missing && <p data-testid="refusal">{refused}</p>}
          {props.missing && <p className="text-ink2">{props.missing}</p>}
          {preview && !refused && <Effect preview={preview} />}
        </div>
      </div>
    </aside>
  );
}

function Effect({ preview }: { preview: Preview }) {
  return (
    <>
      <p data-testid="effect">
        <WithTerms>{preview.sentence}</WithTerms>
      </p>
      {grouped(preview.wouldMake).map((found) => (
        <Brought key={found[0]!.kind} found={found} />
      ))}
      <Altered altered={preview.wouldAlter.filter((a) => a.now.severity === 'must')} />
      {[...new Set(preview.remarks.map((r) => r.text))].map((text) => (
        <p key={text} className="text-ink2">
          {text}
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

/** What stands and will be another; one is told whole, more in a line a kind. */
function Altered({ altered }: { altered: Preview['wouldAlter'] }) {
  const [one] = altered;
  if (altered.length !== 1 || !one) {
    return grouped(altered.map((a) => a.now)).map((found) => (
      <Brought key={found[0]!.kind} found={found} changed />
    ));
  }
  return (
    <p className="flex gap-2">
      <span className="pt-0.5">
        <FindingMark kind={one.now.kind} severity={one.now.severity} title={one.now.title} />
      </span>
      <span>
        What was {lowered(one.title)} becomes {lowered(one.now.title)}.
      </span>
    </p>
  );
}

/** All findings of one kind in a line; more than one unfold. */
function Brought({ found, changed }: { found: readonly Finding[]; changed?: boolean }) {
  const text = summary(found) + (changed ? ', where others stand now' : '');
  const line = (
    <>
      <span className="pt-0.5">
        <FindingMark kind={found[0]!.kind} severity={found[0]!.severity} title={text} />
      </span>
      <span className="min-w-0 flex-1">{text}</span>
    </>
  );
  if (found.length === 1) return <p className="flex gap-2">{line}</p>;
  return (
    <details className="group">
      <summary className="flex cursor-pointer list-none gap-2 hover:underline">
        {line}
        <svg
          width="8"
          height="8"
          viewBox="0 0 8 8"
          aria-hidden
          className="mt-1.5 shrink-0 group-open:rotate-90"
        >
          <path d="M2 1l4 3-4 3" fill="none" stroke="currentColor" strokeWidth={1.4} />
        </svg>
      </summary>
      <ul className="mt-1 ml-2 space-y-0.5 border-l border-rule pl-3 text-ink2">
        {counts(found).map(([title, n]) => (
          <li key={title}>{n > 1 ? `${title} (${numberText(n)})` : title}</li>
        ))}
      </ul>
    </details>
  );
}

/** By kind, in the order in which they came. */
function grouped(findings: readonly Finding[]): Finding[][] {
  const kinds = new Map<string, Finding[]>();
  for (const f of findings) kinds.set(f.kind, [...(kinds.get(f.kind) ?? []), f]);
  return [...kinds.values()];
}

function counts(found: readonly Finding[]): [string, number][] {
  const titles = new Map<string, number>();
  for (const f of found) titles.set(f.title, (titles.get(f.title) ?? 0) + 1);
  return [...titles];
}
