import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { files, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { TableMenu } from '../../trade/BoardHead';
import { FindingMark } from '../../trade/FindingMark';
import { manyOf } from '../../trade/kinds';
import { PrintMenu } from '../../trade/PrintMenu';
import { SkillPanel } from '../../trade/SkillChart';
import { STATE_NAMES, StateSign } from '../../trade/StateSign';
import { useCourse } from '../../trade/useCourse';
import { Button } from '../../ui/Button';
import { Empty, Failure, Loading } from '../../ui/States';
import { creditText, wallDay } from '../../ui/time';

type View = Schemas['TermView'];

/** A student's term: what was done, what it gave, and what it shows. */
export function Term({ course, student }: { course: string; student: string }) {
  const term = useQuery(queries.term(course, student));
  const { data: me } = useQuery(queries.me());
  if (term.error) return <Failure error={term.error} onRetry={() => void term.refetch()} />;
  if (!term.data || !me) return <Loading stage="Reading the term" />;
  return <Page course={course} term={term.data} own={me.id === student} />;
}

function Page({ course, term, own }: { course: string; term: View; own: boolean }) {
  const { courses } = useCourse();
  const isMine = courses.some((c) => c.courseId === course);
  return (
    <div className="print-whole h-full overflow-y-auto">
      <header className="flex min-h-14 flex-wrap items-center gap-x-3.5 gap-y-1.5 border-b border-ink px-5 py-1.5">
        <h1 className="text-[22px] leading-7 font-semibold">{own ? 'Your term' : term.name}</h1>
        <span className="text-ink2">{term.course}</span>
        <div className="ml-auto flex items-center gap-2 print:hidden">
          {!own && isMine && (
            <Link to="/board" className="mr-2 hover:underline">
              To the board
            </Link>
          )}
          <PrintMenu
            of={`/classes/${course}/students/${term.student}`}
            title={own ? 'Your answers on paper' : `${term.name}: all answers on paper`}
          >
            Answers on paper
          </PrintMenu>
          <TableMenu
            tables={(['credits', 'skills'] as const).map((table) => ({
              name: table === 'credits' ? 'Credits by exercise' : 'Skills over the term',
              address: (bom) => files.termTable(course, term.student, table, bom),
            }))}
          />
          <Button onClick={() => window.print()}>Print</Button>
        </div>
      </header>
      {term.lines.length === 0 ? (
        <Empty title="Nothing is set yet.">What is set and done stands here then.</Empty>
      ) : (
        <>
          <Lines term={term} own={own} />
          <section aria-labelledby="skills" className="border-t border-ink pb-8">
            <h2 id="skills" className="px-5 pt-4 pb-1 text-[16px] font-semibold">
              {own ? 'What your meshes show' : 'What the meshes show'}
            </h2>
            <p className="px-5 pb-2 text-ink2">
              From the attempts that count, one in each exercise. Few attempts say little.
            </p>
            {term.skills.map((skill) => (
              <SkillPanel
                key={skill.skill}
                skill={skill}
                exercises={term.lines.map((l) => l.title)}
                single
              />
            ))}
          </section>
        </>
      )}
    </div>
  );
}

function Lines({ term, own }: { term: View; own: boolean }) {
  return (
    <table className="condensed w-full">
      <thead>
        <tr className="border-b border-ink text-left text-ink2">
          <th className="py-1.5 pl-5 font-normal">Exercise</th>
          <th className="font-normal">Due</th>
          <th className="font-normal">State</th>
          <th className="font-normal">Attempts answered</th>
          <th className="font-normal">Found in the last that is answered</th>
          <th className="pr-5 text-right font-normal">Credits</th>
        </tr>
      </thead>
      <tbody>
        {term.lines.map((line) => (
          <tr key={line.assignment} className="h-8 break-inside-avoid border-b border-rule">
            <th scope="row" className="pl-5 text-left font-medium">
              <Target line={line} own={own} />
            </th>
            <td className="text-ink2">{line.dueAt ? wallDay(line.dueAt, term.zone) : ''}</td>
            <td>
              <span className="flex items-center gap-2">
                <StateSign state={line.state} />
                {STATE_NAMES[line.state]}
                {line.isLate && <span className="text-ink2">, handed in late</span>}
              </span>
            </td>
            <td className="text-ink2">
              {line.attempts
                .map(
                  (a) =>
                    `${a.attempt} ${a.isAccepted ? 'accepted' : 'try again'}${a.credits === null ? '' : ` (${creditText(a.credits)})`}`,
                )
                .join(', ')}
            </td>
            <td>
              <span className="flex items-center gap-x-3">
                <Found kinds={line.must} severity="must" />
                <Found kinds={line.should} severity="should" />
                {line.answer && line.must.length + line.should.length === 0 && (
                  <span className="text-ink2">nothing</span>
                )}
              </span>
            </td>
            <td className="pr-5 text-right">
              {line.credits !== null && (
                <>
                  <b className="font-semibold">{creditText(line.credits)}</b>
                  <span className="text-ink2"> of {creditText(line.most)}</span>
                </>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Marks with their numbers, told apart by how they count. */
function Found(props: { kinds: View['lines'][number]['must']; severity: 'must' | 'should' }) {
  return props.kinds.slice(0, 4).map((k) => (
    <span key={k.kind} className="flex items-center gap-1">
      <FindingMark kind={k.kind} severity={props.severity} title={manyOf(k.kind)} size={12} />
      {k.count}
    </span>
  ));
}

/** A title that leads to the answer, or to the review. */
function Target({ line, own }: { line: View['lines'][number]; own: boolean }) {
  const to = own
    ? line.answer && `/answer/${line.answer}`
    : line.submission && `/review/${line.submission}`;
  return to ? (
    <Link to={to} className="hover:underline">
      {line.title}
    </Link>
  ) : (
    <>{line.title}</>
  );
}
