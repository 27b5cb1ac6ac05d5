import type { Lens } from '../../stage/lenses';
import { LENSES } from '../../stage/lenses';
import { CHOOSE_WAYS } from './ChooseBar';
import type { Command } from './CommandFinder';
import { GROUPS, groupOf, type Tool } from './tools';
import type { ChosenControl } from './useChosen';

/** What can be done on the bench, whoever asks for it: a button, a key or the finder. */
export interface Deeds {
  take: (tool: Tool) => void;
  make: () => void;
  choose: () => void;
  leave: () => void;
  again: () => void;
  back: () => void;
  redo: () => void;
  startAgain: () => void;
  deleteOthers: () => void;
  viewAll: () => void;
  turnAround: () => void;
  lookSquarely: () => void;
  setLens: (lens: Lens) => void;
  nextEven: () => void;
  toggleGlass: () => void;
  toggleChoosing: () => void;
  toggleSheet: () => void;
  toggleParts: () => void;
  nextFinding: () => void;
  mend: () => void;
  nextDivision: () => void;
  openBrief: () => void;
  openKeys: () => void;
  openFinder: () => void;
  bringIn: () => void;
}

/** All of it by name, for the finder. */
export function commandsOf(deeds: Deeds, chosen: ChosenControl): Command[] {
  return [
    ...GROUPS.flatMap((g) =>
      g.tools.map((t) => ({ name: t.name, also: g.name, act: () => deeds.take(t.tool) })),
    ),
    { name: 'Choose faces, edges, vertices', shortcut: 'O', act: deeds.choose },
    { name: 'Hide the chosen faces', act: chosen.hide },
    { name: 'Delete all but the chosen faces', act: deeds.deleteOthers },
    { name: 'Show all faces', act: chosen.showAll },
    { name: 'Let go of what is chosen', act: chosen.clear },
    ...Object.entries(CHOOSE_WAYS).flatMap(([kind, ways]) =>
      ways.map(([way, name]) => ({
        name: `${name}, from the chosen ${kind}`,
        act: () => void chosen.go(way),
      })),
    ),
    { name: 'Bring a part in', also: 'shelf, file, workpiece', act: deeds.bringIn },
    { name: 'View all', shortcut: 'V', act: deeds.viewAll },
    { name: 'Turn to the back', shortcut: 'X', act: deeds.turnAround },
    { name: 'Look squarely at the chosen face', shortcut: 'Q', act: deeds.lookSquarely },
    { name: 'Keep even, across the next axis', also: 'mirror', shortcut: 'I', act: deeds.nextEven },
    { name: 'Glass', also: 'far side', shortcut: 'G', act: deeds.toggleGlass },
    ...LENSES.map((l) => ({
      name: `${l.name} lens`,
      also: l.about,
      shortcut: l.letter,
      act: () => deeds.setLens(l.lens),
    })),
    { name: 'Next finding', shortcut: 'N', act: deeds.nextFinding },
    { name: 'Again: make the last change once more', shortcut: 'J', act: deeds.again },
    { name: 'Start again from the starter', act: deeds.startAgain },
    { name: 'Parts', also: 'show hide name', shortcut: 'L', act: deeds.toggleParts },
    { name: 'Tracing sheet', also: 'picture image', act: deeds.toggleSheet },
    { name: 'Undo', shortcut: 'Ctrl Z', act: deeds.back },
    { name: 'Redo', shortcut: 'Ctrl Y', act: deeds.redo },
    { name: 'Brief', shortcut: 'B', act: deeds.openBrief },
    { name: 'Keys', shortcut: '?', act: deeds.openKeys },
  ];
}

/**
 * The keys of the bench.
 *
 * @param own those of the tool in hand: they go before the lenses' letters
 */
export function keysOf(
  deeds: Deeds,
  tool: Tool,
  own: readonly { key: string; act: () => void }[],
): Record<string, () => void> {
  const group = groupOf(tool);
  const takeGroup = (step: number) => {
    const next = GROUPS[(group + step + GROUPS.length) % GROUPS.length]!;
    deeds.take(next.tools[0]!.tool);
  };
  return {
    ...Object.fromEntries(
      GROUPS[group]!.tools.map((t, i) => [String(i + 1), () => deeds.take(t.tool)]),
    ),
    m: deeds.mend,
    ...Object.fromEntries(
      own.map((k) => [k.key.length === 1 ? k.key.toLowerCase() : k.key, k.act]),
    ),
    ',': () => takeGroup(-1),
    '.': () => takeGroup(1),
    '/': deeds.openFinder,
    Enter: deeds.make,
    Escape: deeds.leave,
    'Ctrl z': deeds.back,
    'Ctrl y': deeds.redo,
    g: deeds.toggleGlass,
    i: deeds.nextEven,
    b: deeds.openBrief,
    n: deeds.nextFinding,
    d: deeds.nextDivision,
    o: deeds.toggleChoosing,
    q: deeds.lookSquarely,
    j: deeds.again,
    l: deeds.toggleParts,
    '?': deeds.openKeys,
  };
}
