import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Demonstration, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { LENSES, type Lens } from '../../stage/lenses';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';
import { TextField } from '../../ui/TextField';
import { useKeys } from '../../ui/useKeys';

type Step = Schemas['ToldStep'];
type Camera = NonNullable<Step['camera']>;

/** Captions, questions, views and what is left out; kept together. */
export function Telling(props: {
  demonstration: Demonstration;
  /** The step that is seen. */
  at: number;
  onGo: (step: number) => void;
  camera: () => Camera | null;
  lens: Lens;
  onDone: () => void;
}) {
  const { demonstration, at } = props;
  const client = useQueryClient();
  const [title, setTitle] = useState(demonstration.title);
  const [about, setAbout] = useState(demonstration.about);
  const [steps, setSteps] = useState<readonly Step[]>(demonstration.steps);
  const [revision, setRevision] = useState(demonstration.revision);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [kept, setKept] = useState(true);
  const say = (number: number, what: Partial<Step>) => {
    setKept(false);
    setSteps((all) => all.map((s) => (s.number === number ? { ...s, ...what } : s)));
  };
  const keep = async () => {
    setBusy(true);
    setProblem(null);
    try {
      const now = await api.tellDemonstration(demonstration.id, {
        revision,
        title,
        about,
        steps: steps.map(({ leftOut, caption, question, answer, camera, lens }) => ({
          leftOut,
          caption,
          question,
          answer,
          camera,
          lens,
        })),
      });
      setRevision(now.revision);
      setSteps(now.steps);
      setKept(true);
      client.setQueryData(queries.demonstration(demonstration.id).queryKey, now);
      void client.invalidateQueries(queries.demonstrations());
    } catch (e) {
      setProblem(asProblem(e).message);
    } finally {
      setBusy(false);
    }
  };
  useKeys({ 'Ctrl Enter': () => void keep() });
  return (
    <>
      <div className="thin-scroll min-h-0 flex-1 overflow-y-auto" tabIndex={0}>
        <div className="space-y-3 border-b border-rule px-5 py-4">
          <TextField
            label="Title"
            value={title}
            maxLength={80}
            onChange={(text) => {
              setTitle(text);
              setKept(false);
            }}
          />
          <Lines
            label="What it shows"
            value={about}
            most={600}
            onChange={(text) => {
              setAbout(text);
              setKept(false);
            }}
          />
        </div>
        <ol>
          {steps.map((step) => (
            <li
              key={step.number}
              className={`border-b border-rule px-5 py-3 ${step.number === at ? 'bg-shoal1' : ''}`}
            >
              <div className="condensed flex items-center gap-2">
                <button
                  type="button"
                  className="min-w-0 flex-1 truncate text-left hover:underline disabled:no-underline"
                  disabled={step.leftOut}
                  onClick={() => props.onGo(step.number)}
                >
                  <span className="mr-2 text-ink2">{step.number}</span>
                  <b className={`font-semibold ${step.leftOut ? 'text-ink2 line-through' : ''}`}>
                    {step.brief ? `${step.title}, ${step.brief}` : step.title}
                  </b>
                </button>
                <label className="flex items-center gap-1.5 text-[13px]">
                  <input
                    type="checkbox"
                    checked={step.leftOut}
                    onChange={(e) => say(step.number, { leftOut: e.target.checked })}
                  />
                  Left out
                </label>
              </div>
              {!step.leftOut && <StepFields step={step} say={say} {...props} />}
            </li>
          ))}
        </ol>
      </div>
      <footer className="shrink-0 border-t border-ink px-5 py-3">
        {problem && (
          <p role="alert" className="mb-2 border-l-[3px] border-ink bg-shoal1 px-3 py-1.5">
            {problem}
          </p>
        )}
        <div className="flex items-center gap-3">
          <Button
            look="main"
            shortcut="Ctrl ↵"
            disabled={busy || kept}
            title={kept ? 'It is kept as it stands' : undefined}
            onClick={() => void keep()}
          >
            {busy ? 'Keeping' : 'Keep it'}
          </Button>
          <Button onClick={props.onDone}>{kept ? 'Back to playing' : 'Drop what I wrote'}</Button>
        </div>
      </footer>
    </>
  );
}

/** As before: the lens of the step before stays. */
const AS_BEFORE = 'as-before';

function StepFields(props: {
  step: Step;
  say: (number: number, what: Partial<Step>) => void;
  camera: () => Camera | null;
  lens: Lens;
  at: number;
}) {
  const { step, say } = props;
  const [asks, setAsks] = useState(step.question !== '' || step.answer !== '');
  const lenses = [
    [AS_BEFORE, 'lens as before'] as const,
    ...LENSES.map((l) => [l.lens, l.name] as const),
  ];
  return (
    <div className="mt-1.5 space-y-2">
      {asks && (
        <>
          <Lines
            label="Asked before it is made"
            value={step.question}
            most={400}
            onChange={(question) => say(step.number, { question })}
          />
          <Lines
            label="Answer, to be unfolded"
            value={step.answer}
            most={1500}
            onChange={(answer) => say(step.number, { answer })}
          />
        </>
      )}
      <Lines
        label="Caption"
        value={step.caption}
        most={1000}
        onChange={(caption) => say(step.number, { caption })}
      />
      <div className="flex flex-wrap items-center gap-2">
        <Button
          size="small"
          onClick={() => {
            setAsks(!asks);
            if (asks) say(step.number, { question: '', answer: '' });
          }}
        >
          {asks ? 'No question' : 'Ask before it'}
        </Button>
        <Button
          size="small"
          aria-pressed={step.camera !== null}
          title="The step is seen from where you look now"
          onClick={() => {
            const camera = props.camera();
            if (camera) say(step.number, { camera });
          }}
        >
          {step.camera ? 'View taken' : 'Take this view'}
        </Button>
        <Select
          label={`Lens of step ${step.number}`}
          size="small"
          value={step.lens ?? AS_BEFORE}
          options={lenses}
          onChange={(lens) => say(step.number, { lens: lens === AS_BEFORE ? null : lens })}
        />
      </div>
    </div>
  );
}

function Lines(props: {
  label: string;
  value: string;
  most: number;
  onChange: (text: string) => void;
}) {
  return (
    <label className="block">
      <span className="text-[13px] text-ink2">{props.label}</span>
      <textarea
        rows={2}
        maxLength={props.most}
        value={props.value}
        className="mt-1 block w-full rounded-ctl border border-ctl bg-sheet px-2.5 py-1.5"
        onChange={(e) => props.onChange(e.target.value)}
      />
    </label>
  );
}
