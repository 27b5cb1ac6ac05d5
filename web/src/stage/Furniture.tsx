import { roundLength } from './ModelGeometry';
import { useStage } from './stageContext';

/** A scale bar in two halves, in the exercise's unit, true at the depth of the model's middle. */
export function ScaleBar({ unit }: { unit: string }) {
  const stage = useStage();
  const half = roundLength(90 / stage.pixelsPerUnit);
  const width = 2 * half * stage.pixelsPerUnit;
  return (
    <svg
      className="pointer-events-none absolute bottom-[10px] left-[14px] overflow-visible"
      width={width + 60}
      height={26}
      aria-label={`Scale bar: ${2 * half} ${unit}`}
    >
      <g fontSize={11} fill="var(--ink)">
        <text x={0} y={11}>
          0
        </text>
        <text x={width / 2} y={11} textAnchor="middle">
          {tidy(half)}
        </text>
        <text x={width} y={11} textAnchor="middle">
          {tidy(2 * half)} {unit}
        </text>
      </g>
      <rect x={0.5} y={17} width={width} height={4} fill="var(--paper)" stroke="var(--ink)" />
      <rect x={0.5} y={17} width={width / 2} height={4} fill="var(--ink)" />
    </svg>
  );
}

function tidy(length: number): string {
  return String(Number(length.toPrecision(3)));
}

const SIDES = [
  { letter: 'F', name: 'front', azimuth: 0 },
  { letter: 'R', name: 'right', azimuth: 90 },
  { letter: 'B', name: 'back', azimuth: 180 },
  { letter: 'L', name: 'left', azimuth: 270 },
] as const;

/** The compass rose: shows how the view is turned; its letters turn it. */
export function Rose() {
  const stage = useStage();
  const place = (azimuth: number, r: number) => {
    const a = ((90 - azimuth + stage.azimuth) * Math.PI) / 180;
    return { x: 38 + r * Math.cos(a), y: 38 + r * Math.sin(a) };
  };
  return (
    <div
      className="beside-slip absolute right-[14px] bottom-[14px] h-[76px] w-[76px] rounded-full"
      style={{ background: 'color-mix(in srgb, var(--paper) 72%, transparent)' }}
    >
      <svg width={76} height={76} className="pointer-events-none absolute inset-0" aria-hidden>
        <circle cx={38} cy={38} r={20} fill="none" stroke="var(--shoal3)" />
        {SIDES.map(({ letter, azimuth }) => {
          const tip = place(azimuth, 20);
          const left = place(azimuth + 45, 5);
          const right = place(azimuth - 45, 5);
          return (
            <path
              key={letter}
              d={`M${tip.x} ${tip.y}L${left.x} ${left.y}L38 38L${right.x} ${right.y}Z`}
              fill={letter === 'F' ? 'var(--ink)' : 'var(--sheet)'}
              stroke="var(--ink)"
              strokeWidth={1}
            />
          );
        })}
        <circle cx={38} cy={38} r={4.5} fill="var(--sheet)" stroke="var(--ink)" />
        <circle cx={38} cy={38} r={1.5} fill="var(--ink)" />
      </svg>
      {SIDES.map(({ letter, name, azimuth }) => {
        const p = place(azimuth, 30);
        return (
          <button
            key={letter}
            type="button"
            title={`See the ${name}`}
            aria-label={`See the ${name}`}
            className="absolute h-[18px] w-[18px] -translate-x-1/2 -translate-y-1/2 text-[10px] leading-[18px] font-semibold"
            style={{ left: p.x, top: p.y }}
            onClick={() => stage.fit(azimuth, 20)}
          >
            {letter}
          </button>
        );
      })}
      <button
        type="button"
        title="See it from above"
        aria-label="See it from above"
        className="absolute top-[30px] left-[30px] h-4 w-4 rounded-full"
        onClick={() => stage.fit(0, 89.5)}
      />
    </div>
  );
}
