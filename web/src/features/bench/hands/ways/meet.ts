import type { Change } from '../../../../api/client';
import { likelyLength } from './likely';
import { atLeast, type Field, type Way } from './way';

type MeetWay = Extract<Change, { tool: 'meet' }>['way'];

const PLAY: Field = { key: 'play', name: 'Play on all sides', unit: 'unit', digits: 2 };
const CLEAN: readonly Field[] = [
  { key: 'clean', name: 'The line', options: ['Left as cut', 'Cleaned'] },
  {
    key: 'snap',
    name: 'Within',
    unit: 'unit',
    digits: 2,
    counts: (v) => v.clean === 1,
  },
];

function meet(id: string, name: string, does: string, way: MeetWay, fields: readonly Field[]): Way {
  return {
    id,
    name,
    does: `${does}: click a face of the part that cuts.`,
    picks: ['faces'],
    fields: way === 'lines' || way === 'linesOnFirst' ? fields : [...fields, ...CLEAN],
    initial: (radius) => ({
      play: likelyLength(radius / 100),
      clean: 0,
      snap: likelyLength(radius / 100),
    }),
    missing: atLeast('faces', 1, 'Click a face of the part that cuts.'),
    change: (c, v) => ({
      tool: 'meet',
      first: [],
      second: [...c.faces],
      way,
      play: way === 'fit' ? (v.play ?? 0) : 0,
      clean: v.clean === 1 ? (v.snap ?? 0) : null,
    }),
  };
}

export const MEET: readonly Way[] = [
  meet('meet-subtract', 'Take away', 'takes one part away from the others', 'subtract', []),
  meet('meet-join', 'Join', 'makes one part with the others', 'join', []),
  meet('meet-fit', 'Fit', 'takes one part away from the others, with play, and keeps it', 'fit', [
    PLAY,
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
