import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api, asProblem, newKey, type Workpiece } from '../../api/client';
import { queries } from '../../api/queries';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { Aim } from '../../stage/Aim';
import { FarSide } from '../../stage/FarSide';
import { LensBar } from '../../stage/LensBar';
import { LookedStage } from '../../stage/LookedStage';
import { MeshMarks } from '../../stage/MeshMarks';
import { pick, type Picked } from '../../stage/pick';
import { useLooking } from '../../stage/useLooking';
import { FindingMark } from '../../trade/FindingMark';
import { Button } from '../../ui/Button';
import { Failure, Loading } from '../../ui/States';
import { useKeys } from '../../ui/useKeys';
import { NO_LENS, SEEN } from './seen';
import { minutesSince } from './times';
import type { Tile } from './useRoom';

const INSETS = [24, 50, 24, 40] as const;

const STEPS = 40;

/** Somebody's bench, to be read: it follows what they do. */
export function Follow(props: { tile: Tile; now: number; onClose: () => void }) {
  const { tile } = props;
  const seen = useQuery(queries.lookOn(tile.workpiece, tile.revision));
  return (
    <aside
      aria-label={`Bench of ${tile.name}`}
      className="flex w-[432px] shrink-0 flex-col border-l border-ink max-lg:w-[360px]"
    >
      <header className="flex h-[54px] shrink-0 items-center gap-3 border-b border-ink px-4">
        <h2 className="truncate text-[16px] font-semibold">{tile.name}</h2>
        <span className="min-w-0 flex-1 truncate text-ink2">{tile.title}</span>
        <Button size="small" shortcut="Esc" onClick={props.onClose}>
          Close
        </Button>
      </header>
      {seen.error && !seen.data ? (
        <Failure error={seen.error} onRetry={() => void seen.refetch()} />
      ) : seen.data ? (
        <Seen {...props} state={seen.data.state} bytes={seen.data.mesh} />
      ) : (
        <Loading stage="Opening the bench" />
      )}
    </aside>
  );
}

function Seen(props: {
  tile: Tile;
  now: number;
  onClose: () => void;
  state: Workpiece;
  bytes: ArrayBuffer;
}) {
  const { tile, state, bytes } = props;
  const mesh = useMemo(() => MeshBuffers.read(bytes), [bytes]);
  const looking = useLooking('clay', mesh, NO_LENS, SEEN);
  const { stage, lens } = looking;
  const [picked, setPicked] = useState<Picked | null>(null);
  const told = useMemo(
    () => state.check.findings.filter((f) => f.severity !== 'remark'),
    [state.check],
  );
  useKeys({ ...looking.keys, Escape: () => (picked ? setPicked(null) : props.onClose()) });
  return (
    <>
      <div className="relative h-[44%] min-h-56 shrink-0 border-b border-ink">
        <LookedStage
          looking={looking}
          unit={state.task.unit}
          insets={[...INSETS]}
          label={`${tile.name}: drag to turn, click to pin a hint`}
          onClick={(at) =>
            stage &&
            setPicked(pick(stage, at.x, at.y, { faces: true, vertices: true, division: 0 }))
          }
          drawing={
            <>
              {picked && <Aim picked={picked} division={0} />}
              <MeshMarks findings={told} chosen={null} onChoose={() => undefined} />
            </>
          }
        >
          <FarSide findings={told} />
          <div className="absolute top-2 left-2.5 flex gap-1.5">
            <LensBar lens={lens} onLens={looking.setLens} allowed={SEEN} />
            <Button size="small" shortcut="V" onClick={looking.viewAll}>
              All
            </Button>
          </div>
        </LookedStage>
      </div>
      <HintForm
        tile={tile}
        revision={state.revision}
        picked={picked}
        onSent={() => setPicked(null)}
      />
      <StepRows state={state} now={props.now} />
    </>
  );
}

/** A word for whoever cuts there, at once. */
function HintForm(props: {
  tile: Tile;
  revision: number;
  picked: Picked | null;
  onSent: () => void;
}) {
  const { tile, picked } = props;
  const [text, setText] = useState('');
  const [id, setId] = useState(newKey);
  const [said, setSaid] = useState<string | null>(null);
  const send = async () => {
    try {
      await api.hint(tile.workpiece, {
        id,
        text,
        place: picked?.at ?? null,
        revision: props.revision,
      });
      setText('');
      setId(newKey());
      setSaid(`Sent to ${tile.name}.`);
      props.onSent();
    } catch (e) {
      setSaid(asProblem(e).message);
    }
  };
  useKeys({ 'Ctrl Enter': () => text.trim() && void send() });
  return (
    <section aria-label="Hint" className="shrink-0 border-b border-rule bg-magenta-wash px-4 py-3">
      <p className="mb-1.5 text-[13px] text-ink2">
        {tile.asksSince ? `${tile.name} asks for help, and sees` : `${tile.name} sees`} that you
        look on.
      </p>
      <textarea
        aria-label="Text of the hint"
        rows={2}
        maxLength={600}
        value={text}
        placeholder={picked ? `About the ${picked.on} that you picked` : 'A hint, there at once'}
        className="block w-full rounded-ctl border border-magenta bg-sheet px-2.5 py-1.5"
        onChange={(e) => {
          setText(e.target.value);
          setSaid(null);
        }}
      />
      <div className="mt-2 flex items-center gap-2.5">
        <p role="status" className="condensed min-w-0 flex-1 truncate text-[13px]">
          {said ?? (picked ? `Pinned to the ${picked.on}` : 'Click the model to pin it')}
        </p>
        {tile.asksSince && (
          <Button size="small" onClick={() => void api.helped(tile.workpiece)}>
            Helped already
          </Button>
        )}
        <Button
          look={text.trim() ? 'instructor-main' : 'plain'}
          size="small"
          shortcut="Ctrl ↵"
          disabled={!text.trim()}
          title={text.trim() ? undefined : 'Write the hint first'}
          onClick={() => void send()}
        >
          Send the hint
        </Button>
      </div>
    </section>
  );
}

function StepRows({ state, now }: { state: Workpiece; now: number }) {
  const steps = [...state.steps].reverse().slice(0, STEPS);
  return (
    <ol
      aria-label="Steps"
      tabIndex={0}
      className="condensed thin-scroll min-h-0 flex-1 overflow-y-auto"
    >
      {steps.length === 0 && <li className="px-4 py-2 text-ink2">No step yet.</li>}
      {steps.map((step, i) => (
        <li
          key={step.id}
          className={`flex items-center gap-3 border-b border-rule px-4 py-1 ${i === 0 ? 'bg-shoal1 font-semibold' : ''}`}
        >
          <span className="w-6 text-ink2">{step.number}</span>
          <span className="min-w-0 flex-1 truncate">
            {step.brief ? `${step.tool}, ${step.brief}` : step.tool}
          </span>
          {step.brought.slice(0, 3).map((b, k) => (
            <FindingMark key={k} kind={b.kind} severity={b.severity} title={b.title} size={13} />
          ))}
          <span className="w-14 text-right text-[13px] font-normal text-ink2">
            {minutesSince(step.madeAt, now) === 0 ? 'now' : `${minutesSince(step.madeAt, now)} min`}
          </span>
        </li>
      ))}
    </ol>
  );
}
