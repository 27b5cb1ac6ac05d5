import { DropdownMenu } from 'radix-ui';
import { files } from '../api/client';
import { Button } from '../ui/Button';
import { SHEETS } from './PrintMenu';

/** An answer that is out, as a document to print, on one paper or the other. */
export function PaperMenu({ submission }: { submission: string }) {
  return <PaperItems hrefOf={(sheet) => files.paper(submission, sheet)} />;
}

/** A document to print, on one paper or the other. */
export function PaperItems({ hrefOf }: { hrefOf: (sheet: string) => string }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button size="small">On paper</Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-40 min-w-44 border border-ink bg-sheet py-1.5"
        >
          {SHEETS.map(([sheet, name]) => (
            <DropdownMenu.Item key={sheet} asChild>
              <a
                className="block cursor-pointer px-4 py-1.5 outline-none data-[highlighted]:bg-shoal1"
                href={hrefOf(sheet)}
                target="_blank"
                rel="noreferrer"
              >
                Open as a document, {name}
              </a>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
