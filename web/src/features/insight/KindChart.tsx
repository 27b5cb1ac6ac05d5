import { scaleLinear, scalePoint, scaleSqrt } from 'd3-scale';
import type { Schemas } from '../../api/client';
import { CardLink } from '../../trade/CardLink';
import { FindingMark, MarkShape } from '../../trade/FindingMark';
import { manyOf } from '../../trade/kinds';
import { short } from '../../trade/SkillChart';

type Insight = Schemas['InsightView'];

const ROW = 24;
const HEAD = 24;
const MOST_ROWS = 14;

/** Kinds of finding by exercise: discs as large as many students have it, and the same as a table. */
export function KindChart({ insight }: { insight: Insight }) {
  const kinds = insight.kinds.slice(0, MOST_ROWS);
  if (kinds.length === 0) {
    return <p className="px-5 pb-4 text-ink2">Nothing was found in any last attempt.</p>;
  }
  return (
    <div
      className={`flex gap-6 px-5 pb-4 ${insight.exercises.length > BESIDE ? 'flex-col' : 'max-lg:flex-col'}`}
    >
      <Picture insight={insight} kinds={kinds} />
      <Figures insight={insight} kinds={kinds} />
    </div>
  );
}

interface Props {
  insight: Insight;
  kinds: Insight['kinds'];
}

/** Of more exercises the table stands below the picture. */
const BESIDE = 12;
/** Room for what the rows are about. */
const NAMES = 190;

function Picture({ insight, kinds }: Props) {
  const { exercises } = insight;
  const WIDE = Math.max(560, NAMES + 24 * exercises.length);
  const x = scalePoint<number>()
    .domain(exercises.map((_, i) => i))
    .range([NAMES, WIDE])
    .padding(0.5);
  const y = scaleLinear()
    .domain([0, kinds.length - 1 || 1])
    .range([HEAD + ROW / 2, HEAD + ROW / 2 + ROW * (kinds.length - 1 || 1)]);
  const most = Math.max(1, ...kinds.flatMap((k) => k.counts));
  const step = (WIDE - NAMES) / Math.max(1, exercises.length);
  const r = scaleSqrt()
    .domain([0, most])
    .range([0, Math.min(ROW, step) / 2 - 1]);
  const high = HEAD + ROW * kinds.length + 4;
  return (
    <svg
      width={WIDE}
      height={high}
      viewBox={`0 0 ${WIDE} ${high}`}
      className="max-w-full shrink-0"
      role="img"
      aria-label="Kinds of finding by exercise; the table beside it has the figures"
    >
      {exercises.map((exercise, i) => (
        <text key={i} x={x(i)} y={14} fontSize={11} textAnchor="middle" fill="var(--ink2)">
          {exercises.length > 8 ? i + 1 : short(exercise.title, step)}
        </text>
      ))}
      {kinds.map((kind, k) => (
        <g key={kind.kind}>
          <svg x={0} y={y(k) - 6} width={12} height={12} viewBox="0 0 16 16">
            <MarkShape kind={kind.kind} severity="must" />
          </svg>
          <text x={20} y={y(k) + 4.5} fontSize={13} fill="var(--ink)">
            {short(manyOf(kind.kind), NAMES - 24)}
          </text>
          <path d={`M${NAMES} ${y(k)}H${WIDE}`} stroke="var(--rule)" />
          {kind.counts.map(
            (count, i) =>
              count > 0 && (
                <circle
                  key={i}
                  cx={x(i)}
                  cy={y(k)}
                  r={r(count)}
                  fill="var(--shoal3)"
                  stroke="var(--ink)"
                  strokeWidth={1.2}
                >
                  <title>{`${manyOf(kind.kind)}, ${exercises[i]!.title}: ${count} of ${exercises[i]!.handedIn}`}</title>
                </circle>
              ),
          )}
        </g>
      ))}
    </svg>
  );
}

function Figures({ insight, kinds }: Props) {
  return (
    <div
      className="condensed min-w-0 flex-1 overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label="Kinds of finding by exercise, as a table"
    >
      <table className="w-full min-w-max text-[13px]">
        <thead>
          <tr className="h-6 text-ink2">
            <th className="sticky left-0 bg-paper text-left font-normal whitespace-nowrap">
              Students with it, by exercise
            </th>
            {insight.exercises.map((e, i) => (
              <th key={e.assignment} className="w-9 px-1 text-right font-normal" title={e.title}>
                <abbr title={e.title} className="no-underline">
                  {i + 1}
                </abbr>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {kinds.map((kind) => (
            <tr key={kind.kind} className="h-6 border-b border-rule">
              <th
                scope="row"
                className="sticky left-0 bg-paper text-left font-normal whitespace-nowrap"
              >
                <span className="flex items-center gap-2">
                  <FindingMark
                    kind={kind.kind}
                    severity="must"
                    title={manyOf(kind.kind)}
                    size={12}
                  />
                  <CardLink kind={kind.kind} look="word">
                    {manyOf(kind.kind)}
                  </CardLink>
                </span>
              </th>
              {kind.counts.map((count, i) => (
                <td key={i} className="px-1 text-right">
                  {count || <span className="text-ink2">–</span>}
                </td>
              ))}
            </tr>
          ))}
          <tr className="h-6 text-ink2">
            <th scope="row" className="text-left font-normal">
              handed in
            </th>
            {insight.exercises.map((e) => (
              <td key={e.assignment} className="px-1 text-right">
                {e.handedIn}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  );
}
