import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { CardLink } from '../../trade/CardLink';
import { FindingMark } from '../../trade/FindingMark';
import { WorkHead } from '../../ui/Head';
import { FAMILIES, ruleName } from '../../trade/kinds';
import { Failure, Loading } from '../../ui/States';
import { counted } from '../../ui/time';
import { Asked } from './Asked';
import type { Wanted } from './wanted';

type TermsView = Schemas['TermsView'];
type Severity = 'must' | 'should' | 'remark';

interface Draft {
  name: string;
  severities: Readonly<Record<string, Severity>>;
  thresholds: Readonly<Record<string, number>>;
  wanted: Wanted;
}

const CHOICES: readonly (readonly [Severity | '', string])[] = [
  ['must', 'must'],
  ['should', 'should'],
  ['remark', 'remark'],
  ['', 'off'],
];

/** What counts in an exercise, and how much; what is asked of the shape. */
export function Terms({ exercise }: { exercise: string }) {
  const terms = useQuery(queries.terms(exercise));
  if (terms.error) return <Failure error={terms.error} onRetry={() => void terms.refetch()} />;
  if (!terms.data) return <Loading stage="Looking up what counts" />;
  return <Editor key={terms.data.revision} terms={terms.data} />;
}

function without<T>(map: Readonly<Record<string, T>>, key: string): Record<string, T> {
  return Object.fromEntries(Object.entries(map).filter(([k]) => k !== key));
}

function draftOf({ profile, wanted }: TermsView): Draft {
  return {
    name: profile.name,
    severities: profile.severities as Record<string, Severity>,
    thresholds: profile.thresholds as Record<string, number>,
    wanted,
  };
}

function Editor({ terms }: { terms: TermsView }) {
  const client = useQueryClient();
  const [draft, setDraft] = useState(() => draftOf(terms));
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const changed = JSON.stringify(draft) !== JSON.stringify(draftOf(terms));

  const save = async () => {
    setBusy(true);
    setProblem('');
    const { wanted, ...profile } = draft;
    try {
      const saved = await api.setTerms(terms.exercise.id, terms.revision, profile, wanted);
      client.setQueryData(queries.terms(terms.exercise.id).queryKey, saved);
      await client.invalidateQueries({ queryKey: ['assignments'] });
      await client.invalidateQueries({ queryKey: ['recheck', terms.exercise.id] });
    } catch (e) {
      const known = asProblem(e);
      setProblem(known.message);
      setBusy(false);
    }
  };
  return (
    <div className="flex h-full flex-col">
      <WorkHead
        back={{ to: '/exercises', name: 'Exercises' }}
        title={terms.exercise.title}
        about={<Recheck exercise={terms.exercise.id} />}
      >
        <Button disabled={!changed} onClick={() => setDraft(draftOf(terms))}>
          Take the changes back
        </Button>
        <Button look="main" disabled={!changed || busy} onClick={() => void save()}>
          Save and inspect anew
        </Button>
      </WorkHead>
      {problem && (
        <p role="alert" className="border-b border-ink bg-shoal1 px-5 py-2">
          {problem}
        </p>
      )}
      <main className="flex min-h-0 flex-1 max-lg:flex-col max-lg:overflow-y-auto">
        <section className="min-w-0 flex-1 lg:overflow-y-auto">
          <Base terms={terms} draft={draft} onChange={setDraft} />
          {FAMILIES.map((family) => (
            <Family key={family} family={family} terms={terms} draft={draft} onChange={setDraft} />
          ))}
        </section>
        <Asked
          unit={terms.exercise.unit}
          wanted={draft.wanted}
          onChange={(wanted) => setDraft({ ...draft, wanted })}
        />
      </main>
    </div>
  );
}

/** How far it is with what was handed in. */
function Recheck({ exercise }: { exercise: string }) {
  const { data } = useQuery(queries.recheck(exercise));
  if (!data || data.of === 0) return <span>Nothing was handed in yet.</span>;
  if (data.done < data.of) {
    return (
      <span role="status">
        Inspecting anew: {data.done} of {counted(data.of, 'hand-in')}
      </span>
    );
  }
  return <span>{counted(data.of, 'hand-in')} checked so</span>;
}

interface PartProps {
  terms: TermsView;
  draft: Draft;
  onChange: (draft: Draft) => void;
}

function Base({ terms, draft, onChange }: PartProps) {
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-3 border-b border-ink px-5 py-4">
      <label className="block">
        <span className="block text-[13px] text-ink2">This check profile is called</span>
        <input
          className="mt-1 h-8 w-56 rounded-ctl border border-ctl bg-sheet px-2"
          maxLength={60}
          value={draft.name}
          onChange={(e) => onChange({ ...draft, name: e.target.value })}
        />
      </label>
      <div>
        <p className="mb-1 text-[13px] text-ink2">Begin again with a copy of</p>
        <div className="condensed flex flex-wrap gap-1">
          {terms.builtIn.map((p) => (
            <button
              key={p.name}
              type="button"
              className="h-[26px] rounded-ctl border border-ctl bg-sheet px-2 text-[13px] hover:border-ink hover:bg-shoal1"
              onClick={() =>
                onChange({
                  ...draft,
                  name: p.name,
                  severities: p.severities as Record<string, Severity>,
                  thresholds: {},
                })
              }
            >
              {p.name}
            </button>
          ))}
        </div>
      </div>
    </div>
  );
}

function Family({ family, terms, draft, onChange }: PartProps & { family: string }) {
  const rules = terms.rules.filter((r) => r.family === family);
  const setSeverity = (rule: string, severity: Severity | '') => {
    const others = without(draft.severities, rule);
    onChange({ ...draft, severities: severity ? { ...others, [rule]: severity } : others });
  };
  return (
    <section aria-label={family} className="px-5 pt-5">
      <h2 className="pb-1.5 text-[16px] font-semibold">{family}</h2>
      <ul>
        {rules.map((rule, i) => {
          const severity = draft.severities[rule.key] ?? '';
          const firstOfKind = rules.findIndex((r) => r.kind === rule.kind) === i;
          return (
            <li
              key={rule.key}
              className="grid min-h-9 grid-cols-[20px_minmax(0,1fr)_auto] items-center gap-x-3 border-t border-rule py-1"
            >
              <span className={severity ? '' : 'opacity-30'}>
                <FindingMark
                  kind={rule.kind}
                  severity={severity || 'remark'}
                  title={ruleName(rule)}
                />
              </span>
              <CardLink kind={rule.kind} look={severity ? 'word' : 'faint'}>
                {ruleName(rule)}
              </CardLink>
              <div
                role="radiogroup"
                aria-label={ruleName(rule)}
                className="condensed flex overflow-hidden rounded-ctl border border-ctl"
              >
                {CHOICES.map(([value, name]) => (
                  <button
                    key={name}
                    type="button"
                    role="radio"
                    aria-checked={value === severity}
                    className={`h-[26px] w-[58px] border-r border-ctl text-[13px] outline-offset-[-2px] last:border-r-0 ${value === severity ? 'bg-shoal2 font-semibold' : 'bg-sheet text-ink2 hover:bg-shoal1'}`}
                    onClick={() => setSeverity(rule.key, value)}
                  >
                    {name}
                  </button>
                ))}
              </div>
              {firstOfKind && (
                <Numbers kind={rule.kind} terms={terms} draft={draft} onChange={onChange} />
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** The numbers from which on a kind is a finding. */
function Numbers({ kind, terms, draft, onChange }: PartProps & { kind: string }) {
  const numbers = terms.thresholds.filter((t) => t.kind === kind);
  if (numbers.length === 0) return null;
  return (
    <div className="col-span-2 col-start-2 flex flex-wrap gap-x-5 gap-y-1 pt-0.5 pb-1.5 text-[13px] text-ink2">
      {numbers.map((t) => {
        const set = draft.thresholds[t.key];
        return (
          <NumberSetting
            key={`${t.key} ${set ?? ''}`}
            words={t.words}
            unit={t.unit === 'DEGREES' ? '°' : t.unit === 'LENGTH' ? terms.exercise.unit : ''}
            value={set ?? t.usual ?? null}
            usual={t.usual ?? null}
            least={t.least}
            most={t.most}
            onSet={(value) => {
              const others = without(draft.thresholds, t.key);
              onChange({
                ...draft,
                thresholds:
                  value === null || value === t.usual ? others : { ...others, [t.key]: value },
              });
            }}
          />
        );
      })}
    </div>
  );
}

function NumberSetting(props: {
  words: string;
  unit: string;
  value: number | null;
  usual: number | null;
  least: number;
  most: number;
  onSet: (value: number | null) => void;
}) {
  const [text, setText] = useState(props.value === null ? '' : String(props.value));
  const number = Number(text.replace(',', '.'));
  const wrong =
    text.trim() !== '' &&
    !(Number.isFinite(number) && number >= props.least && number <= props.most);
  const commit = () => {
    if (!wrong) props.onSet(text.trim() === '' ? null : number);
  };
  const own = props.value !== props.usual;
  return (
    <label className="flex items-center gap-1.5">
      {props.words}
      <input
        aria-label={props.words}
        aria-invalid={wrong}
        className={`h-6 w-16 rounded-ctl border bg-sheet px-1.5 text-ink ${wrong ? 'border-2 border-ink' : 'border-ctl'} ${own ? 'font-semibold' : ''}`}
        inputMode="decimal"
        placeholder={props.usual === null ? 'by size' : ''}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => e.key === 'Enter' && commit()}
      />
      {props.unit}
      {wrong && (
        <span role="alert">
          {props.least} to {props.most}
        </span>
      )}
    </label>
  );
}
