import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { WorkHead } from '../../ui/Head';
import { Failure, Loading } from '../../ui/States';
import { clockText, counted } from '../../ui/time';
import { useAddressed } from '../../ui/useAddressed';
import { BriefSection } from './BriefSection';
import { CountsSection } from './CountsSection';
import { CreditsSection } from './CreditsSection';
import { Rail, SECTIONS } from './Rail';
import { ReferencesSection } from './ReferencesSection';
import { SettingSection } from './SettingSection';
import { StarterSection } from './StarterSection';
import { StarterStage } from './StarterStage';
import { useEditor, type EditorControl, type EditorData } from './useEditor';

/** An exercise as its instructor writes it; others of its classes read it. */
export function Editor({ id }: { id: string }) {
  // As it is kept now: what is written on a draft of before would be refused.
  const exercise = useQuery({ ...queries.exercise(id), refetchOnMount: 'always' });
  if (exercise.error && !exercise.data) {
    return <Failure error={exercise.error} onRetry={() => void exercise.refetch()} />;
  }
  if (!exercise.data || !exercise.isFetchedAfterMount)
    return <Loading stage="Opening the exercise" />;
  return <OpenEditor key={id} opened={exercise.data} />;
}

function OpenEditor({ opened }: { opened: EditorData }) {
  const control = useEditor(opened);
  const { data, draft } = control;
  const [named, setSection] = useAddressed('section');
  const [first] = useState(() => firstSection(opened));
  const section = SECTIONS.find((s) => s.section === named)?.section ?? first;
  return (
    <div className="flex h-full flex-col">
      <WorkHead
        back={{ to: '/exercises', name: 'Exercises' }}
        title={draft.title || 'An exercise without a title'}
        about={<Status control={control} />}
      >
        {data.isMine && <Deeds control={control} />}
      </WorkHead>
      <Trouble control={control} />
      <div className="flex min-h-0 flex-1 max-lg:flex-col max-lg:overflow-y-auto">
        <Rail data={data} draft={draft} section={section} onSection={setSection} />
        <main className="min-w-0 flex-1 lg:overflow-y-auto" aria-label={nameOf(section)}>
          {section === 'starter' && <StarterSection control={control} />}
          {section === 'brief' && <BriefSection control={control} />}
          {section === 'counts' && <CountsSection control={control} />}
          {section === 'references' && <ReferencesSection control={control} />}
          {section === 'credits' && <CreditsSection control={control} />}
          {section === 'setting' && <SettingSection data={data} />}
        </main>
        <StarterStage control={control} section={section} />
      </div>
    </div>
  );
}

function nameOf(section: string): string {
  return SECTIONS.find((s) => s.section === section)?.name ?? '';
}

/** Where one goes on: at the first that is missing, else where it is set. */
function firstSection(data: EditorData) {
  return data.missing[0]?.section ?? 'setting';
}

/** Whether students see what is written, in words. */
function Status({ control }: { control: EditorControl }) {
  const { data, unkept, problem } = control;
  const recheck = useQuery(queries.recheck(data.id));
  const kept = problem
    ? 'Not kept'
    : unkept
      ? 'Keeping'
      : data.keptAt && `Kept ${clockText(data.keptAt)}`;
  const { done = 0, of = 0 } = recheck.data ?? {};
  return (
    <>
      <span className="truncate" data-testid="status">
        {!data.isMine
          ? `${data.owner}'s: you read it, and may copy it`
          : data.version === null
            ? 'Draft: no student sees it'
            : data.isChanged
              ? 'Changed: students see what was ready before'
              : 'Ready: this is what students see'}
      </span>
      {data.isMine && <span role="status">{kept}</span>}
      {done < of && (
        <span role="status">
          Inspecting anew: {done} of {counted(of, 'hand-in')}
        </span>
      )}
    </>
  );
}

function Deeds({ control }: { control: EditorControl }) {
  const { data, busy, act } = control;
  const recheck = useQuery(queries.recheck(data.id));
  const navigate = useNavigate();
  const tryIt = async () => {
    if (!(await control.keep())) return;
    await api.forgetTry(data.id);
    void navigate(`/exercises/${data.id}/try`);
  };
  const missing = data.missing[0];
  const isThere = data.version !== null;
  const of = recheck.data?.of ?? 0;
  const ready = isThere && !data.isChanged;
  return (
    <>
      <a
        className="inline-flex h-8 items-center rounded-ctl border border-ctl bg-sheet px-3 font-medium hover:border-ink hover:bg-shoal1"
        href={api.exportExercise(data.id)}
        download
        title="All that is written of it and its starter, as a zip"
      >
        Export
      </a>
      {data.starter && (
        <Button
          title="Begins with the starter, and nothing of it is kept"
          onClick={() => void tryIt()}
        >
          Try it as a student would
        </Button>
      )}
      {isThere && (
        <Button
          disabled={busy || !data.isChanged}
          title={data.isChanged ? 'Writes again what students see' : 'Nothing is changed'}
          onClick={() => void act((revision) => api.takeDraftBack(data.id, revision), true)}
        >
          Take it back
        </Button>
      )}
      <Button
        look="main"
        disabled={busy || ready || missing !== undefined}
        title={
          missing
            ? `${missing.what} is missing`
            : ready
              ? 'Students see what is written here'
              : of > 0
                ? `Where other things count, ${counted(of, 'hand-in')} is inspected anew; answers that are out stay`
                : 'From then on it is what students see, wherever it is set'
        }
        onClick={() => void act((revision) => api.makeReady(data.id, revision), true)}
      >
        {isThere ? 'Let the changes hold' : 'Make it ready'}
      </Button>
    </>
  );
}

function Trouble({ control }: { control: EditorControl }) {
  const { problem, keep, takeTheirs } = control;
  if (!problem) return null;
  return (
    <div role="alert" className="flex items-center gap-4 border-b border-ink bg-shoal1 px-4 py-1.5">
      <span className="flex-1">{problem.message}</span>
      {problem.status === 409 ? (
        <Button size="small" onClick={() => void takeTheirs()}>
          Show how it stands now
        </Button>
      ) : (
        <Button size="small" onClick={() => void keep()}>
          Try again
        </Button>
      )}
    </div>
  );
}
