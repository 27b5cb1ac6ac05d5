import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { CardLink } from '../../trade/CardLink';
import { FindingMark } from '../../trade/FindingMark';
import { ruleName } from '../../trade/kinds';
import type { Draft } from './useEditor';

type Severity = 'must' | 'should' | 'remark';

const CHOICES: readonly (readonly [Severity | '', string])[] = [
  ['must', 'must'],
  ['should', 'should'],
  ['remark', 'remark'],
  ['', 'off'],
];

function without<T>(map: Readonly<Record<string, T>>, key: string): Record<string, T> {
  return Object.fromEntries(Object.entries(map).filter(([k]) => k !== key));
}

interface PartProps {
  countable: Schemas['Countable'];
  unit: string;
  draft: Draft;
  change: (part: Partial<Draft>) => void;
}

/** The profile's name, and others to begin again with. */
export function Base({ countable, draft, change }: PartProps) {
  const { profile } = draft;
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-3 border-b border-ink px-5 py-4">
      <label className="block">
        <span className="block text-[13px] text-ink2">This check profile is called</span>
        <input
          className="mt-1 h-8 w-56 rounded-ctl border border-ctl bg-sheet px-2"
          maxLength={60}
          value={profile.name}
          onChange={(e) => change({ profile: { ...profile, name: e.target.value } })}
        />
      </label>
      <div>
        <p className="mb-1 text-[13px] text-ink2">Begin again with a copy of</p>
        <div className="condensed flex flex-wrap gap-1">
          {countable.builtIn.map((p) => (
            <button
              key={p.name}
              type="button"
              className="h-[26px] rounded-ctl border border-ctl bg-sheet px-2 text-[13px] hover:border-ink hover:bg-shoal1"
              onClick={() => change({ profile: { ...p, thresholds: {} } })}
            >
              {p.name}
            </button>
          ))}
        </div>
      </div>
    </div>
  );
}

/** The kinds of a family, each with how much it counts. */
export function Family({ family, ...part }: PartProps & { family: string }) {
  const { countable, draft, change } = part;
  const { profile } = draft;
  const rules = countable.rules.filter((r) => r.family === family);
  const setSeverity = (rule: string, severity: Severity | '') => {
    const others = without(profile.severities, rule);
    const severities = severity ? { ...others, [rule]: severity } : others;
    change({ profile: { ...profile, severities } });
  };
  return (
    <section aria-label={family} className="px-5 pt-5">
      <h2 className="pb-1.5 text-[16px] font-semibold">{family}</h2>
      <ul>
        {rules.map((rule, i) => {
          const severity = profile.severities[rule.key] ?? '';
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
              {firstOfKind && <Numbers kind={rule.kind} {...part} />}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** The numbers from which on a kind is a finding. */
function Numbers({ kind, countable, unit, draft, change }: PartProps & { kind: string }) {
  const { profile } = draft;
  const numbers = countable.thresholds.filter((t) => t.kind === kind);
  if (numbers.length === 0) return null;
  return (
    <div className="col-span-2 col-start-2 flex flex-wrap gap-x-5 gap-y-1 pt-0.5 pb-1.5 text-[13px] text-ink2">
      {numbers.map((t) => {
        const set = profile.thresholds[t.key];
        return (
          <NumberSetting
            key={`${t.key} ${set ?? ''}`}
            words={t.words}
            unit={t.unit === 'DEGREES' ? '°' : t.unit === 'LENGTH' ? unit : ''}
            value={set ?? t.usual ?? null}
            usual={t.usual ?? null}
            least={t.least}
            most={t.most}
            onSet={(value) => {
              const others = without(profile.thresholds, t.key);
              const thresholds =
                value === null || value === t.usual ? others : { ...others, [t.key]: value };
              change({ profile: { ...profile, thresholds } });
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
