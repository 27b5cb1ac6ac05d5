import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, asProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Empty, Failure, Loading, Trouble } from '../../ui/States';
import { counted } from '../../ui/time';

type Row = Schemas['DemonstrationRow'];

/** Demonstrations that one may see: one's own, the class's, and those that came along. */
export function Demonstrations() {
  const list = useQuery(queries.demonstrations());
  const client = useQueryClient();
  const [problem, setProblem] = useState<string | null>(null);
  if (list.error && !list.data) {
    return <Failure error={list.error} onRetry={() => void list.refetch()} />;
  }
  if (!list.data) return <Loading stage="Looking up the demonstrations" />;
  const { demonstrations, mayMake } = list.data;
  const keep = async (id: string, inSight: boolean) => {
    try {
      await api.putDemonstrationAway(id, inSight);
      setProblem(null);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
    await client.invalidateQueries(queries.demonstrations());
  };
  const own = demonstrations.filter((d) => d.mine && !d.putAway);
  const others = demonstrations.filter((d) => !d.mine && d.by !== null);
  const shipped = demonstrations.filter((d) => d.by === null);
  const away = demonstrations.filter((d) => d.mine && d.putAway);
  return (
    <div className="mx-auto max-w-[960px] px-5 pt-5 pb-8">
      <h1 className="text-[22px] leading-7 font-semibold">Demonstrations</h1>
      <p className="text-ink2">
        Real steps, shown one after the other: turn the model, step forth and back, and try it
        yourself from any of them.
      </p>
      {problem && <Trouble title="This did not work">{problem}</Trouble>}
      {mayMake && own.length === 0 && (
        <Empty title="You have shown nothing of your own yet.">
          Cut something in <Link to="/practice">Practice</Link>, then keep it there as a
          demonstration.
        </Empty>
      )}
      {!mayMake && demonstrations.length === 0 && (
        <Empty title="Nothing is shown to your class yet.">
          Your instructor sets demonstrations here.
        </Empty>
      )}
      <Group name="Your own" rows={own} onKeep={keep} />
      <Group name="Shown to your class" rows={others} onKeep={keep} />
      <Group name="With Fair Edge" rows={shipped} onKeep={keep} />
      <Group name="Put away" rows={away} onKeep={keep} />
    </div>
  );
}

function Group(props: {
  name: string;
  rows: readonly Row[];
  onKeep: (id: string, inSight: boolean) => Promise<void>;
}) {
  if (props.rows.length === 0) return null;
  return (
    <section className="mt-6">
      <h2 className="border-b border-ink pb-1.5 font-semibold">{props.name}</h2>
      <ul>
        {props.rows.map((d) => (
          <li key={d.id} className="flex items-center gap-4 border-b border-rule py-3">
            <img
              src={api.demonstrationPicture(d.id, d.mesh)}
              width={100}
              height={60}
              alt=""
              className="bg-sea"
            />
            <Link to={`/demonstrations/${d.id}`} className="group min-w-0 flex-1">
              <span className="block font-semibold group-hover:underline">{d.title}</span>
              <span className="block text-ink2">{d.about}</span>
              <span className="condensed block text-[13px] text-ink2">
                {counted(d.steps, 'step')}
                {d.questions > 0 && `, ${counted(d.questions, 'question')}`}
                {d.by && !d.mine && `, by ${d.by}`}
                {d.mine && d.classes > 0 && `, shown to ${counted(d.classes, 'class', 'classes')}`}
              </span>
            </Link>
            {d.mine && (
              <Button size="small" onClick={() => void props.onKeep(d.id, d.putAway)}>
                {d.putAway ? 'Bring it back' : 'Put away'}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
