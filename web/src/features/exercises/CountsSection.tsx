import { Choice } from '../../ui/fields';
import { FAMILIES } from '../../trade/kinds';
import { Asked } from './Asked';
import { Base, Family } from './Counts';
import { SectionHead } from './SectionHead';
import type { Draft, EditorControl } from './useEditor';

const TELLS: readonly (readonly [Draft['tells'], string])[] = [
  ['all', 'all of it'],
  ['counts', 'counts only'],
  ['nothing', 'nothing'],
];

const TOLD: Record<Draft['tells'], string> = {
  all: 'Students see every finding on the bench, where it is and why.',
  counts: 'Students see how many there are in each family, and not where, until the first answer.',
  nothing: 'Students see of the check only that it was done, until the first answer.',
};

const MENDS: readonly (readonly [Draft['mends'], string])[] = [
  ['inPractice', 'in practice only'],
  ['withAnswer', 'after the answer'],
  ['always', 'always'],
];

/** What counts and how much, what is asked of the shape, and how much of it students are told. */
export function CountsSection({ control }: { control: EditorControl }) {
  const { data, draft, change } = control;
  const part = { countable: data.countable, unit: data.starter?.unit ?? 'mm', draft, change };
  return (
    <section>
      <SectionHead number={3} name="What counts" about="and how much of it the check tells" />
      <fieldset disabled={!data.isMine}>
        <div className="border-b border-rule px-5 py-3">
          <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5">
            <span>Before the first answer the check tells</span>
            <Choice
              label="How much the check tells"
              value={draft.tells}
              options={TELLS}
              onChange={(tells) => change({ tells })}
            />
          </div>
          <p className="mt-1 text-[13px] text-ink2">{TOLD[draft.tells]}</p>
          <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-1.5">
            <span>Students see what would mend a finding</span>
            <Choice
              label="When mends are shown"
              value={draft.mends}
              options={MENDS}
              onChange={(mends) => change({ mends })}
            />
          </div>
        </div>
        <Asked
          unit={part.unit}
          references={data.references.map((r) => r.faces)}
          wanted={draft.wanted}
          onChange={(wanted) => change({ wanted })}
        />
        <Base {...part} />
        {FAMILIES.map((family) => (
          <Family key={family} family={family} {...part} />
        ))}
      </fieldset>
    </section>
  );
}
