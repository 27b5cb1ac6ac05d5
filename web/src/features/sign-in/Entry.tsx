import type { FormEvent, ReactNode } from 'react';
import { HouseMark } from '../../ui/Head';

interface Props {
  about: ReactNode;
  children: ReactNode;
  /** Beside the form; the chart alone where there is nothing. */
  aside?: ReactNode;
  onSubmit: () => void;
}

/** A page outside: the mark, what it is for, a form, and the chart. */
export function Entry({ about, children, aside, onSubmit }: Props) {
  const submit = (e: FormEvent) => {
    e.preventDefault();
    onSubmit();
  };
  return (
    <main className="flex h-full max-md:flex-col max-md:overflow-y-auto">
      <section className="flex w-[440px] shrink-0 flex-col justify-center overflow-y-auto border-r border-ink px-12 py-10 max-md:w-full max-md:px-6">
        <h1 className="flex items-center gap-3 text-[22px] leading-7 font-semibold">
          <HouseMark size={32} />
          Fair Edge
        </h1>
        <div className="mt-2 text-ink2">{about}</div>
        <form className="mt-8 space-y-4" onSubmit={submit}>
          {children}
        </form>
      </section>
      <section className="relative flex min-w-0 flex-1 items-center bg-sea px-12 py-10">
        <Chart />
        {aside}
      </section>
    </main>
  );
}

/** Depth lines, as round a harbour. */
function Chart() {
  const lines = Array.from({ length: 9 }, (_, i) => 60 + i * 74);
  return (
    <svg
      className="absolute inset-0 h-full w-full"
      viewBox="0 0 840 800"
      preserveAspectRatio="xMaxYMax slice"
      aria-hidden
    >
      {lines.map((r) => (
        <path
          key={r}
          fill="none"
          stroke="var(--sea-line)"
          d={`M${840 - r * 1.5} 800C${840 - r * 1.35} ${800 - r * 0.7} ${840 - r * 0.5} ${800 - r * 0.75} ${840 - r * 0.42} ${800 - r}S${840 - r * 0.1} ${800 - r * 1.3} 840 ${800 - r * 1.22}`}
        />
      ))}
    </svg>
  );
}
