import { useState } from 'react';
import { Dialog } from '../../ui/Dialog';
import { Key } from '../../ui/Key';

export interface Command {
  name: string;
  /** Other words by which it is looked for. */
  also?: string;
  shortcut?: string;
  act: () => void;
}

interface Props {
  commands: readonly Command[];
  open: boolean;
  onClose: () => void;
}

/** Any command by its name. */
export function CommandFinder({ commands, open, onClose }: Props) {
  const [text, setText] = useState('');
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = commands.filter((c) => {
    const name = `${c.name} ${c.also ?? ''}`.toLowerCase();
    return words.every((word) => name.includes(word));
  });
  const run = (command: Command | undefined) => {
    if (!command) return;
    setText('');
    onClose();
    command.act();
  };
  return (
    <Dialog title="Find a command" open={open} onClose={onClose}>
      <input
        autoFocus
        aria-label="Name of a command"
        className="mb-2 h-8 w-full rounded-ctl border border-ctl bg-sheet px-2"
        placeholder="weld, back, hide ..."
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault();
            run(found[0]);
          }
        }}
      />
      <ul className="max-h-[320px] overflow-y-auto" aria-label="Commands" data-testid="commands">
        {found.map((command, i) => (
          <li key={command.name}>
            <button
              type="button"
              className={`flex w-full justify-between px-2 py-1 text-left hover:bg-shoal1 ${i === 0 ? 'bg-shoal1' : ''}`}
              onClick={() => run(command)}
            >
              {command.name}
              {command.shortcut && <Key>{command.shortcut}</Key>}
            </button>
          </li>
        ))}
        {found.length === 0 && <li className="px-2 py-1 text-ink2">Nothing is called so.</li>}
      </ul>
    </Dialog>
  );
}
