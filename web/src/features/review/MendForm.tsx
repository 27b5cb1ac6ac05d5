import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { asProblem, type Note } from '../../api/client';
import { queries } from '../../api/queries';
import { MendList } from '../../trade/MendList';
import { Button } from '../../ui/Button';

interface Props {
  submission: string;
  /** The key of the finding. */
  finding: string;
  onShow: (mend: NonNullable<Note['mend']> | null) => void;
  onAttach: (mend: NonNullable<Note['mend']>) => void;
  onDrop: () => void;
}

/** What would mend a finding of a hand-in: shown beside it, or sent with a note. */
export function MendForm({ submission, finding, onShow, onAttach, onDrop }: Props) {
  const offer = useQuery(queries.submissionMends(submission, finding));
  const [at, setAt] = useState(0);
  const first = useRef<HTMLDivElement>(null);
  const mends = offer.data?.mends;
  const own = useMemo(() => {
    const m = mends?.[at];
    return m ? { does: m.does, change: m.change } : null;
  }, [mends, at]);
  const show = useRef(onShow);
  useEffect(() => {
    show.current = onShow;
  });
  useEffect(() => {
    show.current(own);
    return () => show.current(null);
  }, [own]);
  useEffect(() => {
    first.current?.focus();
  }, [offer.data]);
  return (
    <div
      ref={first}
      tabIndex={-1}
      className="space-y-1.5 outline-none"
      data-testid="mend-form"
      onKeyDown={(e) => {
        const by = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
        if (by !== 0 && mends && own) setAt((at + by + mends.length) % mends.length);
        else if (e.key === 'Escape') onDrop();
        else if (e.key === 'Enter' && own && e.target === first.current) onAttach(own);
        else return;
        e.preventDefault();
        e.stopPropagation();
      }}
    >
      {offer.error ? (
        <p role="alert">{asProblem(offer.error).message}</p>
      ) : !offer.data || !mends ? (
        <p className="text-ink2">Looking for what would mend it.</p>
      ) : mends.length === 0 ? (
        <p>{offer.data.reason}</p>
      ) : (
        <MendList mends={mends} at={at} onChoose={setAt} />
      )}
      <span className="flex gap-1.5">
        {own && (
          <Button look="instructor" size="small" shortcut="↵" onClick={() => onAttach(own)}>
            Send it with a note
          </Button>
        )}
        <Button size="small" onClick={onDrop}>
          Leave it
        </Button>
      </span>
    </div>
  );
}
