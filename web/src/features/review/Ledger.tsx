import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { Finding, Review } from '../../api/client';
import { CardLink } from '../../ui/CardLink';
import { FAMILIES } from '../../ui/kinds';
import { FindingMark } from '../../ui/FindingMark';

interface Props {
  review: Review;
  chosen: string | null;
  onChoose: (finding: Finding) => void;
  actions: (finding: Finding) => ReactNode;
}

/** The findings of a submission by family; the chosen one opens to its sentence and actions. */
export function Ledger({ review, chosen, onChoose, actions }: Props) {
  const { check, since } = review;
  const clean = FAMILIES.filter((f) => !check.findings.some((x) => x.family === f));
  return (
    <nav
      aria-label="Ledger"
      data-testid="ledger"
      className="condensed flex w-[272px] shrink-0 flex-col overflow-y-auto border-r border-rule max-[1200px]:w-[256px]"
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
          {since.gone > 0 && <span className="mr-2 text-ink">{since.gone} gone</span>}
          {since.still > 0 && <span className="mr-2 text-ink">{since.still} still there</span>}
          <b className="font-semibold text-ink">
            {since.fresh > 0 ? `${since.fresh} new` : 'nothing new'}
          </b>
        </p>
      )}
      {FAMILIES.filter((f) => !clean.includes(f)).map((family) => (
        <Family
          key={family}
          name={family}
          findings={check.findings.filter((f) => f.family === family)}
          {...{ review, chosen, onChoose, actions }}
        />
      ))}
      {clean.length > 0 && (
        <p className="border-t border-rule px-3 py-2 pl-[30px] text-ink2">
          Clean: {clean.join(', ')}
        </p>
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
      <b className="text-[20px] font-semibold">{n}</b> {name}
    </span>
  );
}

function Family(props: Props & { name: string; findings: readonly Finding[] }) {
  const [folded, setFolded] = useState(false);
  return (
    <section>
      <button
        type="button"
        aria-expanded={!folded}
        className="flex w-full items-center gap-2 px-3 py-1 font-semibold outline-offset-[-2px] hover:bg-shoal1"
        onClick={() => setFolded(!folded)}
      >
        <svg width={10} height={10} viewBox="0 0 10 10" aria-hidden>
          <path
            d={folded ? 'M3 1l4 4-4 4' : 'M1 3l4 4 4-4'}
            fill="none"
            stroke="currentColor"
            strokeWidth={1.5}
          />
        </svg>
        <span className="flex-1 text-left">{props.name}</span>
        {props.findings.length}
      </button>
      {!folded && (
        <ul>
          {props.findings.map((f) => (
            <Row key={f.key} finding={f} {...props} />
          ))}
        </ul>
      )}
    </section>
  );
}

function Row({ finding: f, review, chosen, onChoose, actions }: Props & { finding: Finding }) {
  const open = f.key === chosen;
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (open) row.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  const index = review.check.findings.indexOf(f);
  const still = review.since?.stillThere[index];
  return (
    <li
      ref={row}
      className={`border-l-[3px] ${open ? 'border-ink bg-shoal1 pb-2' : 'border-transparent'}`}
    >
      <button
        type="button"
        aria-expanded={open}
        data-finding-row={f.key}
        className="flex min-h-7 w-full items-center gap-2 pr-3 pl-[27px] text-left leading-[19px] outline-offset-[-2px] hover:bg-shoal1"
        onClick={() => onChoose(f)}
      >
        <FindingMark kind={f.kind} severity={f.severity} title={f.title} />
        <span className={`flex-1 ${open ? 'font-semibold' : ''}`}>{f.title}</span>
        {review.since && <span className="text-ink2">{still ? 'still there' : 'new'}</span>}
      </button>
      {open && (
        <div className="space-y-2 pr-3 pl-[27px]">
          <p>
            {f.sentence} <CardLink kind={f.kind} />
          </p>
          <div className="flex gap-1.5">{actions(f)}</div>
        </div>
      )}
    </li>
  );
}
