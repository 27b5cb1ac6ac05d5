import type { ReactNode } from 'react';

/** A key as controls show it. */
export function Key({ children }: { children: ReactNode }) {
  return (
    <kbd
      className="condensed rounded-[2px] px-1 py-px font-sans text-[11px] leading-[13px] font-medium"
      style={{ background: 'color-mix(in srgb, currentColor 11%, transparent)' }}
    >
      {children}
    </kbd>
  );
}
