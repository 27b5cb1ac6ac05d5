import {
  useEffect,
  useEffectEvent,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import type { MeshBuffers } from '../mesh/MeshBuffers';
import { Rose, ScaleBar } from './Furniture';
import type { Insets } from './Eye';
import type { Lens } from './lenses';
import { StageContext, useStage } from './stageContext';
import { StageView } from './StageView';

const CLICK_SLOP = 4;

interface Props {
  mesh: MeshBuffers;
  /** Counts the patches of the mesh. */
  version: number;
  lens: Lens;
  unit: string;
  insets: Insets;
  label: string;
  onReady?: (stage: StageView) => void;
  onHover?: (at: { x: number; y: number } | null) => void;
  onClick?: (at: { x: number; y: number }) => void;
  /** A drag with the left button draws this instead of turning the model. */
  draws?: 'box' | 'lasso' | 'stroke' | undefined;
  /** What was drawn: a closed line on the screen, or the stroke. */
  onDrawn?: (path: readonly { x: number; y: number }[]) => void;
  /** Whether the arrow keys aim and the space bar clicks, while the stage has the focus. */
  keyboardAims?: boolean;
  /** Drawn on the model, in an SVG of the stage's pixels. */
  drawing?: ReactNode;
  children?: ReactNode;
}

/** A mesh view: turn by dragging, pan with the right button or two fingers, zoom with the wheel. */
export function Stage(props: Props) {
  const host = useRef<HTMLDivElement>(null);
  const [stage, setStage] = useState<StageView | null>(null);
  const down = useRef<{ x: number; y: number } | null>(null);
  const { mesh, version, lens } = props;
  const [left, top, right, bottom] = props.insets;
  const { draws } = props;
  const [path, setPath] = useState<readonly { x: number; y: number }[]>([]);
  const [aim, setAim] = useState<Xy | null>(null);

  useEffect(() => {
    const view = new StageView(host.current!);
    setStage(view);
    const theme = new MutationObserver(() => view.readTheme());
    theme.observe(document.documentElement, { attributeFilter: ['data-theme'] });
    return () => {
      theme.disconnect();
      view.dispose();
    };
  }, []);

  useEffect(() => {
    stage?.keepFree([left, top, right, bottom]);
  }, [stage, left, top, right, bottom]);

  useEffect(() => {
    stage?.setMesh(mesh, lens);
  }, [stage, mesh, version, lens]);

  // Once for each stage, whatever is to be done by then.
  const ready = useEffectEvent((view: StageView) => props.onReady?.(view));
  useEffect(() => {
    if (stage) ready(stage);
  }, [stage]);

  useEffect(() => {
    stage?.setTurning(!draws);
  }, [stage, draws]);

  const onKey = (e: KeyboardEvent) => {
    if (!props.keyboardAims || !stage || e.ctrlKey || e.altKey || e.metaKey) return;
    const way = ARROWS[e.key];
    if (way) {
      const far = e.shiftKey ? FAR_STEP : AIM_STEP;
      const from = aim ?? { x: (left + stage.width - right) / 2, y: stage.height / 2 };
      const at = {
        x: Math.min(stage.width - 1, Math.max(0, from.x + way[0] * far)),
        y: Math.min(stage.height - 1, Math.max(0, from.y + way[1] * far)),
      };
      setAim(at);
      props.onHover?.(at);
    } else if (e.key === ' ' && aim) {
      props.onClick?.(aim);
    } else return;
    e.preventDefault();
    e.stopPropagation();
  };

  const place = (e: PointerEvent) => {
    const box = host.current!.getBoundingClientRect();
    return { x: e.clientX - box.left, y: e.clientY - box.top };
  };

  return (
    <div className="relative h-full w-full overflow-hidden bg-sea" data-testid="stage">
      <div
        ref={host}
        role="application"
        aria-label={props.label}
        tabIndex={0}
        className="absolute inset-0 touch-none outline-none data-[keyboard]:outline-2 data-[keyboard]:outline-offset-[-3px] data-[keyboard]:outline-channel"
        onFocus={(e) => {
          // Only where the keyboard brought the focus here, not a key pressed after a click.
          if (e.currentTarget.matches(':focus-visible')) e.currentTarget.dataset.keyboard = '';
        }}
        onBlur={(e) => {
          delete e.currentTarget.dataset.keyboard;
          setAim(null);
        }}
        onKeyDown={onKey}
        onContextMenu={(e) => e.preventDefault()}
        onPointerDown={(e) => {
          down.current = e.button === 0 ? place(e) : null;
        }}
        onPointerMove={(e) => {
          setAim(null);
          if (e.buttons === 0) props.onHover?.(place(e));
          if (draws && down.current && e.buttons === 1) {
            const at = place(e);
            setPath((before) => longer(before.length ? before : [down.current!], at, draws));
          }
        }}
        onPointerLeave={() => props.onHover?.(null)}
        onPointerUp={(e) => {
          const at = place(e);
          const start = down.current;
          down.current = null;
          if (path.length > 1) {
            setPath([]);
            props.onDrawn?.(draws === 'box' ? corners(path) : path);
            return;
          }
          if (start && Math.hypot(at.x - start.x, at.y - start.y) <= CLICK_SLOP) {
            props.onClick?.(at);
          }
        }}
      />
      {stage && (
        <StageContext value={stage}>
          <Scene drawing={props.drawing} unit={props.unit} />
          {path.length > 1 && draws && (
            <DrawnPath path={draws === 'box' ? corners(path) : path} closed={draws !== 'stroke'} />
          )}
          {aim && <AimedAt at={aim} />}
          {props.children}
        </StageContext>
      )}
    </div>
  );
}

/** Nothing is drawn before there is a mesh to draw it on. */
function Scene({ drawing, unit }: { drawing: ReactNode; unit: string }) {
  const stage = useStage();
  if (!stage.buffers) return null;
  return (
    <>
      <Drawing>{drawing}</Drawing>
      <ScaleBar unit={unit} />
      <Rose />
    </>
  );
}

function Drawing({ children }: { children: ReactNode }) {
  const stage = useStage();
  return (
    <svg
      className="on-model pointer-events-none absolute inset-0 h-full w-full select-none"
      width={stage.width}
      height={stage.height}
    >
      {children}
    </svg>
  );
}

type Xy = { x: number; y: number };

const STROKE_STEP = 5;

/** How far an arrow key aims on, in pixels; with Shift the second. */
const AIM_STEP = 6;
const FAR_STEP = 48;

const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Where the keyboard aims. */
function AimedAt({ at }: { at: Xy }) {
  const cross = `M${at.x - 14} ${at.y}h9M${at.x + 5} ${at.y}h9M${at.x} ${at.y - 14}v9M${at.x} ${at.y + 5}v9`;
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full"
      aria-hidden
      data-testid="keyboard-aim"
      data-at={`${at.x} ${at.y}`}
    >
      <path d={cross} stroke="var(--sheet)" strokeWidth={4.4} />
      <path d={cross} stroke="var(--ink)" strokeWidth={1.6} />
    </svg>
  );
}

/** A path with one more place, if that is far enough; a box has its two corners only. */
function longer(path: readonly Xy[], at: Xy, draws: 'box' | 'lasso' | 'stroke'): readonly Xy[] {
  const last = path.at(-1)!;
  if (draws === 'box') return [path[0]!, at];
  return Math.hypot(at.x - last.x, at.y - last.y) < STROKE_STEP ? path : [...path, at];
}

function corners(path: readonly Xy[]): readonly Xy[] {
  const a = path[0]!;
  const b = path.at(-1)!;
  return [a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }];
}

function DrawnPath({ path, closed }: { path: readonly Xy[]; closed: boolean }) {
  const d = `M${path.map((p) => `${p.x} ${p.y}`).join('L')}${closed ? 'Z' : ''}`;
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
      <path d={d} fill="none" stroke="var(--sheet)" strokeWidth={4.4} />
      <path d={d} fill="none" stroke="var(--ink)" strokeWidth={1.6} strokeDasharray="3 4" />
    </svg>
  );
}
