import { describe, expect, it, vi } from 'vitest';
import { commandsOf, keysOf, type Deeds } from '../src/features/bench/commands';
import { GROUPS } from '../src/features/bench/tools';
import type { ChosenControl } from '../src/features/bench/useChosen';
import { LENSES } from '../src/stage/lenses';

const NAMES: (keyof Deeds)[] = [
  'take',
  'make',
  'choose',
  'leave',
  'again',
  'back',
  'redo',
  'startAgain',
  'deleteOthers',
  'viewAll',
  'turnAround',
  'lookSquarely',
  'setLens',
  'nextEven',
  'toggleGlass',
  'toggleChoosing',
  'toggleSheet',
  'toggleParts',
  'nextFinding',
  'mend',
  'nextDivision',
  'openBrief',
  'openKeys',
  'openFinder',
  'bringIn',
];

const deeds = () => Object.fromEntries(NAMES.map((n) => [n, vi.fn()])) as unknown as Deeds;
const chosen = { hide: vi.fn(), showAll: vi.fn(), clear: vi.fn(), go: vi.fn() };

describe('the commands of the bench', () => {
  it('have every tool and every lens by name, no name twice', () => {
    const of = deeds();
    const commands = commandsOf(of, chosen as unknown as ChosenControl);
    const names = commands.map((c) => c.name);
    expect(new Set(names).size).toBe(names.length);
    for (const tool of GROUPS.flatMap((g) => g.tools)) {
      commands.find((c) => c.name === tool.name)!.act();
      expect(of.take).toHaveBeenLastCalledWith(tool.tool);
    }
    for (const lens of LENSES) {
      commands.find((c) => c.name === `${lens.name} lens`)!.act();
      expect(of.setLens).toHaveBeenLastCalledWith(lens.lens);
    }
    commands.find((c) => c.name === 'Hide the chosen faces')!.act();
    expect(chosen.hide).toHaveBeenCalled();
  });

  it('tell the keys that do the same', () => {
    const of = deeds();
    const keys = keysOf(of, 'trace', []);
    for (const command of commandsOf(of, chosen as unknown as ChosenControl)) {
      const { shortcut } = command;
      if (!shortcut || LENSES.some((l) => l.letter === shortcut) || 'VX'.includes(shortcut))
        continue;
      const [key] =
        shortcut.length > 1 ? [`Ctrl ${shortcut.at(-1)!.toLowerCase()}`] : [shortcut.toLowerCase()];
      expect(keys[key!], command.name).toBeDefined();
    }
  });

  it('take the tools of the group in hand by digits, and go from group to group', () => {
    const of = deeds();
    const keys = keysOf(of, 'weld', []);
    keys['1']!();
    expect(of.take).toHaveBeenLastCalledWith('lift');
    expect(keys['8']).toBeUndefined();
    keys[',']!();
    expect(of.take).toHaveBeenLastCalledWith('trace');
    keys['.']!();
    expect(of.take).toHaveBeenLastCalledWith(GROUPS[(1 + 1) % GROUPS.length]!.tools[0]!.tool);
  });

  it('give the keys of the tool in hand', () => {
    const own = vi.fn();
    keysOf(deeds(), 'trace', [{ key: 'E', act: own }])['e']!();
    expect(own).toHaveBeenCalled();
  });
});
