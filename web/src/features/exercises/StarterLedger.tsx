import { useMemo } from 'react';
import type { Finding } from '../../api/client';
import { FindingMark } from '../../trade/FindingMark';
import { FoldRow } from '../../trade/FoldRow';
import { foldedRows, isFold } from '../../trade/folding';
import { useToggled } from '../../ui/useToggled';
import { isPardoned, pardoning, pardoningKind } from './pardons';
import type { Wanted } from './wanted';

interface Props {
  findings: readonly Finding[] | undefined;
  wanted: Wanted;
  isMine: boolean;
  of: 'starter' | 'reference';
  chosen: string | null;
  onChoose: (f: Finding) => void;
  onWanted: (wanted: Wanted) => void;
}

/** What the check says of the starter: each fault is the task, or pardoned. */
export function StarterLedger(props: Props) {
  const { findings, chosen, onChoose, wanted } = props;
  const [unfolded, unfold] = useToggled();
  const rows = useMemo(
    () => foldedRows(findings ?? [], (f) => f, unfolded, chosen),
    [findings, unfolded, chosen],
  );
  const all = findings ?? [];
  const counted = all.filter((f) => !isPardoned(wanted, f));
  const count = (severity: string) => counted.filter((f) => f.severity === severity).length;
  const pardoned = all.length - counted.length;
  return (
    <section
      aria-label={`What the check says of the ${props.of}`}
      data-testid="starter-ledger"
      className="condensed thin-scroll max-h-[42%] min-h-[120px] flex-1 overflow-y-auto border-t border-ink"
      tabIndex={0}
    >
      <h3 className="border-b border-rule px-3 py-2 text-[15px]">
        {findings === undefined ? (
          <span className="text-ink2">Inspecting the {props.of}</span>
        ) : all.length === 0 ? (
          <b className="font-semibold">Clean by what counts</b>
        ) : (
          <>
            <b className="font-semibold">{count('must')}</b> must,{' '}
            <b className="font-semibold">{count('should')}</b> should
            {props.of === 'starter' && ' are the task'}
            {pardoned > 0 && <span className="text-ink2">, {pardoned} pardoned</span>}
          </>
        )}
      </h3>
      <ul>
        {rows.map((row) =>
          isFold(row) ? (
            <li key={row.fold} className="flex items-center border-b border-rule pr-3">
              <FoldRow
                finding={row.first}
                count={row.count}
                isOpen={row.isOpen}
                onFold={() => unfold(row.fold)}
                className="mr-2 flex-1 px-3"
              />
              <Switch
                isShown={props.of === 'starter'}
                name={`all ${row.count}`}
                isOff={!props.isMine}
                isPardoned={all
                  .filter((f) => f.kind === row.first.kind)
                  .every((f) => isPardoned(wanted, f))}
                onPardon={(on) => props.onWanted(pardoningKind(wanted, row.first.kind, on))}
              />
            </li>
          ) : (
            <li
              key={row.key}
              className={`flex min-h-[34px] items-center border-b border-rule pr-3 ${row.key === chosen ? 'border-l-[3px] border-l-ink bg-shoal1' : 'border-l-[3px] border-l-transparent hover:bg-shoal1'}`}
            >
              <button
                type="button"
                aria-pressed={row.key === chosen}
                className="flex min-w-0 flex-1 items-center gap-2 py-1 pl-2.5 text-left outline-offset-[-2px]"
                onClick={() => onChoose(row)}
              >
                <FindingMark kind={row.kind} severity={row.severity} title={row.title} size={14} />
                <span className={`truncate ${isPardoned(wanted, row) ? 'text-ink2' : ''}`}>
                  {row.title}
                </span>
              </button>
              <Switch
                isShown={props.of === 'starter'}
                name={row.title}
                isOff={!props.isMine}
                isPardoned={isPardoned(wanted, row)}
                onPardon={(on) => props.onWanted(pardoning(wanted, [row], on, all))}
              />
            </li>
          ),
        )}
      </ul>
    </section>
  );
}

/** The task, or pardoned. */
function Switch(props: {
  name: string;
  isShown: boolean;
  isPardoned: boolean;
  isOff: boolean;
  onPardon: (on: boolean) => void;
}) {
  if (!props.isShown) return null;
  return (
    <span
      role="radiogroup"
      aria-label={`What becomes of ${props.name}`}
      className="ml-2 flex shrink-0 rounded-ctl border border-ctl bg-sheet text-[12px]"
    >
      {([false, true] as const).map((on) => (
        <button
          key={String(on)}
          type="button"
          role="radio"
          aria-checked={props.isPardoned === on}
          disabled={props.isOff}
          className={`h-[22px] px-1.5 ${props.isPardoned === on ? 'bg-shoal2 font-semibold' : 'text-ink2 hover:bg-shoal1'}`}
          onClick={() => props.onPardon(on)}
        >
          {on ? 'pardoned' : 'the task'}
        </button>
      ))}
    </span>
  );
}
