import { scaleLinear, scalePoint } from 'd3-scale';
import type { Schemas } from '../api/client';
import { counted } from '../ui/time';

type Skill = Schemas['InsightSkill'];
type Share = Schemas['SkillShare'];

export const SKILL_NAMES: Record<Skill['skill'], { name: string; about: string }> = {
  quads: { name: 'Quads', about: 'of the faces' },
  completeLoops: { name: 'Complete loops', about: 'of the edges lie in one' },
  linesMet: { name: 'Required lines met', about: 'of their length' },
  heldEdges: { name: 'Hard edges held', about: 'have a support strip beside them' },
};

const WAYS: Record<Skill['way'], string> = {
  tooFew: 'too few exercises to tell which way it goes',
  noClearWay: 'no clear way up or down',
  likelyRises: 'likely rises over the term',
  likelyFalls: 'likely falls over the term',
  rises: 'rises over the term',
  falls: 'falls over the term',
};

/** "82 %". */
export function percent(share: number): string {
  return `${Math.round(100 * share)} %`;
}

/** How sure a share is, in words. */
export function sureText(share: Share): string {
  return share.isFew
    ? `only ${counted(share.count, 'attempt')}: not sure`
    : `between ${percent(share.low)} and ${percent(share.high)}, by ${counted(share.count, 'attempt')}`;
}

interface Props {
  skill: Skill;
  exercises: readonly string[];
  /** Of one student: there is one attempt for each exercise, and no range to it. */
  single?: boolean;
}

/** A skill over the term: the picture, and the same figures as a table beside it. */
export function SkillPanel({ skill, exercises, single = false }: Props) {
  const { name, about } = SKILL_NAMES[skill.skill];
  return (
    <section className="break-inside-avoid border-t border-rule px-5 py-3.5" aria-label={name}>
      <h3 className="font-semibold">
        {name} <span className="font-normal text-ink2">{about}</span>
      </h3>
      {skill.all ? (
        <>
          <p>
            {percent(skill.all.mean)} over all
            <span className="text-ink2">
              {' '}
              ({sureText(skill.all)}); {WAYS[skill.way]}
            </span>
          </p>
          <div className="mt-2 flex gap-6 max-lg:flex-col">
            <Picture skill={skill} exercises={exercises} single={single} />
            <Figures skill={skill} exercises={exercises} single={single} />
          </div>
        </>
      ) : (
        <p className="text-ink2">No answered attempt shows it so far.</p>
      )}
    </section>
  );
}

/** So many exercises can be named below a picture; more are numbered, as in the table beside it. */
const NAMED = 8;
/** Of so many the picture grows wider, and scrolls. */
const MOST_IN_SIGHT = 20;
const HIGH = 132;
const [LEFT, RIGHT, TOP, BOTTOM] = [38, 12, 8, 24];

function Picture({ skill, exercises, single }: Required<Props>) {
  const { name } = SKILL_NAMES[skill.skill];
  const WIDE = Math.max(520, Math.ceil((520 * exercises.length) / MOST_IN_SIGHT));
  const x = scalePoint<number>()
    .domain(exercises.map((_, i) => i))
    .range([LEFT, WIDE - RIGHT])
    .padding(0.5);
  const y = scaleLinear()
    .domain([0, 1])
    .range([HIGH - BOTTOM, TOP]);
  const points = skill.points.flatMap((share, i) => (share ? [{ share, i, x: x(i) ?? 0 }] : []));
  const line = points.map((p, k) => `${k ? 'L' : 'M'}${p.x} ${y(p.share.mean)}`).join('');
  return (
    <div
      className="max-w-[520px] shrink-0 overflow-x-auto print:max-w-none"
      tabIndex={exercises.length > MOST_IN_SIGHT ? 0 : undefined}
    >
      <svg
        width={WIDE}
        height={HIGH}
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        role="img"
        aria-label={`${name} by exercise; the table beside it has the figures`}
      >
        {y.ticks(4).map((tick) => (
          <g key={tick}>
            <path d={`M${LEFT} ${y(tick)}H${WIDE - RIGHT}`} stroke="var(--rule)" />
            <text x={LEFT - 6} y={y(tick) + 4} fontSize={11} textAnchor="end" fill="var(--ink2)">
              {percent(tick)}
            </text>
          </g>
        ))}
        <path d={line} fill="none" stroke="var(--ink)" strokeWidth={1.4} />
        {points.map((p) => (
          <g key={p.i}>
            {!single && !p.share.isFew && (
              <path
                d={`M${p.x} ${y(p.share.low)}V${y(p.share.high)}M${p.x - 4} ${y(p.share.low)}h8M${p.x - 4} ${y(p.share.high)}h8`}
                stroke="var(--ctl)"
                strokeWidth={1.4}
                fill="none"
              />
            )}
            <circle
              cx={p.x}
              cy={y(p.share.mean)}
              r={4}
              fill={!single && p.share.isFew ? 'var(--sheet)' : 'var(--ink)'}
              stroke="var(--ink)"
              strokeWidth={1.4}
            >
              <title>{`${exercises[p.i]}: ${percent(p.share.mean)}${single ? '' : `, ${sureText(p.share)}`}`}</title>
            </circle>
          </g>
        ))}
        {exercises.map((title, i) => (
          <text key={i} x={x(i)} y={HIGH - 6} fontSize={11} textAnchor="middle" fill="var(--ink2)">
            {exercises.length > NAMED ? i + 1 : short(title, (WIDE - LEFT) / exercises.length)}
          </text>
        ))}
      </svg>
    </div>
  );
}

/** As much of a name as has room, told by the width of letters on the whole. */
export function short(title: string, room: number): string {
  const letters = Math.floor(room / 5.8);
  return title.length <= letters ? title : `${title.slice(0, Math.max(2, letters - 1)).trim()}…`;
}

function Figures({ skill, exercises, single }: Required<Props>) {
  return (
    <div
      className="condensed max-h-48 min-w-0 flex-1 overflow-y-auto print:max-h-none"
      tabIndex={0}
      role="region"
      aria-label={`${SKILL_NAMES[skill.skill].name}, as a table`}
    >
      <table className="w-full text-[13px] leading-[18px]">
        <thead>
          <tr className="border-b border-rule text-left text-ink2">
            <th className="font-normal">Exercise</th>
            <th className="text-right font-normal">Share</th>
            {!single && <th className="pl-4 font-normal">19 of 20 times within</th>}
            {!single && <th className="text-right font-normal">Attempts</th>}
          </tr>
        </thead>
        <tbody>
          {exercises.map((title, i) => {
            const share = skill.points[i];
            return (
              <tr key={i} className="border-b border-rule">
                <th scope="row" className="max-w-52 truncate text-left font-normal">
                  {exercises.length > NAMED && <span className="text-ink2">{i + 1} </span>}
                  {title}
                </th>
                <td className="text-right">{share ? percent(share.mean) : '–'}</td>
                {!single && (
                  <td className="pl-4 text-ink2">
                    {share &&
                      (share.isFew ? 'few' : `${percent(share.low)} to ${percent(share.high)}`)}
                  </td>
                )}
                {!single && <td className="text-right text-ink2">{share?.count ?? 0}</td>}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
