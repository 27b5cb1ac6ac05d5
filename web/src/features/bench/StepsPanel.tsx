import { counted, numberText } from '../../ui/time';
import { useMemo, useRef, type ReactNode } from 'react';
import type { Finding, Schemas, Workpiece } from '../../api/client';
import { CardLink } from '../../trade/CardLink';
import { FindingMark } from '../../trade/FindingMark';
import { Button } from '../../ui/Button';
import { FoldRow } from '../../trade/FoldRow';
import { LongList } from '../../ui/LongList';
import { foldedRows, isFold, type Fold } from '../../trade/folding';
import { Unlisted } from '../../trade/Unlisted';
import { useToggled } from '../../ui/useToggled';
import { StepList } from './StepList';
import type { WorkpieceControl } from './useWorkpiece';

interface Props {
  state: Workpiece;
  control: WorkpieceControl;
  /** Makes the last change once more; null where there is none. */
  onAgain: (() => void) | null;
  pending: string | null;
  chosen: string | null;
  onChoose: (finding: Finding) => void;
  /** Takes what would mend the chosen one in hand; null where that is not shown. */
  onMend: (() => void) | null;
  /** What lies above the check. */
  head?: ReactNode;
  /** What the exercise marks on the mesh. */
  marked?: Schemas['MarksView'] | undefined;
}

/** What the check says of the mesh as it is, and the steps that made it so. */
export function StepsPanel({
  state,
  control,
  pending,
  chosen,
  onChoose,
  onMend,
  onAgain,
  head,
  marked,
}: Props) {
  const { check, steps } = state;
  const { tells } = state.task;
  return (
    <nav
      aria-label="Check and steps"
      className="flex w-[224px] shrink-0 flex-col overflow-hidden border-r border-rule"
    >
      {head}
      <div className="border-b border-rule px-3 py-2.5">
        <p className="condensed text-[13px] text-ink2">
          {steps.length === 0 ? 'Check of the starter' : `Check, after step ${steps.length}`}
        </p>
        {tells === 'nothing' ? (
          <p className="text-[16px] font-semibold" data-testid="tally">
            Told with the first answer
          </p>
        ) : (
          <Tally state={state} />
        )}
        {state.checked && tells !== 'all' && (
          <p className="condensed text-[13px] text-ink2" data-testid="face-count">
            {counted(check.figures.faces, 'face')}
          </p>
        )}
        {state.checked && tells === 'all' && (
          <p className="condensed text-[13px] text-ink2" data-testid="face-count">
            {check.figures.quads === check.figures.faces
              ? `${counted(check.figures.faces, 'face')}, all quads`
              : `${numberText(check.figures.quads)} of ${counted(check.figures.faces, 'face')} are quads`}
          </p>
        )}
      </div>
      {state.checked && tells === 'all' && check.pardoned > 0 && (
        <p className="condensed border-b border-rule px-3 py-1.5 text-[13px] text-ink2">
          {counted(check.pardoned, 'fault')} of the starter {check.pardoned === 1 ? 'is' : 'are'}{' '}
          pardoned: left alone, {check.pardoned === 1 ? 'it does' : 'they do'} not count.
        </p>
      )}
      {marked && <MarksKey marked={marked} />}
      {state.remark && (
        <p className="border-b border-rule bg-shoal1 px-3 py-2 text-[13px]" role="status">
          {state.remark}
        </p>
      )}
      {tells === 'counts' && <Counts check={check} />}
      <Findings
        findings={state.checked ? check.findings : []}
        chosen={chosen}
        onChoose={onChoose}
        onMend={onMend}
      />
      {state.checked && (
        <Unlisted
          check={check}
          className="condensed border-b border-rule px-3 py-1.5 text-[13px]"
        />
      )}
      <StepList state={state} pending={pending} control={control} onAgain={onAgain} />
    </nav>
  );
}

/** What the marks on the mesh say. */
function MarksKey({ marked }: { marked: Schemas['MarksView'] }) {
  const told = [
    marked.locked.length > 0 && 'Shaded faces are locked.',
    marked.held.length > 0 && 'A vertex under a post stays.',
    marked.hardLines.length > 0 && 'Heavy edges count as hard.',
    marked.coveredEnds.length > 0 && 'An end under a lid will be covered.',
    marked.lines.length > 0 && 'An edge is wanted along dash and dot.',
  ].filter(Boolean);
  return (
    <p
      className="condensed border-b border-rule px-3 py-1.5 text-[13px] text-ink2"
      data-testid="marks-key"
    >
      {told.join(' ')}
    </p>
  );
}

/** How many there are in each family: where and what is told with the first answer. */
function Counts({ check }: { check: Workpiece['check'] }) {
  return (
    <section
      aria-label="Counts"
      className="condensed border-b border-rule px-3 py-2 text-[13px]"
      data-testid="counts"
    >
      <ul>
        {check.byFamily.map((f) => (
          <li key={f.family} className="flex gap-2">
            <span className="flex-1">{f.family}</span>
            {[f.must > 0 && `${f.must} must`, f.should > 0 && `${f.should} should`]
              .filter(Boolean)
              .join(', ')}
          </li>
        ))}
      </ul>
      <p className="mt-1 text-ink2">Where they are is told with the first answer.</p>
    </section>
  );
}

function Tally({ state }: { state: Workpiece }) {
  const { must, should, remarks } = state.check;
  const last = state.steps.at(-1);
  const parts: [number, string][] = [
    [must, 'must'],
    [should, 'should'],
    [remarks, remarks === 1 ? 'remark' : 'remarks'],
  ];
  const told = parts.filter(([n]) => n > 0);
  if (!state.checked) {
    return (
      <p className="text-[16px]" data-testid="tally" aria-live="polite">
        Checking this step
      </p>
    );
  }
  return (
    <>
      <p className="flex items-baseline gap-3" data-testid="tally">
        {told.map(([n, name]) => (
          <span key={name}>
            <b className="condensed text-[20px] font-semibold">{numberText(n)}</b> {name}
          </span>
        ))}
        {told.length === 0 && <b className="text-[16px] font-semibold">Clean</b>}
      </p>
      {last && (
        <p className="condensed text-[13px]">
          {last.mended > 0 && `${numberText(last.mended)} gone by it. `}
          {last.brought.length > 0
            ? `${numberText(last.brought.length)} new here.`
            : 'Nothing new here.'}
        </p>
      )}
    </>
  );
}

function Findings(props: {
  findings: readonly Finding[];
  chosen: string | null;
  onChoose: (finding: Finding) => void;
  onMend: (() => void) | null;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  const { findings, chosen } = props;
  const [unfolded, unfold] = useToggled();
  const rows = useMemo(
    () => foldedRows(findings, (f) => f, unfolded, chosen),
    [findings, unfolded, chosen],
  );
  if (findings.length === 0) return null;
  return (
    <div
      ref={scroller}
      className="condensed relative max-h-[45%] shrink-0 overflow-y-auto border-b border-rule py-1"
    >
      <LongList
        scroller={scroller}
        label="Findings"
        testid="findings"
        count={rows.length}
        rowHeight={28}
        keyOf={(i) => rowKey(rows[i]!)}
        shown={rows.findIndex((row) => 'key' in row && row.key === chosen)}
        row={(i) => {
          const row = rows[i]!;
          return isFold(row) ? (
            <FoldRow
              finding={row.first}
              count={row.count}
              isOpen={row.isOpen}
              onFold={() => unfold(row.fold)}
              className="py-1 pr-3 pl-2.5"
            />
          ) : (
            <Row
              finding={row}
              isChosen={row.key === chosen}
              onChoose={props.onChoose}
              onMend={props.onMend}
            />
          );
        }}
      />
    </div>
  );
}

function rowKey(row: Finding | Fold<Finding>): string {
  return isFold(row) ? row.fold : row.key;
}

function Row(props: {
  finding: Finding;
  isChosen: boolean;
  onChoose: (finding: Finding) => void;
  onMend: (() => void) | null;
}) {
  const { finding: f, isChosen } = props;
  return (
    <>
      <button
        type="button"
        aria-expanded={isChosen}
        data-finding-row={f.key}
        className={`flex w-full items-start gap-2 border-l-[3px] py-1 pr-3 pl-2.5 text-left outline-offset-[-2px] ${isChosen ? 'border-ink bg-shoal1' : 'border-transparent hover:bg-shoal1'}`}
        onClick={() => props.onChoose(f)}
      >
        <span className="pt-0.5">
          <FindingMark kind={f.kind} severity={f.severity} title={f.title} />
        </span>
        <span>
          <span className={isChosen ? 'font-semibold' : ''}>{f.title}</span>
          {isChosen && <span className="block text-[13px] leading-[18px]">{f.sentence}</span>}
        </span>
      </button>
      {isChosen && (
        <p className="flex items-center gap-3 bg-shoal1 pr-3 pb-1.5 pl-[37px]">
          {props.onMend && (
            <Button size="small" shortcut="M" onClick={props.onMend}>
              Mend
            </Button>
          )}
          <CardLink kind={f.kind} />
        </p>
      )}
    </>
  );
}
