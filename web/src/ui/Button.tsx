import type { ButtonHTMLAttributes } from 'react';
import { Key } from './Key';

type Look = 'plain' | 'main' | 'instructor' | 'instructor-main';

const LOOKS: Record<Look, string> = {
  plain: 'bg-sheet border-ctl text-ink hover:bg-shoal1 hover:border-ink active:bg-shoal2',
  main: 'bg-ink border-ink text-paper font-semibold hover:bg-ink-up hover:border-ink-up',
  instructor:
    'bg-sheet border-magenta text-magenta hover:bg-magenta-wash active:shadow-[inset_0_0_0_1px_var(--magenta)]',
  'instructor-main':
    'bg-magenta border-magenta text-paper font-semibold hover:bg-magenta-up hover:border-magenta-up',
};

const SIZES = {
  small: 'h-[26px] px-2.5 text-[13px]',
  normal: 'h-8 px-3',
  tall: 'h-9 px-4',
} as const;

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  look?: Look;
  size?: keyof typeof SIZES;
  /** The key that does the same, shown on the button. */
  shortcut?: string;
}

export function Button({ look = 'plain', size = 'normal', shortcut, className, ...rest }: Props) {
  const off = 'border-dashed border-ctl text-ink2 bg-transparent font-medium';
  return (
    <button
      type="button"
      {...rest}
      className={`inline-flex shrink-0 items-center justify-center gap-2 rounded-ctl border font-medium whitespace-nowrap transition-colors duration-75 ${SIZES[size]} ${rest.disabled ? off : LOOKS[look]} ${className ?? ''}`}
    >
      {rest.children}
      {shortcut && <Key>{shortcut}</Key>}
    </button>
  );
}
