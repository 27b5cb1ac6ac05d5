import type { ReactNode } from 'react';
import type { Finding, Preview } from '../../api/client';
import { letterOf } from '../../stage/CutLine';
import { Button } from '../../ui/Button';
import { FindingMark } from '../../ui/FindingMark';

interface Props {
  tool: string;
  preview: Preview | null;
  /** Why there is nothing to make yet. */
  missing: string | null;
  busy: boolean;
  problem: string | null;
  children?: ReactNode;
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
      aria-label={`${props.tool}, pending`}
      data-testid="slip"
      className="over-stage absolute top-4 right-4 flex max-h-[calc(100%-124px)] w-[292px] flex-col border border-ink bg-sheet"
    >
      <header className="flex h-[38px] items-center justify-between border-b border-ink px-3">
        <h2 className="text-[15px] font-semibold">{props.tool}</h2>
        <span className="text-ink2">pending</span>
      </header>
      <div className="space-y-2.5 px-3 py-3">{props.children}</div>
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
          Make the cut
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
      <p data-testid="effect">{preview.sentence}</p>
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
      {!preview.changesNothing && preview.wouldMake.length + preview.wouldAlter.length === 0 && (
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
  if (first!.kind === 'ring-stop') return `Leaves ${found.length} faces at which rings stop.`;
  const titles = new Map<string, number>();
  for (const f of found) titles.set(f.title, (titles.get(f.title) ?? 0) + 1);
  const told = [...titles].map(([title, n]) =>
    n > 1 ? `${n} x ${lowered(title)}` : lowered(title),
  );
  return `Leaves ${found.length}: ${told.slice(0, 4).join('; ')}${told.length > 4 ? ' ...' : ''}.`;
}

function lowered(title: string): string {
  return title.charAt(0).toLowerCase() + title.slice(1);
}

const ENDS: Record<string, ReactNode> = {
  used: <circle cx={7} cy={7} r={4.5} fill="none" stroke="currentColor" strokeWidth={2} />,
  fresh: <path d="M2.500 11.500l9-9M7 1v12" fill="none" stroke="currentColor" strokeWidth={2} />,
  crossing: <path d="M2 7h10" stroke="currentColor" strokeWidth={4} />,
  runOn: <circle cx={7} cy={7} r={2} fill="currentColor" />,
};

/** The pieces of a trace: ends, length, angle to the last, angle to the edge it meets. */
export function PieceTable({ preview, unit }: { preview: Preview; unit: string }) {
  return (
    <table className="condensed w-full text-left">
      <thead className="text-[12px] text-ink2">
        <tr>
          <th className="font-normal">piece</th>
          <th className="text-right font-normal">length</th>
          <th className="text-right font-normal">to last</th>
          <th className="text-right font-normal">to edge</th>
        </tr>
      </thead>
      <tbody>
        {preview.pieces.map((piece, i) => (
          <tr key={i} className="h-7">
            <td>
              <span className="flex items-center gap-1.5">
                <b className="w-3 font-semibold">{letterOf(i)}</b>
                <End use={piece.points[0]!.use} />
                <End use={piece.points.at(-1)!.use} />
              </span>
            </td>
            <td className="text-right">
              {piece.length.toFixed(1)} {unit}
            </td>
            <td className="text-right">{piece.toLast == null ? 'first' : degrees(piece.toLast)}</td>
            <td className="text-right">{piece.toEdge == null ? '' : degrees(piece.toEdge)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function degrees(value: number): string {
  return `${value.toFixed(1)}°`;
}

const END_NAMES: Record<string, string> = {
  used: 'uses a vertex',
  fresh: 'a new vertex',
  crossing: 'crosses an edge',
  runOn: 'runs on to the border of the face',
};

function End({ use }: { use: string }) {
  return (
    <svg width={14} height={14} viewBox="0 0 14 14" role="img" aria-label={END_NAMES[use]}>
      <title>{END_NAMES[use]}</title>
      {ENDS[use]}
    </svg>
  );
}
