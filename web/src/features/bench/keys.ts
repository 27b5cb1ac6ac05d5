import { LENSES } from '../../stage/lenses';

/** The keys of the bench. */
export const BENCH_KEYS: readonly [string, string][] = [
  ['1 to 9', 'The tools of the open group, as they stand in the dock'],
  [', .', 'The group before, the group after'],
  ['/', 'Find any command by its name'],
  ['Enter', 'Make it'],
  ['Esc', 'Drop it'],
  ['Ctrl Z', 'Take the last point back, or without one the last step'],
  ['Ctrl Y', 'Make again the step that was taken back'],
  ['J', 'Again: the last change once more'],
  ['D', 'Division of edges to aim at: halves, thirds, quarters, fifths, none'],
  ['R', 'Front only, or right through (Trace, Straight, Outline)'],
  ['A', 'What a trace is aimed by: parts of an edge, a distance, a right angle, steps'],
  ['E', 'End this run of a trace and begin another'],
  ['K', 'Freehand (Trace), angle in steps (Straight)'],
  ['M', 'Loop at the middle of the edge, or where you point'],
  ['O', 'Choose faces, edges, vertices'],
  ['N', 'Next finding'],
  ...LENSES.map((l): [string, string] => [l.letter, `${l.name}: ${l.about.toLowerCase()}`]),
  ['G', 'Glass: see the far side through the near one'],
  ['V', 'View all'],
  ['X', 'Turn to the back'],
  ['Q', 'Look squarely at the chosen face'],
  ['B', 'Brief'],
  ['← ↑ → ↓', 'Aim without the pointer, on the model; with Shift farther'],
  ['Space', 'Click where the arrow keys aim'],
];
