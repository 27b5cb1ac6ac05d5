import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { BoardHead } from '../../trade/BoardHead';
import { manyOf } from '../../trade/kinds';
import { percent, SkillPanel, sureText } from '../../trade/SkillChart';
import { Empty, Failure, Loading, StaleBand } from '../../ui/States';
import { useAddressed } from '../../ui/useAddressed';
import { KindChart } from './KindChart';

/** What the class has learnt over the term. */
export function Insight({ course }: { course: string }) {
  const [group, setGroup] = useAddressed('group');
  const insight = useQuery(queries.insight(course, group));
  const board = useQuery(queries.board(course, group));
  if (insight.error && !insight.data)
    return <Failure error={insight.error} onRetry={() => void insight.refetch()} />;
  if (!insight.data) return <Loading stage="Reading the term" />;
  const { data } = insight;
  return (
    <div className="print-whole flex h-full flex-col">
      {insight.error && <StaleBand onRetry={() => void insight.refetch()} />}
      <BoardHead
        course={course}
        at="insight"
        groups={board.data?.groups ?? []}
        group={group}
        onGroup={setGroup}
        tables={[
          ['kinds', 'Kinds of finding by exercise'],
          ['skills', 'Skills over the term'],
          ['phrases', 'Phrases and cures'],
        ]}
      />
      <div className="print-whole min-h-0 flex-1 overflow-y-auto">
        {data.exercises.length === 0 ? (
          <Empty title="Nothing is set yet.">What the class learns from stands here then.</Empty>
        ) : (
          <Shown insight={data} />
        )}
      </div>
    </div>
  );
}

function Shown({ insight }: { insight: Schemas['InsightView'] }) {
  const exercises = insight.exercises.map((e) => e.title);
  return (
    <>
      <section aria-labelledby="kinds">
        <h2 id="kinds" className="px-5 pt-4 pb-1 text-[16px] font-semibold">
          What was found, exercise by exercise
        </h2>
        <p className="px-5 pb-2 text-ink2">
          Students who have it in their last attempt; a disc is as large as they are many.
        </p>
        <KindChart insight={insight} />
      </section>
      <section aria-labelledby="skills" className="border-t border-ink">
        <h2 id="skills" className="px-5 pt-4 pb-1 text-[16px] font-semibold">
          Skills over the term
        </h2>
        <p className="px-5 pb-2 text-ink2">
          From the attempts that count. The upright line is where the share lies 19 times of 20; an
          open dot is of fewer than five attempts.
        </p>
        {insight.skills.map((skill) => (
          <SkillPanel key={skill.skill} skill={skill} exercises={exercises} />
        ))}
      </section>
      <Phrases insight={insight} />
    </>
  );
}

/** Which phrases were followed by a cure. */
function Phrases({ insight }: { insight: Schemas['InsightView'] }) {
  return (
    <section aria-labelledby="phrases" className="break-inside-avoid border-t border-ink pb-8">
      <h2 id="phrases" className="px-5 pt-4 pb-1 text-[16px] font-semibold">
        Phrases followed by a cure
      </h2>
      <p className="px-5 pb-2 text-ink2">
        A note that was made of the phrase spoke of a finding, and in the next attempt it was gone.
        Told from five uses on.
        {!insight.isWhole && ' Still counting.'}
      </p>
      {insight.phrases.length === 0 ? (
        <p className="px-5">No phrase was followed by five attempts so far.</p>
      ) : (
        <table className="condensed mx-5 w-[calc(100%-40px)]">
          <thead>
            <tr className="border-b border-ink text-left text-ink2">
              <th className="font-normal">Phrase</th>
              <th className="font-normal">About</th>
              <th className="text-right font-normal">Cured</th>
              <th className="pl-6 font-normal">How sure</th>
            </tr>
          </thead>
          <tbody>
            {insight.phrases.map((p, i) => (
              <tr key={i} className="border-b border-rule align-baseline">
                <th scope="row" className="py-1.5 text-left font-normal">
                  {p.text}
                </th>
                <td className="text-ink2">{p.kind ? manyOf(p.kind) : 'anything'}</td>
                <td className="text-right whitespace-nowrap">
                  {percent(p.share.mean)}
                  <span className="text-ink2">
                    , {p.cured} of {p.share.count}
                  </span>
                </td>
                <td className="pl-6 text-ink2">{sureText(p.share)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
