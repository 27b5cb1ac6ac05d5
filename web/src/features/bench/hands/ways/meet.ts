import type { Change } from '../../../../api/client';
import { verticesOf } from '../../useChosen';
import { likelyLength } from './likely';
import { atLeast, type Context, type Field, type Values, type Way } from './way';

type Meet = Extract<Change, { tool: 'meet' }>;
type MeetWay = Meet['way'];

const placed = (v: Values) => v.place === 1;
const PLACE: readonly Field[] = [
  { key: 'place', name: 'The part that cuts', options: ['Where it is', 'Moved first'] },
  { key: 'x', name: 'Along X', letter: 'X', unit: 'unit', counts: placed },
  { key: 'y', name: 'Along Y', letter: 'Y', unit: 'unit', counts: placed },
  { key: 'z', name: 'Along Z', letter: 'Z', unit: 'unit', counts: placed },
  { key: 'degrees', name: 'Turned by', unit: '°', counts: placed },
  { key: 'axis', name: 'About', options: ['X', 'Y', 'Z'], isListed: true, counts: placed },
  { key: 'size', name: 'Size', unit: '%', counts: placed },
  {
    key: 'grips',
    name: 'Its grips',
    options: ['Move it', 'Turn it', 'Scale it'],
    counts: placed,
  },
  { key: 'grid', name: 'In steps of', unit: 'unit', counts: (v) => placed(v) && v.grips === 0 },
  { key: 'turned', name: 'In steps of', unit: '°', counts: (v) => placed(v) && v.grips === 1 },
  { key: 'sized', name: 'In steps of', unit: '%', counts: (v) => placed(v) && v.grips === 2 },
];
const PLAY: Field = { key: 'play', name: 'Play on all sides', unit: 'unit', digits: 2 };
/** As it lies; so the next part that is clicked isn't moved by what the last one was. */
const UNMOVED: Values = { place: 0, x: 0, y: 0, z: 0, degrees: 0, size: 1 };
const MATERIAL: readonly Field[] = [
  {
    key: 'material',
    name: 'Material',
    options: ['Its own', 'Of the rest', 'Another'],
    isListed: true,
  },
  { key: 'named', name: 'Its name', isText: true, counts: (v) => v.material === 2 },
];
const CLEAN: readonly Field[] = [
  { key: 'clean', name: 'The line', options: ['Left as cut', 'Cleaned'] },
  {
    key: 'snap',
    name: 'Within',
    unit: 'unit',
    digits: 2,
    counts: (v) => v.clean === 1,
  },
  { key: 'collared', name: 'Round the line', options: ['No collar', 'A collar'] },
  {
    key: 'collar',
    name: 'As wide as',
    unit: 'unit',
    digits: 2,
    counts: (v) => v.collared === 1,
  },
];
const AXES = [
  { x: 1, y: 0, z: 0 },
  { x: 0, y: 1, z: 0 },
  { x: 0, y: 0, z: 1 },
] as const;

function motion(v: Values): Meet['placed'] {
  if (!placed(v)) return null;
  const size = v.size ?? 1;
  return {
    by: { x: v.x ?? 0, y: v.y ?? 0, z: v.z ?? 0 },
    along: 0,
    axis: AXES[v.axis ?? 2] ?? AXES[2],
    degrees: v.degrees ?? 0,
    scale: { x: size, y: size, z: size },
    pivot: null,
  };
}

function material(v: Values, words: Context['words']): Meet['material'] {
  const whose = (['second', 'first', 'named'] as const)[v.material ?? 0] ?? 'second';
  return whose === 'second' ? null : { whose, name: words.named ?? '' };
}

function meet(id: string, name: string, does: string, way: MeetWay, fields: readonly Field[]): Way {
  const isLines = way === 'lines' || way === 'linesOnFirst';
  return {
    id,
    name,
    does: `${does}: click a face of the part that cuts.`,
    picks: ['faces'],
    fields: [...PLACE, ...fields, ...(isLines ? [] : CLEAN)],
    initial: (radius) => ({
      ...UNMOVED,
      axis: 2,
      grips: 0,
      grid: 0,
      turned: 15,
      sized: 0,
      material: 0,
      play: likelyLength(radius / 100),
      clean: 0,
      snap: likelyLength(radius / 100),
      collared: 0,
      collar: likelyLength(radius / 40),
    }),
    missing: atLeast('faces', 1, 'Click a face of the part that cuts, or bring one in.'),
    vertices: verticesOf,
    unmoved: UNMOVED,
    turns: isLines
      ? undefined
      : { letter: 'W', field: 'clean', to: ['shows the line cleaned', 'shows it as cut'] },
    change: (c, v, { words }) => ({
      tool: 'meet',
      first: [],
      second: [...c.faces],
      placed: motion(v),
      way,
      play: way === 'fit' ? (v.play ?? 0) : 0,
      material: way === 'subtract' || way === 'fit' ? material(v, words) : null,
      clean: v.clean === 1 ? (v.snap ?? 0) : null,
      collar: v.collared === 1 ? (v.collar ?? 0) : null,
    }),
  };
}

export const MEET: readonly Way[] = [
  meet('meet-subtract', 'Take away', 'takes one part away from the others', 'subtract', MATERIAL),
  meet('meet-join', 'Join', 'makes one part with the others', 'join', []),
  meet('meet-fit', 'Fit', 'takes one part away from the others, with play, and keeps it', 'fit', [
    PLAY,
    ...MATERIAL,
  ]),
  meet('meet-common', 'In common', 'leaves what lies in both', 'common', []),
  meet('meet-lines', 'Lines only', 'cuts all along the line in which they meet', 'lines', []),
  meet(
    'meet-lines-first',
    'Lines on the others',
    'cuts the others along the line',
    'linesOnFirst',
    [],
  ),
];
