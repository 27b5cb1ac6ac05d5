import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { CreditsHead } from '../../trade/Credits';
import { Button } from '../../ui/Button';
import { creditText, counted } from '../../ui/time';
import type { Draft } from './useDraft';
import { currentByEye } from './byEye';

interface Props {
  credits: Schemas['CreditsView'];
  draft: Draft;
  written: boolean;
  /** Which criterion by eye the digits are for; by name. */
  byEye: string | null;
  onByEye: (name: string) => void;
  onChange: (next: Partial<Draft>) => void;
  /** Walks the findings that a criterion counts. */
  onWalk: (kinds: readonly string[]) => void;
}

/** What it gets, criterion by criterion: what the engine counted, words by eye, changes by hand. */
export function CreditsPanel(props: Props) {
  const { credits } = props;
  return (
    <section aria-label="Credits" data-testid="credits">
      <div className="px-3.5 pt-2.5 pb-1">
        <CreditsHead credits={credits} />
      </div>
      <ul className="condensed px-3.5">
        {credits.lines.map((line) => (
          <Line key={line.name} line={line} {...props} />
        ))}
        {credits.daysLate > 0 && (
          <li className="flex items-baseline gap-2 border-t border-rule py-1.5">
            <span className="min-w-0 flex-1">{counted(credits.daysLate, 'day')} late</span>
            <span className="tabular-nums">−{creditText(credits.offForLate)}</span>
          </li>
        )}
      </ul>
    </section>
  );
}

function Line(props: Props & { line: Schemas['CreditLineView'] }) {
  const { line, draft, written } = props;
  const [edits, setEdits] = useState(false);
  const given = draft.byHand[line.name];
  const gets = line.isOpen ? 'open' : creditText(line.gets);
  return (
    <li className="border-t border-rule py-1.5" data-criterion={line.name}>
      <div className="flex items-start gap-2">
        <div className="min-w-0 flex-1">
          <p>{line.name}</p>
          <Why {...props} />
          {given && (
            <p className="text-[13px] text-ink2">
              by hand: {given.reason}
              {written && (
                <button
                  type="button"
                  className="ml-1.5 text-ink underline"
                  onClick={() => {
                    const rest = { ...draft.byHand };
                    delete rest[line.name];
                    props.onChange({ byHand: rest });
                  }}
                >
                  Take {creditText(line.byHand?.proposed ?? line.gets)} again
                </button>
              )}
            </p>
          )}
        </div>
        <button
          type="button"
          disabled={!written}
          aria-label={`${line.name}: ${gets} of ${creditText(line.of)}. Change it by hand`}
          className={`h-7 min-w-[58px] rounded-ctl border px-2 tabular-nums ${given ? 'border-magenta' : 'border-ctl'} ${written ? 'bg-sheet hover:border-ink' : 'border-transparent'}`}
          onClick={() => setEdits(!edits)}
        >
          {gets}
          <span className="text-ink2"> of {creditText(line.of)}</span>
        </button>
      </div>
      {line.words.length > 0 && <Words {...props} />}
      {edits && written && (
        <ByHand
          of={line.of}
          now={given ?? { credits: line.gets, reason: '' }}
          onDone={(next) => {
            setEdits(false);
            if (next) props.onChange({ byHand: { ...draft.byHand, [line.name]: next } });
          }}
        />
      )}
    </li>
  );
}

function Why({ line, onWalk }: Props & { line: Schemas['CreditLineView'] }) {
  if (line.words.length > 0) return <p className="text-[13px] text-ink2">by eye</p>;
  const proposed = line.byHand ? `${creditText(line.byHand.proposed)}, ` : '';
  return (
    <p className="text-[13px] text-ink2">
      engine {proposed}
      {line.kinds.length > 0 ? (
        <button
          type="button"
          className="underline hover:text-ink"
          title="Walk what it counted"
          onClick={() => onWalk(line.kinds)}
        >
          {line.why}
        </button>
      ) : (
        line.why
      )}
    </p>
  );
}

function Words(props: Props & { line: Schemas['CreditLineView'] }) {
  const { line, draft, written } = props;
  const chosen = draft.seen[line.name];
  const digits = written && currentByEye(props.credits, draft, props.byEye) === line.name;
  return (
    <span className="mt-1.5 flex flex-wrap gap-1.5" role="radiogroup" aria-label={line.name}>
      {line.words.map((word, i) => (
        <button
          key={word.word}
          type="button"
          role="radio"
          aria-checked={word.word === chosen}
          disabled={!written}
          className={`flex h-6 items-center gap-1.5 rounded-ctl border px-1.5 ${word.word === chosen ? 'border-magenta bg-magenta-wash font-semibold text-magenta' : 'border-ctl bg-sheet hover:border-ink'}`}
          onClick={() => {
            props.onByEye(line.name);
            props.onChange({ seen: { ...draft.seen, [line.name]: word.word } });
          }}
        >
          {digits && i < 9 && <span className="text-[11px] text-ink2">{i + 1}</span>}
          {word.word}
        </button>
      ))}
    </span>
  );
}

function ByHand(props: {
  of: number;
  now: Schemas['GivenView'];
  onDone: (next: Schemas['GivenView'] | null) => void;
}) {
  const [credits, setCredits] = useState(creditText(props.now.credits));
  const [reason, setReason] = useState(props.now.reason);
  const value = Number(credits.replace(',', '.'));
  const sound = credits.trim() !== '' && value >= 0 && value <= props.of;
  const ready = sound && reason.trim() !== '';
  const done = () => ready && props.onDone({ credits: value, reason: reason.trim() });
  return (
    <form
      className="mt-1.5 flex flex-wrap gap-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        done();
      }}
      onKeyDown={(e) => {
        if (e.key !== 'Escape') return;
        e.stopPropagation();
        props.onDone(null);
      }}
    >
      <input
        autoFocus
        aria-label={`Credits, at most ${creditText(props.of)}`}
        aria-invalid={!sound}
        className="h-7 w-14 rounded-ctl border border-magenta bg-sheet px-2 tabular-nums"
        value={credits}
        onChange={(e) => setCredits(e.target.value)}
      />
      <input
        aria-label="Why"
        placeholder="why"
        className="h-7 min-w-0 flex-1 rounded-ctl border border-magenta bg-sheet px-2"
        value={reason}
        maxLength={500}
        onChange={(e) => setReason(e.target.value)}
      />
      <Button
        look="instructor"
        size="small"
        type="submit"
        disabled={!ready}
        title={ready ? undefined : `A number up to ${creditText(props.of)}, and a reason`}
      >
        Give it
      </Button>
    </form>
  );
}
