import type { ReactNode } from 'react';
import { Link } from 'react-router';

/** The head of a place where one works: back, what it is, what can be done. */
export function WorkHead(props: {
  back: { to: string; name: string };
  title: string;
  about?: ReactNode;
  children?: ReactNode;
}) {
  return (
    <header className="flex h-12 shrink-0 items-center gap-4 border-b border-ink px-4">
      <Link
        to={props.back.to}
        className="flex items-center gap-2.5 font-medium whitespace-nowrap hover:underline"
      >
        <svg width={16} height={12} viewBox="0 0 16 12" aria-hidden>
          <path d="M6 1 1 6l5 5M1 6h15" fill="none" stroke="currentColor" strokeWidth={1.5} />
        </svg>
        {props.back.name}
      </Link>
      <h1 className="text-[16px] font-semibold whitespace-nowrap">{props.title}</h1>
      <div className="flex min-w-0 items-center gap-4 truncate text-ink2">{props.about}</div>
      <div className="ml-auto flex items-center gap-2.5">{props.children}</div>
    </header>
  );
}

/** The mark of the house: a fair curve with its stations. */
export function HouseMark({ size = 26 }: { size?: number }) {
  return (
    <svg width={size} height={(size * 20) / 26} viewBox="0 0 26 20" aria-hidden>
      <path
        d="M1 18C8 16 9 8 15 6c4-1.400 6-2 10-4.500"
        fill="none"
        stroke="currentColor"
        strokeWidth={2}
      />
      <path
        d="M5.500 13.500l2 4M10 8.500l2.500 4M16.500 3.800l1.500 4"
        stroke="currentColor"
        strokeWidth={1.5}
      />
    </svg>
  );
}
