import { useRef } from 'react';
import { api, ApiProblem, type Change, type Schemas } from '../../../api/client';
import type { Point } from '../../../mesh/MeshBuffers';
import { CutLine } from '../../../stage/CutLine';
import { ShapeLine } from '../../../stage/Handle';
import { Button } from '../../../ui/Button';
import { NumberField } from '../../../ui/NumberField';
import { TwoWay } from '../../../ui/TwoWay';
import { Choice, FieldRow } from '../../../ui/fields';
import { counted } from '../../../ui/time';
import type { Cell } from './cells';
import type { Ground, Hand, Hint, Xy } from './hand';
import { viewOf } from './hand';
import { dot, linesOf, minus, ORIGIN, plus } from './measure';
import { ThenChoice, type Then } from './Then';
import { ShapeGrips, turned, type Placed } from './ShapeGrips';

type Form = 'circle' | 'polygon' | 'rectangle' | 'star' | 'drawn' | 'edges' | 'file';
type Shape = Schemas['OutlineShape'];
type Line = Schemas['Path'];

const FORMS: readonly (readonly [Form, string])[] = [
  ['circle', 'Circle'],
  ['polygon', 'Polygon'],
  ['rectangle', 'Rectangle'],
  ['star', 'Star'],
  ['drawn', 'Drawn'],
  ['edges', 'Chosen edges'],
  ['file', 'From a file'],
];

const LARGEST_FILE = 1_000_000;

/** Outline: a shape that is projected along the view onto the surface. */
export function outlineHand(ground: Ground, cell: Cell): Hand {
  const { stage, scope, unit, chosen } = ground;
  const [form, setForm] = cell<Form>('form', 'circle');
  const [sides, setSides] = cell('sides', 16);
  const [inner, setInner] = cell('inner', 0.5);
  const [size, setSize] = cell('size', 0);
  const [stretch, setStretch] = cell('stretch', 1);
  const [turn, setTurn] = cell('turn', 0);
  const [through, setThrough] = cell('through', false);
  const [placed, setPlaced] = cell<Placed | null>('placed', null);
  const [drawn, setDrawn] = cell<readonly Point[]>('drawn', []);
  const [lines, setLines] = cell<{ name: string; paths: Line[] } | null>('lines', null);
  const [problem, setProblem] = cell<string | null>('problem', null);
  const [pointer, setPointer] = cell<Xy | null>('pointer', null);
  const [edges, setEdges] = cell<ReturnType<typeof edgesSeen>>('edges', null);
  const [asked] = cell('asked', () => ({ times: 0 }));

  const radius = size || (stage ? stage.modelRadius / 4 : 1);
  const shape = shapeOf(form, sides, inner, lines);
  const placement = placed && placementOf(placed, radius, stretch, turn);
  const own = OWN_PLACE.includes(form);
  const taken = form === 'edges' ? edges : null;
  const ownChange =
    form === 'drawn' && drawn.length >= 3 && placed
      ? seenShape([{ points: drawn, closed: true }], placed)
      : taken;
  const ready = own ? ownChange : shape && placement && { shape, placement };
  const change: Change | null = ready
    ? { tool: 'outline', ...ready, reach: through ? 'through' : 'front', scope }
    : null;

  const click = (at: Xy): boolean => {
    const view = viewOf(stage);
    if (!stage || !view) return false;
    const centre = stage.hit(at.x, at.y)?.at ?? stage.onSight(at.x, at.y);
    const axes = stage.screenAxes;
    if (form === 'drawn') {
      if (!placed || drawn.length === 0) setPlaced({ centre, view, ...axes });
      setDrawn([...drawn, stage.onSight(at.x, at.y)]);
      return true;
    }
    if (form === 'edges' || (form === 'file' && !lines)) return false;
    setPlaced({ centre, view, ...axes });
    return true;
  };

  const drop = () => {
    setPlaced(null);
    setDrawn([]);
    setEdges(null);
  };

  const read = async (file: File) => {
    const turnOf = ++asked.times;
    setProblem(null);
    if (file.size > LARGEST_FILE) {
      setProblem('The file is larger than 1 MB.');
      return;
    }
    try {
      const read = await api.readShape(await file.text());
      if (turnOf === asked.times) setLines({ name: file.name, paths: read.paths });
    } catch (e) {
      setLines(null);
      setProblem(e instanceof ApiProblem ? e.message : String(e));
    }
  };

  const [then, setThen] = cell<Then>('then', 'none');
  const pending = placed !== null || drawn.length > 0 || taken !== null;
  return {
    pending,
    change,
    missing:
      form === 'drawn' && pending && drawn.length < 3
        ? 'Go on clicking: a shape has three corners at least.'
        : form === 'file' && !lines
          ? problem
          : null,
    hover: null,
    point: setPointer,
    click,
    back: () => {
      if (form === 'drawn' && drawn.length > 0) setDrawn(drawn.slice(0, -1));
      else if (taken) setEdges(null);
      else if (placed) setPlaced(null);
      return pending;
    },
    drop,
    made: drop,
    then: then === 'none' ? null : then,
    hint: () => hintFor(form, placed !== null, lines !== null),
    keys: [
      { key: 'R', does: through ? 'right through' : 'front only', act: () => setThrough(!through) },
    ],
    drawing: (preview) => (
      <>
        {form === 'drawn' && drawn.length > 0 && <ShapeLine points={drawn} pointer={pointer} />}
        {preview && !preview.refusal && change && (
          <CutLine pieces={preview.pieces} letters={false} />
        )}
        {placed && !own && (
          <ShapeGrips
            placed={placed}
            radius={radius}
            turn={turn}
            onCentre={(centre) => setPlaced({ ...placed, centre })}
            onRadius={(v) => v > 0 && setSize(v)}
            onTurn={setTurn}
          />
        )}
      </>
    ),
    slip: () => (
      <>
        <Choice
          label="Shape"
          value={form}
          options={FORMS}
          onChange={(next) => {
            setForm(next);
            if (OWN_PLACE.includes(next) || own) drop();
          }}
        />
        <ThenChoice then={then} what="the faces inside" onThen={setThen} />
        {form === 'file' && (
          <ShapeFile name={lines?.name ?? null} problem={problem} onFile={read} />
        )}
        {form === 'edges' && (
          <div className="space-y-1">
            <Button
              size="small"
              disabled={chosen.edges.length === 0}
              onClick={() => setEdges(edgesSeen(ground))}
            >
              Take them as seen now
            </Button>
            <p className="condensed text-[13px] text-ink2">
              {chosen.edges.length === 0
                ? 'Choose the edges of another part first (O), then look at both from where the one shall be thrown onto the other.'
                : `${counted(chosen.edges.length, 'edge')} chosen, to be thrown along your view.`}
            </p>
          </div>
        )}
        {(form === 'circle' || form === 'polygon' || form === 'star') && (
          <FieldRow name={form === 'star' ? 'Tips' : 'Sides'}>
            <NumberField
              label={form === 'star' ? 'Tips' : 'Sides'}
              value={sides}
              unit="x"
              digits={0}
              onCommit={(v) => setSides(Math.round(Math.min(500, Math.max(3, v))))}
            />
          </FieldRow>
        )}
        {form === 'star' && (
          <FieldRow name="Between the tips">
            <NumberField
              label="Between the tips"
              value={inner * 100}
              unit="%"
              onCommit={(v) => setInner(Math.min(1, Math.max(0.02, v / 100)))}
            />
          </FieldRow>
        )}
        {!own && (
          <>
            <FieldRow name="Radius">
              <NumberField
                label="Radius"
                value={radius}
                unit={unit}
                onCommit={(v) => v > 0 && setSize(v)}
              />
            </FieldRow>
            <FieldRow name="Turned">
              <NumberField label="Turned" value={turn} unit="°" onCommit={setTurn} />
            </FieldRow>
            <FieldRow name="Width to height">
              <NumberField
                label="Width to height"
                value={stretch}
                unit=": 1"
                digits={2}
                onCommit={(v) => v > 0 && setStretch(v)}
              />
            </FieldRow>
          </>
        )}
        <TwoWay
          label="How deep"
          value={through ? 'through' : 'front'}
          options={[
            { value: 'front', name: 'Front only' },
            { value: 'through', name: 'Right through' },
          ]}
          onChange={(v) => setThrough(v === 'through')}
        />
        {placed && !own && (
          <p className="condensed text-[13px] text-ink2">
            A click elsewhere moves it there; what is inside comes back chosen.
          </p>
        )}
      </>
    ),
  };
}

function shapeOf(
  form: Form,
  sides: number,
  inner: number,
  lines: { paths: Line[] } | null,
): Shape | null {
  switch (form) {
    case 'circle':
    case 'polygon':
      return { form: 'regular', sides };
    case 'rectangle':
      return { form: 'rectangle' };
    case 'star':
      return { form: 'star', tips: sides, inner };
    case 'file':
      return lines && { form: 'lines', paths: lines.paths };
    case 'drawn':
    case 'edges':
      return null;
  }
}

function placementOf(placed: Placed, radius: number, stretch: number, turn: number) {
  const a = (turn * Math.PI) / 180;
  const { right, up } = turned(placed, a);
  return {
    centre: placed.centre,
    right: plus(ORIGIN, right, radius * stretch),
    up: plus(ORIGIN, up, radius),
    view: placed.view,
  };
}

/** Forms that lie where they were drawn. */
const OWN_PLACE: readonly Form[] = ['drawn', 'edges'];

/** Lines through places on sight-lines as a shape of their own plane. */
function seenShape(
  lines: readonly { points: readonly Point[]; closed: boolean }[],
  placed: Placed,
) {
  const centre = lines[0]!.points[0]!;
  const at = (p: Point) => {
    const d = minus(p, centre);
    return { x: dot(d, placed.right), y: dot(d, placed.up) };
  };
  const paths = lines.map(({ points, closed }) => ({ points: points.map(at), closed }));
  const shape: Shape = { form: 'lines', paths };
  return { shape, placement: { centre, right: placed.right, up: placed.up, view: placed.view } };
}

/** The chosen edges as they are seen now, a shape to be projected. */
function edgesSeen({ stage, mesh, chosen }: Ground) {
  const view = viewOf(stage);
  if (!stage || !view) return null;
  const lines = linesOf(mesh, chosen.edges).map(({ points, closed }) => ({
    closed,
    points: points.map((p) => {
      const pixel = stage.project(p);
      return stage.onSight(pixel.x, pixel.y);
    }),
  }));
  return lines.length ? seenShape(lines, { centre: ORIGIN, view, ...stage.screenAxes }) : null;
}

function hintFor(form: Form, placed: boolean, hasFile: boolean): Hint {
  if (form === 'drawn') return { lead: 'Next click', rest: 'sets the next corner of the shape.' };
  if (form === 'edges') return { lead: 'Outline', rest: 'throws the chosen edges onto the model.' };
  if (form === 'file' && !hasFile)
    return { lead: 'First', rest: 'choose an SVG file in the slip.' };
  return placed
    ? { lead: 'Next click', rest: 'moves the shape there, seen as you see the model now.' }
    : { lead: 'Next click', rest: 'places the shape, its middle under the pointer.' };
}

function ShapeFile(props: {
  name: string | null;
  problem: string | null;
  onFile: (file: File) => Promise<void>;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <div className="space-y-1">
      <input
        ref={input}
        type="file"
        accept=".svg,image/svg+xml"
        className="hidden"
        aria-label="SVG file with the shape"
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) void props.onFile(file);
          e.target.value = '';
        }}
      />
      <Button size="small" onClick={() => input.current?.click()}>
        {props.name ? 'Another SVG file' : 'Choose an SVG file'}
      </Button>
      {props.name && <p className="condensed text-[13px] text-ink2">{props.name}</p>}
      {props.problem && <p className="text-[13px] font-semibold">{props.problem}</p>}
    </div>
  );
}
