interface Props {
  /** A kind of finding, or another name of a card. */
  kind: string;
  children?: string;
}

/** Opens a card of the handbook beside what one is at. */
export function CardLink({ kind, children = 'Why it matters' }: Props) {
  return (
    <a
      href={`/handbook/${kind}`}
      target="_blank"
      rel="noreferrer"
      className="text-[13px] font-medium underline"
      onClick={(e) => e.stopPropagation()}
    >
      {children}
    </a>
  );
}
