import type { Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/fields';
import { FAMILIES } from '../../trade/kinds';
import { NumberBox } from './NumberBox';
import { SectionHead } from './SectionHead';
import type { EditorControl } from './useEditor';
import { WouldGet } from './WouldGet';

type Rule = Schemas['CreditRuleView'];
type Criterion = Schemas['CriterionView'];

const NONE: Rule = { criteria: [], step: 0.5, offADay: 0, counts: 'best' };

const NEW: Record<Criterion['by'], Criterion> = {
  findings: {
    name: 'Quads everywhere',
    credits: 4,
    by: 'findings',
    offMust: 1,
    offShould: 0.5,
    families: ['Sides'],
    measure: null,
    nothingAt: null,
    fullAt: null,
    words: [],
  },
  measure: {
    name: 'Loops run on',
    credits: 3,
    by: 'measure',
    offMust: null,
    offShould: null,
    families: [],
    measure: 'completeLoops',
    nothingAt: 60,
    fullAt: 96,
    words: [],
  },
  eye: {
    name: 'Holds its form',
    credits: 3,
    by: 'eye',
    offMust: null,
    offShould: null,
    families: [],
    measure: null,
    nothingAt: null,
    fullAt: null,
    words: [
      { word: 'slack', credits: 0 },
      { word: 'in places', credits: 1 },
      { word: 'crisp', credits: 3 },
    ],
  },
};

const MEASURES: readonly (readonly [NonNullable<Criterion['measure']>, string])[] = [
  ['quads', 'percent of faces that are quads'],
  ['completeLoops', 'percent of edges in complete loops'],
  ['overBudget', 'faces over the budget'],
  ['linesMet', 'percent of the required lines met'],
  ['moved', 'how far the surface moved'],
];

/** Where a measure gives nothing and where all, before anybody says. */
const MARKS: Record<NonNullable<Criterion['measure']>, Pick<Criterion, 'nothingAt' | 'fullAt'>> = {
  quads: { nothingAt: 60, fullAt: 100 },
  completeLoops: { nothingAt: 60, fullAt: 96 },
  overBudget: { nothingAt: 20, fullAt: 0 },
  linesMet: { nothingAt: 0, fullAt: 100 },
  moved: { nothingAt: 1, fullAt: 0 },
};

/** By what a hand-in gets credits, and what those that are there would get. */
export function CreditsSection({ control }: { control: EditorControl }) {
  const { data, draft, change } = control;
  const rule = draft.rule ?? NONE;
  const set = (next: Rule) => change({ rule: next.criteria.length > 0 ? next : null });
  const put = (i: number, criterion: Criterion) =>
    set({ ...rule, criteria: rule.criteria.map((c, at) => (at === i ? criterion : c)) });
  const add = (by: Criterion['by']) => set({ ...rule, criteria: [...rule.criteria, NEW[by]] });
  const most = rule.criteria.reduce((sum, c) => sum + c.credits, 0);
  return (
    <section>
      <SectionHead
        number={5}
        name="Credits"
        about="students see them with the answer, never earlier"
      />
      <fieldset disabled={!data.isMine}>
        {rule.criteria.length === 0 && (
          <p className="px-5 pt-4 text-ink2">No credits are given. An answer has its verdict.</p>
        )}
        <ol>
          {rule.criteria.map((criterion, i) => (
            <CriterionRow
              key={i}
              letter={String.fromCharCode(97 + i)}
              criterion={criterion}
              onChange={(next) => put(i, next)}
              onDrop={() => set({ ...rule, criteria: rule.criteria.filter((_, at) => at !== i) })}
            />
          ))}
        </ol>
        <div className="flex flex-wrap items-center gap-2 border-b border-rule px-5 py-3">
          <span className="mr-1 text-ink2">Another criterion</span>
          <Button size="small" onClick={() => add('findings')}>
            by what is found
          </Button>
          <Button size="small" onClick={() => add('measure')}>
            by a measure
          </Button>
          <Button size="small" onClick={() => add('eye')}>
            by eye
          </Button>
        </div>
        {rule.criteria.length > 0 && (
          <div className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-ink px-5 py-3">
            <label className="flex items-center gap-2">
              Rounded to
              <NumberBox
                label="Rounded to"
                value={rule.step}
                onSet={(step) => step > 0 && set({ ...rule, step })}
              />
            </label>
            <label className="flex items-center gap-2">
              late takes off
              <NumberBox
                label="Late takes off"
                value={rule.offADay}
                onSet={(offADay) => set({ ...rule, offADay })}
              />
              a day
            </label>
            <span className="flex items-center gap-2">
              counts
              <Choice
                label="Which attempt counts"
                value={rule.counts}
                options={[
                  ['best', 'the best'],
                  ['last', 'the last'],
                ]}
                onChange={(counts) => set({ ...rule, counts })}
              />
            </span>
            <b className="ml-auto text-[15px] font-semibold">{most} in all</b>
          </div>
        )}
      </fieldset>
      {rule.criteria.length > 0 && (
        <WouldGet exercise={data.id} rule={rule} counts={[data.draft.profile, data.draft.wanted]} />
      )}
    </section>
  );
}

function CriterionRow(props: {
  letter: string;
  criterion: Criterion;
  onChange: (criterion: Criterion) => void;
  onDrop: () => void;
}) {
  const { letter, criterion: c, onChange } = props;
  return (
    <li className="border-b border-rule px-5 py-3" data-criterion={letter}>
      <div className="flex items-center gap-3">
        <span className="w-4 text-ink2">{letter}</span>
        <input
          aria-label={`Name of criterion ${letter}`}
          className="h-8 min-w-0 flex-1 rounded-ctl border border-ctl bg-sheet px-2.5 font-semibold"
          maxLength={80}
          value={c.name}
          onChange={(e) => onChange({ ...c, name: e.target.value })}
        />
        <span className="text-[13px] text-ink2">{c.by === 'eye' ? 'by eye' : 'by the engine'}</span>
        <NumberBox
          label={`Credits of criterion ${letter}`}
          value={c.credits}
          onSet={(credits) => onChange({ ...c, credits })}
        />
        <span>credits</span>
        <Button size="small" onClick={props.onDrop}>
          Drop
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-2.5 gap-y-2 pl-7">
        {c.by === 'findings' && <ByFindings criterion={c} onChange={onChange} />}
        {c.by === 'measure' && <ByMeasure criterion={c} onChange={onChange} />}
        {c.by === 'eye' && <ByEye criterion={c} onChange={onChange} />}
      </div>
    </li>
  );
}

interface WayProps {
  criterion: Criterion;
  onChange: (criterion: Criterion) => void;
}

function ByFindings({ criterion: c, onChange }: WayProps) {
  const toggle = (family: string) => {
    const next = c.families.includes(family)
      ? c.families.filter((f) => f !== family)
      : [...c.families, family];
    if (next.length > 0) onChange({ ...c, families: next });
  };
  return (
    <>
      takes off
      <NumberBox
        label="Off for a must"
        value={c.offMust ?? 0}
        onSet={(offMust) => onChange({ ...c, offMust })}
      />
      for a must and
      <NumberBox
        label="Off for a should"
        value={c.offShould ?? 0}
        onSet={(offShould) => onChange({ ...c, offShould })}
      />
      for a should of
      <span role="group" aria-label="Families" className="condensed flex flex-wrap gap-1">
        {FAMILIES.map((family) => (
          <button
            key={family}
            type="button"
            aria-pressed={c.families.includes(family)}
            className={`h-[26px] rounded-ctl border px-2 text-[13px] ${c.families.includes(family) ? 'border-ink bg-shoal2 font-semibold' : 'border-ctl bg-sheet text-ink2 hover:bg-shoal1'}`}
            onClick={() => toggle(family)}
          >
            {family}
          </button>
        ))}
      </span>
      <span className="text-ink2">never below 0</span>
    </>
  );
}

function ByMeasure({ criterion: c, onChange }: WayProps) {
  return (
    <>
      <Choice
        label="Measure"
        value={c.measure ?? 'quads'}
        options={MEASURES}
        onChange={(measure) =>
          onChange({
            ...c,
            measure,
            ...MARKS[measure],
          })
        }
      />
      full at
      <NumberBox
        label="Full at"
        value={c.fullAt ?? 100}
        onSet={(fullAt) => fullAt !== c.nothingAt && onChange({ ...c, fullAt })}
      />
      nothing at
      <NumberBox
        label="Nothing at"
        value={c.nothingAt ?? 0}
        onSet={(nothingAt) => nothingAt !== c.fullAt && onChange({ ...c, nothingAt })}
      />
      <span className="text-ink2">straight between</span>
    </>
  );
}

function ByEye({ criterion: c, onChange }: WayProps) {
  const put = (i: number, word: Schemas['WordView']) =>
    onChange({ ...c, words: c.words.map((w, at) => (at === i ? word : w)) });
  return (
    <>
      {c.words.map((w, i) => (
        <span key={i} className="flex items-center gap-1">
          <input
            aria-label={`Word ${i + 1}`}
            className="h-7 w-28 rounded-ctl border border-ctl bg-sheet px-2"
            maxLength={40}
            value={w.word}
            onChange={(e) => put(i, { ...w, word: e.target.value })}
          />
          <NumberBox
            label={`Credits of word ${i + 1}`}
            value={w.credits}
            onSet={(credits) => credits <= c.credits && put(i, { ...w, credits })}
          />
        </span>
      ))}
      <Button
        size="small"
        onClick={() => onChange({ ...c, words: [...c.words, { word: 'a word', credits: 0 }] })}
      >
        Another word
      </Button>
      {c.words.length > 1 && (
        <Button size="small" onClick={() => onChange({ ...c, words: c.words.slice(0, -1) })}>
          Drop the last
        </Button>
      )}
    </>
  );
}
