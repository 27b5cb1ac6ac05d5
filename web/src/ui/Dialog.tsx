import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  title: string;
  description?: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
}

export function Dialog({ title, description, open, onClose, children }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay
          className="fixed inset-0 z-20"
          style={{ background: 'color-mix(in srgb, var(--ink) 34%, transparent)' }}
        />
        <Radix.Content
          aria-describedby={undefined}
          // Long contents scroll, so the keyboard must be able to get at them.
          tabIndex={0}
          className="over-stage fixed top-[8vh] left-1/2 z-30 max-h-[84vh] w-[min(480px,92vw)] -translate-x-1/2 overflow-y-auto border border-ink bg-sheet"
        >
          <Radix.Title className="border-b border-ink px-5 py-3 text-[16px] font-semibold">
            {title}
          </Radix.Title>
          {description && (
            <Radix.Description className="px-5 pt-3 text-ink2">{description}</Radix.Description>
          )}
          <div className="p-5">{children}</div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
