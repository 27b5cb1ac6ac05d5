interface Props {
  /** A kind of finding, or another name of a card. */
  kind: string;
  children?: string;
  look?: keyof typeof LOOKS;
}

const LOOKS = {
  link: 'text-[13px] font-medium underline',
  /** A name in a list, which opens its card. */
  word: 'hover:underline',
  faint: 'text-ink2 hover:underline',
};

/** Opens a card of the handbook beside what one is at. */
export function CardLink({ kind, children = 'Why it matters', look = 'link' }: Props) {
  return (
    <a
      href={`/handbook/${kind}`}
      target="_blank"
      rel="noreferrer"
      className={LOOKS[look]}
      onClick={(e) => e.stopPropagation()}
    >
      {children}
    </a>
  );
}
