import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, asProblem } from '../api/client';
import { Button } from '../ui/Button';
import { CALL_BACK_S, useSent, type Sent } from './sent';

/** What was given back just now, and how long it can be called back. */
export function SentBand() {
  const { sent, problem } = useSent();
  if (problem)
    return (
      <p role="alert" className="border-b border-ink bg-shoal1 px-4 py-1.5">
        {problem}
      </p>
    );
  return sent && <Counted key={sent.at} sent={sent} />;
}

function Counted({ sent }: { sent: Sent }) {
  const forget = useSent((s) => s.forget);
  const callBack = useCallBack();
  const [now, setNow] = useState(() => Date.now());
  const left = Math.ceil(CALL_BACK_S - (now - sent.at) / 1000);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, []);
  useEffect(() => {
    if (left <= 0) forget();
  }, [left, forget]);
  if (left <= 0) return null;
  return (
    <div
      role="status"
      className="flex items-center gap-3 border-b border-magenta bg-magenta-wash px-4 py-1"
      data-testid="sent"
    >
      <span className="flex-1">
        {sent.to} can read it in {left} s.
      </span>
      <Button look="instructor" size="small" shortcut="Ctrl Z" onClick={() => void callBack()}>
        Call it back
      </Button>
    </div>
  );
}

/** Calls back what was given back last, while that can be done; nothing where there is nothing. */
export function useCallBack() {
  const client = useQueryClient();
  const navigate = useNavigate();
  return async () => {
    const { sent, forget } = useSent.getState();
    if (!sent) return;
    const { submissions } = sent;
    try {
      const { left } = await api.callBackTogether(submissions);
      forget(left.map((not) => `${not.student}: ${not.why}`).join(' ') || null);
    } catch (e) {
      forget(asProblem(e).message);
    }
    submissions.forEach((id) => client.removeQueries({ queryKey: ['review', id] }));
    await client.invalidateQueries({ queryKey: ['desk'] });
    if (submissions.length === 1 && !useSent.getState().problem)
      void navigate(`/review/${submissions[0]}`);
  };
}
