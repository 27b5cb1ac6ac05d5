import { useEffect, useRef, useState } from 'react';
import { api } from '../../api/client';
import { FindingMark } from '../../trade/FindingMark';
import { minutesSince } from './times';
import type { Tile } from './useRoom';

const PICTURE_MS = 5000;
const LATELY_MIN = 20;

/** Still for so long is worth a word. */
const STILL_MIN = 4;

/** Somebody at a bench: the state as a picture, what they did last, how it goes. */
export function TileCard(props: {
  tile: Tile;
  now: number;
  open: boolean;
  onOpen: (workpiece: string) => void;
}) {
  const { tile, now, open } = props;
  const [host, seen] = useSeen();
  const revision = usePaced(tile.revision, PICTURE_MS);
  const still = minutesSince(tile.stillSince, now);
  return (
    <li ref={host} className="border-r border-b border-rule">
      <button
        type="button"
        aria-pressed={open}
        data-tile={tile.workpiece}
        className={`block w-full px-2.5 pt-2 pb-2.5 text-left outline-offset-[-3px] ${open ? 'bg-shoal2' : 'hover:bg-shoal1'}`}
        onClick={() => props.onOpen(tile.workpiece)}
      >
        <span className="block h-24 w-full overflow-hidden bg-sea">
          {seen && (
            <img
              src={api.benchPicture(tile.workpiece, revision)}
              alt=""
              className="h-full w-full object-contain"
            />
          )}
        </span>
        <span className="mt-1.5 flex items-baseline gap-2">
          <b className="min-w-0 flex-1 truncate font-semibold">{tile.name}</b>
          <span className="condensed flex items-center gap-1 text-[13px] text-ink2">
            {tile.must === null || tile.must === 0 ? (
              tile.must === 0 && 'clean'
            ) : (
              <>
                <FindingMark kind="ngon" severity="must" title="must be mended" size={13} />
                {tile.must} to mend
              </>
            )}
          </span>
        </span>
        <span className="condensed flex items-baseline gap-2 text-[13px] text-ink2">
          <span className="min-w-0 flex-1 truncate">{tile.title}</span>
          {tile.asksSince ? (
            <b className="bg-ink px-1.5 font-semibold text-paper">
              asks for help, {minutesText(minutesSince(tile.asksSince, now))}
            </b>
          ) : still >= STILL_MIN ? (
            <b className="font-semibold text-ink">still for {minutesText(still)}</b>
          ) : (
            <span className="truncate">
              {tile.tool ? `${tile.tool}, step ${tile.steps}` : 'just begun'}
            </span>
          )}
        </span>
        <Strokes tile={tile} now={now} />
      </button>
    </li>
  );
}

function minutesText(minutes: number): string {
  return minutes === 0 ? 'just now' : `${minutes} min`;
}

/** One stroke for each step of the last 20 minutes; below the line the must-mends standing. */
function Strokes({ tile, now }: { tile: Tile; now: number }) {
  const x = (at: string) => 100 * (1 - (now - new Date(at).getTime()) / 60_000 / LATELY_MIN);
  const steps = tile.lately.filter((l) => x(l.at) >= 0);
  return (
    <svg
      viewBox="0 0 100 20"
      preserveAspectRatio="none"
      className="mt-1 block h-5 w-full"
      aria-hidden
    >
      {steps.map((l, i) => {
        const next = steps[i + 1];
        const from = Math.min(100, x(l.at));
        const to = next ? Math.min(100, x(next.at)) : 100;
        return (
          <rect
            key={i}
            x={from}
            y={12.5}
            width={Math.max(0, to - from)}
            height={Math.min(6, 1.5 * l.must)}
            fill="var(--shoal3)"
          />
        );
      })}
      <path d="M0 12h100" stroke="var(--ink2)" strokeWidth={1} vectorEffect="non-scaling-stroke" />
      {steps.map((l, i) => (
        <path
          key={i}
          d={`M${Math.min(99.6, x(l.at))} 3v9`}
          stroke="var(--ink)"
          strokeWidth={1.4}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}

/** Whether an element was scrolled into view: what nobody sees is not drawn. */
function useSeen(): [React.RefObject<HTMLLIElement | null>, boolean] {
  const host = useRef<HTMLLIElement>(null);
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    if (!host.current) return;
    const watch = new IntersectionObserver((all) => setSeen(all.some((e) => e.isIntersecting)));
    watch.observe(host.current);
    return () => watch.disconnect();
  }, []);
  return [host, seen];
}

/** A value that changes no oftener than so. */
function usePaced(value: number, ms: number): number {
  const [shown, setShown] = useState(value);
  const at = useRef(0);
  useEffect(() => {
    if (value === shown) return;
    const wait = Math.max(0, at.current + ms - Date.now());
    const timer = setTimeout(() => {
      at.current = Date.now();
      setShown(value);
    }, wait);
    return () => clearTimeout(timer);
  }, [value, shown, ms]);
  return shown;
}
