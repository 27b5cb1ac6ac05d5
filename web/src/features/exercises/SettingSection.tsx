import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { api, asProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/fields';
import { Select } from '../../ui/Select';
import { Refusal, TextField } from '../../ui/TextField';
import { Allowances } from './Allowances';
import { SectionHead } from './SectionHead';
import { standWord } from './stands';
import { TimeField } from './TimeField';
import type { EditorData } from './useEditor';

type Setting = Schemas['SettingRequest'];
type SetIn = Schemas['SetIn'];

const AT_ONCE: Setting = {
  heading: null,
  opens: null,
  due: null,
  late: 'taken',
  attempts: null,
  handIn: 'both',
  overruled: null,
};

/** In which classes it is set, from when, until when. */
export function SettingSection({ data }: { data: EditorData }) {
  const me = useQuery(queries.me());
  const rows = useQuery(queries.exercises());
  const set = rows.data?.find((r) => r.id === data.id)?.set ?? [];
  const free = (me.data?.memberships ?? []).filter((m) => m.role === 'instructor' && !m.putAway);
  return (
    <section>
      <SectionHead number={6} name="Set it" about="in which classes, from when, until when" />
      {set.length === 0 && (
        <p className="px-5 pt-4 text-ink2">It is set nowhere: no student sees it.</p>
      )}
      {set.map((s) => (
        <InClass key={s.assignment.id} set={s} />
      ))}
      {data.isMine && data.version === null && (
        <p className="px-5 py-4">
          Make it ready first: then it can be set, here, and students see it when it opens.
        </p>
      )}
      {data.isMine && data.version !== null && free.length > 0 && (
        <SetAnew exercise={data.id} classes={free} />
      )}
    </section>
  );
}

function useSetting() {
  const client = useQueryClient();
  const [problem, setProblem] = useState('');
  const run = async (work: () => Promise<unknown>): Promise<boolean> => {
    setProblem('');
    try {
      await work();
      await client.invalidateQueries({ queryKey: ['exercises'] });
      await client.invalidateQueries({ queryKey: ['assignments'] });
      return true;
    } catch (e) {
      setProblem(asProblem(e).message);
      return false;
    }
  };
  return { problem, run };
}

function InClass({ set }: { set: SetIn }) {
  const { assignment, course } = set;
  const { problem, run } = useSetting();
  const [setting, setSetting] = useState<Setting>(assignment.setting);
  const changed = JSON.stringify(setting) !== JSON.stringify(assignment.setting);
  return (
    <section aria-label={`Set in ${course}`} className="border-b border-ink px-5 py-4">
      <h3 className="flex items-baseline gap-3 text-[15px] font-semibold">
        {course}
        <span className="font-normal text-ink2" data-testid="stand">
          {standWord(assignment.stand)}
        </span>
        <Link
          to={`/assignments/${assignment.id}/bundle`}
          className="condensed ml-auto text-[13px] font-medium underline"
        >
          Hand in for students
        </Link>
      </h3>
      <Fields setting={setting} zone={assignment.zone} onChange={setSetting} />
      {problem && <Refusal>{problem}</Refusal>}
      <div className="mt-3 flex gap-2">
        <Button
          look="main"
          disabled={!changed}
          title={changed ? 'Students see it at once' : 'Nothing is changed'}
          onClick={() => void run(() => api.changeSetting(assignment.id, setting))}
        >
          Save
        </Button>
        <Button onClick={() => void run(() => api.takeOutOf(assignment.id))}>
          Take it out of the class
        </Button>
      </div>
      <Allowances assignment={assignment.id} course={assignment.course} />
    </section>
  );
}

function SetAnew(props: { exercise: string; classes: readonly Schemas['Membership'][] }) {
  const { classes } = props;
  const { problem, run } = useSetting();
  const [course, setCourse] = useState(classes[0]!.courseId);
  const [setting, setSetting] = useState<Setting>(AT_ONCE);
  return (
    <section aria-label="Set it in a class" className="px-5 py-4">
      <div className="flex items-center gap-3">
        <h3 className="text-[15px] font-semibold">Set it in</h3>
        <Select
          label="The class"
          value={course}
          options={classes.map((c) => [c.courseId, c.courseName] as const)}
          onChange={setCourse}
        />
      </div>
      <Fields setting={setting} zone={null} onChange={setSetting} />
      {problem && <Refusal>{problem}</Refusal>}
      <Button
        className="mt-3"
        look="main"
        onClick={() =>
          void run(() => api.setIn(props.exercise, course, setting)).then(
            (done) => done && setSetting(AT_ONCE),
          )
        }
      >
        {setting.opens ? 'Set it, to open then' : 'Set it, open at once'}
      </Button>
    </section>
  );
}

function Fields(props: {
  setting: Setting;
  zone: string | null;
  onChange: (setting: Setting) => void;
}) {
  const { setting, zone, onChange } = props;
  return (
    <div className="mt-3 grid grid-cols-[repeat(auto-fit,minmax(210px,1fr))] gap-x-5 gap-y-3">
      <TimeField
        label="Opens"
        about="empty: at once"
        value={setting.opens}
        onChange={(opens) => onChange({ ...setting, opens })}
      />
      <TimeField
        label="Due"
        about={zone ? `by the clock of ${zone.replace(/_/g, ' ')}` : 'by the clock of the class'}
        value={setting.due}
        onChange={(due) => onChange({ ...setting, due })}
      />
      <TextField
        label="Attempts"
        hint="empty: any number"
        inputMode="numeric"
        value={setting.attempts === null ? '' : String(setting.attempts)}
        onChange={(text) => {
          const number = Number(text);
          if (text.trim() === '') onChange({ ...setting, attempts: null });
          else if (Number.isInteger(number) && number > 0 && number < 100) {
            onChange({ ...setting, attempts: number });
          }
        }}
      />
      <TextField
        label="Under the heading"
        hint="empty: under that of the one before"
        maxLength={80}
        value={setting.heading ?? ''}
        onChange={(heading) => onChange({ ...setting, heading: heading || null })}
      />
      <Named name="What comes late">
        <Choice
          label="What comes late"
          value={setting.late}
          options={[
            ['taken', 'is taken'],
            ['refused', 'is refused'],
          ]}
          onChange={(late) => onChange({ ...setting, late })}
        />
      </Named>
      <Named name="Handed in by">
        <Choice
          label="Handed in by"
          value={setting.handIn}
          options={[
            ['both', 'bench or file'],
            ['bench', 'bench'],
            ['file', 'file'],
          ]}
          onChange={(handIn) => onChange({ ...setting, handIn })}
        />
      </Named>
      <Named name="It is">
        <Choice
          label="Whatever the times say"
          value={setting.overruled ?? ''}
          options={[
            ['', 'as the times say'],
            ['open', 'open'],
            ['closed', 'closed'],
          ]}
          onChange={(overruled) => onChange({ ...setting, overruled: overruled || null })}
        />
      </Named>
    </div>
  );
}

function Named({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div>
      <p className="mb-1 text-[13px] text-ink2">{name}</p>
      {children}
    </div>
  );
}
