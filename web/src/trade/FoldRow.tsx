import type { Finding } from '../api/client';
import { FindingMark } from './FindingMark';
import { manyOf } from './kinds';
import { numberText } from '../ui/time';

interface Props {
  finding: Finding;
  count: number;
  isOpen: boolean;
  onFold: () => void;
  className: string;
}

/** One row for many findings of a kind. */
export function FoldRow({ finding: f, count, isOpen, onFold, className }: Props) {
  return (
    <button
      type="button"
      aria-expanded={isOpen}
      data-fold={f.kind}
      className={`flex min-h-7 w-full items-center gap-2 border-l-[3px] border-transparent text-left outline-offset-[-2px] hover:bg-shoal1 ${className}`}
      onClick={onFold}
    >
      <FindingMark kind={f.kind} severity={f.severity} title={manyOf(f.kind)} />
      <span className="min-w-0 flex-1">{manyOf(f.kind)}</span>
      <span className="text-ink2">{numberText(count)}</span>
      <svg width={8} height={8} viewBox="0 0 8 8" aria-hidden>
        <path
          d={isOpen ? 'M1 2.5l3 3 3-3' : 'M2.5 1l3 3-3 3'}
          fill="none"
          stroke="currentColor"
          strokeWidth={1.4}
        />
      </svg>
    </button>
  );
}
