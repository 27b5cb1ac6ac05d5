import { useMemo, useRef, type ReactNode } from 'react';
import type { Finding, Review } from '../../api/client';
import { CardLink } from '../../trade/CardLink';
import { WithTerms } from '../../trade/WithTerms';
import { FAMILIES } from '../../trade/kinds';
import { FindingMark } from '../../trade/FindingMark';
import { FoldRow } from '../../trade/FoldRow';
import { LongList } from '../../ui/LongList';
import { foldedRows, type Fold } from '../../trade/folding';
import { Unlisted } from '../../trade/Unlisted';
import { numberText } from '../../ui/time';
import { useToggled } from '../../ui/useToggled';

interface Props {
  review: Review;
  chosen: string | null;
  onChoose: (finding: Finding) => void;
  actions: (finding: Finding) => ReactNode;
  /** Lets a finding count again that was waved through; null where nothing can be changed. */
  onCountAgain: ((waving: string) => void) | null;
}

/** The findings of a submission by family; the chosen one opens to its sentence and actions. */
export function Ledger({ review, chosen, onChoose, actions, onCountAgain }: Props) {
  const { check, since } = review;
  const waved = useMemo(() => new Map(review.waved.map((w) => [w.finding, w])), [review.waved]);
  const [folded, fold] = useToggled();
  const [unfolded, unfold] = useToggled();
  const scroller = useRef<HTMLElement>(null);
  const families = useMemo(() => byFamily(check.findings), [check.findings]);
  const more = useMemo(() => unlistedByFamily(check.unlisted), [check.unlisted]);
  const clean = FAMILIES.filter((f) => !families.has(f));
  const lines = useMemo(
    () => linesOf(families, more, folded, unfolded, chosen),
    [families, more, folded, unfolded, chosen],
  );
  const shown = useMemo(
    () => lines.findIndex((line) => 'finding' in line && line.finding.key === chosen),
    [lines, chosen],
  );
  return (
    <nav
      ref={scroller}
      aria-label="Ledger"
      data-testid="ledger"
      className="condensed relative flex w-[272px] shrink-0 flex-col overflow-y-auto border-r border-rule max-[1200px]:w-[256px]"
    >
      <p
        className="flex items-baseline gap-3.5 border-b border-rule px-3 py-2.5"
        data-testid="review-tally"
      >
        {check.must + check.should + check.remarks === 0 && (
          <b className="text-[20px] font-semibold">Clean</b>
        )}
        {check.must > 0 && <Tally n={check.must} name="must mend" />}
        {check.should > 0 && <Tally n={check.should} name="should" />}
        {check.remarks > 0 && <Tally n={check.remarks} name="remarks" />}
      </p>
      {since && (
        <p className="border-b border-rule px-3 py-1.5 text-ink2" data-testid="since">
          Since attempt {since.attempt}:{' '}
          {since.gone > 0 && <span className="mr-2 text-ink">{numberText(since.gone)} gone</span>}
          {since.still > 0 && (
            <span className="mr-2 text-ink">{numberText(since.still)} still there</span>
          )}
          <b className="font-semibold text-ink">
            {since.fresh > 0 ? `${numberText(since.fresh)} new` : 'nothing new'}
          </b>
        </p>
      )}
      <div className="shrink-0">
        <LongList
          scroller={scroller}
          label="Findings"
          count={lines.length}
          rowHeight={28}
          keyOf={(i) => keyOf(lines[i]!)}
          shown={shown}
          row={(i) => {
            const line = lines[i]!;
            if ('fold' in line) {
              return (
                <FoldRow
                  finding={line.first.finding}
                  count={line.count}
                  isOpen={line.isOpen}
                  onFold={() => unfold(line.fold)}
                  className="pr-3 pl-[27px]"
                />
              );
            }
            return 'finding' in line ? (
              <Row
                finding={line.finding}
                now={
                  waved.has(line.index)
                    ? 'waved through'
                    : since && (since.stillThere[line.index] ? 'still there' : 'new')
                }
                waved={waved.get(line.index)}
                onCountAgain={onCountAgain}
                open={line.finding.key === chosen}
                onChoose={onChoose}
                actions={actions}
              />
            ) : (
              <FamilyHead {...line} onFold={() => fold(line.family)} />
            );
          }}
        />
      </div>
      <Unlisted check={check} className="border-t border-rule px-3 py-2" />
      {clean.length > 0 && (
        <p className="border-t border-rule px-3 py-2 pl-[30px] text-ink2">
          Clean: {clean.join(', ')}
        </p>
      )}
      {review.replies.length > 0 && (
        <section className="border-t border-rule px-3 py-2" aria-label="Replies">
          <p className="font-semibold">{review.student.split(' ')[0]} replied</p>
          {review.replies.map((r) => (
            <div key={`${r.attempt} ${r.note}`} className="mt-1">
              <p className="text-[13px] text-ink2">
                Attempt {r.attempt}, note {r.note}: {r.about}
              </p>
              <p className="border-l-2 border-ink pl-2">{r.reply}</p>
            </div>
          ))}
        </section>
      )}
      {review.reading.length > 0 && (
        <div className="border-t border-rule px-3 py-2">
          <p className="font-semibold">While reading the file</p>
          {review.reading.map((r) => (
            <p key={`${r.line} ${r.text}`} className="text-ink2">
              Line {r.line}. {r.text}
            </p>
          ))}
        </div>
      )}
    </nav>
  );
}

function Tally({ n, name }: { n: number; name: string }) {
  return (
    <span>
      <b className="text-[20px] font-semibold">{numberText(n)}</b> {name}
    </span>
  );
}

interface Numbered {
  finding: Finding;
  index: number;
}

type Line = { family: string; count: number; folded: boolean } | Numbered | Fold<Numbered>;

function keyOf(line: Line): string {
  return 'fold' in line ? line.fold : 'finding' in line ? line.finding.key : line.family;
}

/** The findings of each family, with their numbers in the report. */
function byFamily(findings: readonly Finding[]): Map<string, Numbered[]> {
  const families = new Map<string, Numbered[]>();
  findings.forEach((finding, index) => {
    const family = families.get(finding.family);
    if (family) family.push({ finding, index });
    else families.set(finding.family, [{ finding, index }]);
  });
  return families;
}

function unlistedByFamily(unlisted: Review['check']['unlisted']): Map<string, number> {
  const more = new Map<string, number>();
  for (const { family, count } of unlisted) more.set(family, (more.get(family) ?? 0) + count);
  return more;
}

function linesOf(
  families: ReturnType<typeof byFamily>,
  more: ReadonlyMap<string, number>,
  folded: readonly string[],
  unfolded: readonly string[],
  chosen: string | null,
): Line[] {
  return FAMILIES.flatMap((family): Line[] => {
    const found = families.get(family);
    if (!found) return [];
    const isFolded = folded.includes(family);
    const count = found.length + (more.get(family) ?? 0);
    return [
      { family, count, folded: isFolded },
      ...(isFolded ? [] : foldedRows(found, (row) => row.finding, unfolded, chosen)),
    ];
  });
}

function FamilyHead(props: { family: string; count: number; folded: boolean; onFold: () => void }) {
  return (
    <button
      type="button"
      aria-expanded={!props.folded}
      className="flex w-full items-center gap-2 px-3 py-1 font-semibold outline-offset-[-2px] hover:bg-shoal1"
      onClick={props.onFold}
    >
      <svg width={10} height={10} viewBox="0 0 10 10" aria-hidden>
        <path
          d={props.folded ? 'M3 1l4 4-4 4' : 'M1 3l4 4 4-4'}
          fill="none"
          stroke="currentColor"
          strokeWidth={1.5}
        />
      </svg>
      <span className="flex-1 text-left">{props.family}</span>
      {numberText(props.count)}
    </button>
  );
}

interface RowProps extends Pick<Props, 'onChoose' | 'actions' | 'onCountAgain'> {
  waved: Review['waved'][number] | undefined;
  finding: Finding;
  /** How it stands to the attempt before, where there was one. */
  now: string | null;
  open: boolean;
}

function Row({ finding: f, now, waved, open, onChoose, actions, onCountAgain }: RowProps) {
  return (
    <div className={`border-l-[3px] ${open ? 'border-ink bg-shoal1 pb-2' : 'border-transparent'}`}>
      <button
        type="button"
        aria-expanded={open}
        data-finding-row={f.key}
        className="flex min-h-7 w-full items-center gap-2 pr-3 pl-[27px] text-left leading-[19px] outline-offset-[-2px] hover:bg-shoal1"
        onClick={() => onChoose(f)}
      >
        <FindingMark kind={f.kind} severity={f.severity} title={f.title} />
        <span
          className={`flex-1 ${open ? 'font-semibold' : ''} ${waved ? 'text-ink2 line-through' : ''}`}
        >
          {f.title}
        </span>
        {now && <span className="text-ink2">{now}</span>}
      </button>
      {waved && (
        <p className="pr-3 pb-1 pl-[51px] text-[13px] text-ink2">
          {waved.reason}{' '}
          {waved.id && onCountAgain && (
            <button
              type="button"
              className="text-ink underline"
              onClick={() => onCountAgain(waved.id!)}
            >
              Count it again
            </button>
          )}
        </p>
      )}
      {open && (
        <div className="space-y-2 pr-3 pl-[27px]">
          <p>
            <WithTerms but={f.kind}>{f.sentence}</WithTerms> <CardLink kind={f.kind} />
          </p>
          {actions(f)}
        </div>
      )}
    </div>
  );
}
