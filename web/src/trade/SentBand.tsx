import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, asProblem } from '../api/client';
import { Button } from '../ui/Button';
import { CALL_BACK_S, useSent } from './sent';

/** What was given back just now, and how long it can be called back. */
export function SentBand() {
  const { sent, undo, left, problem } = useCallBack();
  if (problem)
    return (
      <p role="alert" className="border-b border-ink bg-shoal1 px-4 py-1.5">
        {problem}
      </p>
    );
  if (!sent || left <= 0) return null;
  return (
    <div
      role="status"
      className="flex items-center gap-3 border-b border-magenta bg-magenta-wash px-4 py-1"
      data-testid="sent"
    >
      <span className="flex-1">
        {sent.to} can read it in {left} s.
      </span>
      <Button look="instructor" size="small" shortcut="Ctrl Z" onClick={() => void undo()}>
        Call it back
      </Button>
    </div>
  );
}

/** Calls back what was given back last, while that can be done. */
export function useCallBack() {
  const { sent, forget } = useSent();
  const [now, setNow] = useState(() => Date.now());
  const [problem, setProblem] = useState<string | null>(null);
  const client = useQueryClient();
  const navigate = useNavigate();
  useEffect(() => {
    if (!sent) return;
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, [sent]);
  const left = sent ? Math.ceil(CALL_BACK_S - Math.max(0, now - sent.at) / 1000) : 0;
  const undo = async () => {
    if (!sent || left <= 0) return;
    try {
      const { left: not } = await api.callBackTogether(sent.submissions);
      setProblem(not[0] ? `${not[0].student}: ${not[0].why}` : null);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
    forget();
    sent.submissions.forEach((id) => client.removeQueries({ queryKey: ['review', id] }));
    await client.invalidateQueries({ queryKey: ['desk'] });
    if (sent.submissions.length === 1) void navigate(`/review/${sent.submissions[0]}`);
  };
  return { sent, undo, left, problem };
}
