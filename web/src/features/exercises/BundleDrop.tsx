import { useRef } from 'react';
import { Button } from '../../ui/Button';
import { DropArea } from '../../ui/DropArea';

/** A file with its path in what was brought. */
export interface Brought {
  path: string;
  file: File;
}

/** Where a zip, files or a folder of them are dropped, or chosen. */
export function BundleDrop({ onBrought }: { onBrought: (files: Brought[]) => void }) {
  const files = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const take = (input: HTMLInputElement) => {
    const chosen = [...(input.files ?? [])].map((file) => ({
      path: file.webkitRelativePath || file.name,
      file,
    }));
    // The same may be chosen once more, after it was mended.
    input.value = '';
    if (chosen.length > 0) onBrought(chosen);
  };
  return (
    <DropArea
      onDropped={(data) =>
        void droppedOf(data).then((dropped) => dropped.length > 0 && onBrought(dropped))
      }
    >
      <input
        ref={files}
        type="file"
        multiple
        className="sr-only"
        tabIndex={-1}
        aria-label="A zip, or mesh files"
        onChange={(e) => take(e.target)}
      />
      <input
        ref={folder}
        type="file"
        multiple
        className="sr-only"
        tabIndex={-1}
        aria-label="A folder of mesh files"
        {...{ webkitdirectory: '' }}
        onChange={(e) => take(e.target)}
      />
      <p className="mb-3 text-ink2">
        Drop a zip, a folder or several mesh files here, or choose them. Whose each is, is read from
        the names of files and folders.
      </p>
      <div className="flex gap-2">
        <Button look="main" onClick={() => files.current?.click()}>
          Choose a zip or files
        </Button>
        <Button onClick={() => folder.current?.click()}>Choose a folder</Button>
      </div>
    </DropArea>
  );
}

/** What was dropped, folders with all that is in them. */
async function droppedOf(data: DataTransfer): Promise<Brought[]> {
  const entries = [...data.items].map((item) => item.webkitGetAsEntry());
  if (entries.every((e) => e === null)) {
    return [...data.files].map((file) => ({ path: file.name, file }));
  }
  const found: Brought[] = [];
  for (const entry of entries) if (entry) await walk(entry, found);
  return found;
}

async function walk(entry: FileSystemEntry, found: Brought[]): Promise<void> {
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) =>
      (entry as FileSystemFileEntry).file(resolve, reject),
    );
    found.push({ path: entry.fullPath.replace(/^\//, ''), file });
    return;
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  // A reader gives a part of a folder at a time.
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) =>
      reader.readEntries(resolve, reject),
    );
    if (some.length === 0) return;
    for (const inner of some) await walk(inner, found);
  }
}
