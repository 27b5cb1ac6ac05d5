import { LENSES } from '../../stage/lenses';

/** The keys of a review: all of it can be done by them. */
export const REVIEW_KEYS: readonly [string, string][] = [
  ['↑ ↓', 'The finding before, the next one'],
  ['N', 'Note at the chosen finding, or at the place that is picked'],
  ['↓', 'In a note: down into the phrases that fit; Enter takes one'],
  ['Esc', 'Out of a field; lets go of what is chosen'],
  ['M', 'What would mend the chosen finding: ↑ ↓ walk, Enter sends it with a note'],
  ['W', 'Wave the chosen finding through'],
  ['D', 'Draw on the mesh, or turn it again'],
  ['1 to 9', 'The words of the criterion by eye that is at hand'],
  ['R', 'The word to the student'],
  ['Y K', 'Accepted; try again'],
  ['Ctrl Enter', 'Return it, and the next one is there'],
  ['Ctrl Z', 'Take the last line back that was drawn; else call the last answer back'],
  ['[ ]', 'The hand-in before, the next one'],
  ['Space', 'Play the wake, or hold it'],
  ['← →', 'A step back, a step on'],
  ['B', 'One stage, or two'],
  ...LENSES.map((l): [string, string] => [l.letter, `${l.name}: ${l.about.toLowerCase()}`]),
  ['V', 'View all'],
  ['X', 'Turn to the back'],
];
