import type { DeskFilter, Schemas } from '../../api/client';
import { KIND_NAMES } from '../../trade/kinds';
import { seesAll, useCourse } from '../../trade/useCourse';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';

const NOTHING = { group: null, assignment: null, kind: null, mine: false };

/** What of the queue is looked at: class, exercise, group, a fault, whose. */
export function DeskFilters(props: {
  filter: DeskFilter;
  choices: Schemas['DeskView']['choices'];
  onFilter: (next: DeskFilter) => void;
  /** Says the same to all that are shown; null where no fault is chosen. */
  onSay: (() => void) | null;
}) {
  const { filter, choices, onFilter } = props;
  const set = (next: Partial<DeskFilter>) => onFilter({ ...filter, ...next });
  const taught = useCourse().courses.filter((m) => seesAll(m) && !m.putAway);
  return (
    <div className="mt-2 flex w-full flex-wrap items-center gap-2" role="group" aria-label="Filter">
      {taught.length > 1 && (
        <Select
          label="Class"
          size="small"
          value={filter.course ?? ''}
          options={[['', 'Every class'], ...taught.map((m) => [m.courseId, m.courseName] as const)]}
          onChange={(value) => onFilter({ ...NOTHING, course: value || null })}
        />
      )}
      <Select
        label="Exercise"
        size="small"
        value={filter.assignment ?? ''}
        options={[
          ['', 'Every exercise'],
          ...choices.assignments.map((a) => [a.id, a.name] as const),
        ]}
        onChange={(value) => set({ assignment: value || null })}
      />
      {choices.groups.length > 0 && (
        <Select
          label="Group"
          size="small"
          value={filter.group ?? ''}
          options={[['', 'Every group'], ...choices.groups.map((g) => [g.id, g.name] as const)]}
          onChange={(value) => set({ group: value || null })}
        />
      )}
      <Select
        label="Fault"
        size="small"
        value={filter.kind ?? ''}
        options={[
          ['', 'Any fault'],
          ...choices.kinds.map((kind) => [kind, KIND_NAMES[kind] ?? kind] as const),
        ]}
        onChange={(value) => set({ kind: value || null })}
      />
      <label className="flex items-center gap-1.5">
        <input
          type="checkbox"
          checked={filter.mine}
          onChange={(e) => set({ mine: e.target.checked })}
        />
        leave out what others write
      </label>
      {props.onSay && (
        <Button look="instructor" size="small" className="ml-auto" onClick={props.onSay}>
          Say the same to all of them
        </Button>
      )}
    </div>
  );
}
