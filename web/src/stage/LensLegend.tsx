import type { ReactNode } from 'react';
import { Button } from '../ui/Button';
import { CardLink } from '../trade/CardLink';
import { BendControls } from './BendControls';
import { numberText } from '../ui/time';
import { WithTerms } from '../trade/WithTerms';
import { useStage } from './stageContext';
import { isBent, LENSES, lookOf, type LensPicture } from './lenses';
import type { Lens } from './lenses';
import type { StageView } from './StageView';
import type { Looked } from './useLensPicture';

const APART = 17;
/** So many numbers at once are read; more are a cloud. */
const MOST_SPOTS = 400;

type Spot = LensPicture['spots'][number];

/** What the lens shows, in a sentence, and what each of its tones means. */
export function LensLegend({ lens, looked, unit }: { lens: Lens; looked: Looked; unit: string }) {
  const { picture, along, level } = looked;
  const controls = isBent(lens) && <BendControls bend={looked.bend} />;
  if (looked.problem) {
    return (
      <Panel>
        {controls}
        <p>
          {nameOf(lens)} can&rsquo;t be shown. {looked.problem}
        </p>
        <Button size="small" onClick={looked.retry}>
          Try again
        </Button>
      </Panel>
    );
  }
  if (looked.waits) {
    return (
      <Panel>
        {controls}
        <p>{nameOf(lens)}: looking at the mesh</p>
      </Panel>
    );
  }
  if (!picture && !level) return null;
  const tones = [
    ...(picture?.edges ?? []).map((tone) => ({ tone, line: true })),
    ...(picture?.faces ?? []).map((tone) => ({ tone, line: false })),
  ].filter(({ tone }) => tone.ids.length > 0);
  return (
    <Panel>
      {controls}
      <p className="max-w-[34ch] grow basis-[26ch]">
        <WithTerms>
          {picture?.sentence ?? `${LENSES.find((l) => l.lens === lens)!.about}.`}
        </WithTerms>{' '}
        <CardLink kind={`lens-${lens}`}>How to read it</CardLink>
      </p>
      {level && <Levels level={level} />}
      {tones.length > 0 && (
        <ul className="grid content-start gap-x-4 self-start">
          {tones.map(({ tone, line }) => (
            <li key={tone.name} className="flex items-center gap-2">
              <Swatch tone={tone.name} line={line} lit={lens === 'subdivided'} />
              <span>
                {tone.words}
                {tone.isLength && ` ${unit}`}
              </span>
              <span className="ml-auto pl-2 text-ink2">{numberText(tone.ids.length)}</span>
            </li>
          ))}
        </ul>
      )}
      {lens === 'flow' && (
        <div className="grow basis-[26ch]" aria-live="polite" data-testid="along">
          {along ? (
            <>
              {along.ring && (
                <p>
                  <WithTerms>{along.ring.sentence}</WithTerms>
                </p>
              )}
              {along.loop && (
                <p>
                  <WithTerms>{along.loop.sentence}</WithTerms>
                </p>
              )}
              {!along.ring && !along.loop && <p>No ring and no loop runs here.</p>}
            </>
          ) : (
            <p className="text-ink2">Point at an edge to see its ring and its loop.</p>
          )}
        </div>
      )}
    </Panel>
  );
}

/** How finely the smooth surface is drawn; it lies where it lies at every level. */
function Levels({ level }: { level: NonNullable<Looked['level']> }) {
  return (
    <div className="flex items-center gap-2 self-start" role="group" aria-label="Level">
      Level
      <span className="flex overflow-hidden rounded-ctl border border-ctl bg-sheet">
        {[1, 2, 3, 4].map((l) => (
          <button
            key={l}
            type="button"
            aria-pressed={l === level.shown}
            disabled={l > level.highest}
            title={l > level.highest ? 'More quads than a page can show' : undefined}
            className={`h-[26px] w-7 outline-offset-[-3px] ${l === level.shown ? 'bg-shoal2 font-semibold' : 'text-ink2 hover:bg-shoal1 disabled:opacity-50'}`}
            onClick={() => level.take(l)}
          >
            {l}
          </button>
        ))}
      </span>
    </div>
  );
}

function nameOf(lens: Lens): string {
  return LENSES.find((l) => l.lens === lens)!.name;
}

function Panel({ children }: { children: ReactNode }) {
  return (
    <div
      className="condensed flex min-h-[58px] shrink-0 flex-wrap gap-x-6 gap-y-1 border-t border-ink bg-sheet px-3 py-1.5 text-[13px] leading-[18px]"
      data-testid="lens-legend"
    >
      {children}
    </div>
  );
}

/**
 * @param lit whether the tone lies on the surface as a glaze, lit as the clay is
 */
function Swatch({ tone, line, lit }: { tone: string; line: boolean; lit: boolean }) {
  const look = lookOf(tone);
  return (
    <svg width={22} height={12} aria-hidden className="shrink-0">
      {line ? (
        <path
          d="M1 6H21"
          stroke={look.colour}
          strokeWidth={look.weight}
          strokeDasharray={look.dashed ? '4 3' : undefined}
        />
      ) : (
        <>
          <rect x={1} y={1} width={20} height={10} fill="#eadfbf" stroke="var(--ink)" />
          <rect
            x={1}
            y={1}
            width={20}
            height={10}
            fill={look.colour}
            fillOpacity={look.weight}
            style={lit ? { mixBlendMode: 'multiply' } : undefined}
          />
        </>
      )}
    </svg>
  );
}

/** The numbers of a lens at their places, where the eye sees them; the strong ones first. */
export function LensSpots({ looked, unit }: { looked: Looked; unit: string }) {
  const stage = useStage();
  const spots = looked.picture?.spots ?? [];
  const ends = [...(looked.along?.ring?.ends ?? []), ...(looked.along?.loop?.ends ?? [])];
  return (
    <g data-testid="lens-spots">
      {readable(stage, spots).map(({ spot, x, y }) => (
        <SpotNumber key={keyOf(spot)} spot={spot} x={x} y={y} unit={unit} />
      ))}
      {ends.map((end, i) => {
        const p = stage.project(end.place);
        return p.ahead ? (
          <End
            key={i}
            x={p.x}
            y={p.y}
            hidden={stage.isHidden(end.place)}
            atVertex={end.vertex >= 0}
          />
        ) : null;
      })}
    </g>
  );
}

function readable(stage: StageView, spots: readonly Spot[]) {
  const seen: { spot: Spot; x: number; y: number }[] = [];
  for (const spot of [...spots.filter((s) => s.isStrong), ...spots.filter((s) => !s.isStrong)]) {
    if (seen.length === MOST_SPOTS) break;
    const { x, y, ahead } = stage.project(spot.place);
    if (!ahead || seen.some((s) => Math.hypot(s.x - x, s.y - y) < APART)) continue;
    if (!stage.isHidden(spot.place)) seen.push({ spot, x, y });
  }
  return seen;
}

function keyOf({ place }: Spot): string {
  return `${place.x} ${place.y} ${place.z}`;
}

function SpotNumber({ spot, x, y, unit }: { spot: Spot; x: number; y: number; unit: string }) {
  const text = spot.isLength ? `${spot.text} ${unit}` : spot.text;
  const width = Math.max(17, 7 * text.length + 8);
  return (
    <g transform={`translate(${x} ${y})`} className="pointer-events-auto">
      <title>{spot.words}</title>
      <rect
        x={-width / 2}
        y={-8.5}
        width={width}
        height={17}
        rx={8.5}
        fill={spot.isStrong ? 'var(--mark-flow)' : 'var(--sheet)'}
        stroke={spot.isStrong ? 'var(--sheet)' : 'var(--ink)'}
        strokeWidth={1.4}
      />
      <text
        y={4.4}
        textAnchor="middle"
        fontSize={12}
        fontWeight={600}
        fill={spot.isStrong ? 'var(--sheet)' : 'var(--ink)'}
      >
        {text}
      </text>
    </g>
  );
}

/**
 * Where a ring or a loop stops, fainter behind: a crossed ring; at a vertex a wide ring, which leaves its
 * number to be read.
 */
function End(props: { x: number; y: number; hidden: boolean; atVertex: boolean }) {
  const r = props.atVertex ? 12 : 9;
  return (
    <g
      transform={`translate(${props.x} ${props.y})`}
      opacity={props.hidden ? 0.5 : 1}
      fill="none"
      stroke="var(--mark-flow)"
      strokeWidth={2.4}
    >
      <circle r={r} stroke="var(--sheet)" strokeWidth={5} />
      <circle r={r} />
      {!props.atVertex && <path d="M-5 -5L5 5M-5 5L5 -5" />}
    </g>
  );
}
