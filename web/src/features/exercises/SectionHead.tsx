/** The head of a section of the editor. */
export function SectionHead(props: { number: number; name: string; about: string }) {
  return (
    <header className="flex min-h-11 flex-wrap items-baseline gap-x-3 border-b border-ink px-5 py-2.5">
      <h2 className="text-[16px] font-semibold">
        {props.number}&ensp;{props.name}
      </h2>
      <span className="text-ink2">{props.about}</span>
    </header>
  );
}
