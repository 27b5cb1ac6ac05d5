/** Opens the handbook's card of a kind of finding beside what one is at. */
export function CardLink({ kind }: { kind: string }) {
  return (
    <a
      href={`/handbook/${kind}`}
      target="_blank"
      rel="noreferrer"
      className="text-[13px] font-medium underline"
      onClick={(e) => e.stopPropagation()}
    >
      Why it matters
    </a>
  );
}
