import { useEffect, useState, type ReactNode } from 'react';
import { ApiProblem } from '../api/client';
import { Button } from './Button';

/** Says what is being loaded, after 300 ms of nothing. */
export function Loading({ stage, children }: { stage: string; children?: ReactNode }) {
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), 300);
    return () => clearTimeout(timer);
  }, []);
  if (!late) return <h1 className="sr-only">{stage}</h1>;
  return (
    <div className="max-w-sm p-6" role="status">
      <h1 className="font-semibold">{stage}</h1>
      <div className="mt-2 h-1 w-full bg-rule">
        <div className="h-1 w-1/3 bg-ink" />
      </div>
      {children && <div className="mt-5">{children}</div>}
    </div>
  );
}

/** What is not there yet, and one thing to do. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="m-6 max-w-md bg-sea p-5">
      <p className="font-semibold">{title}</p>
      <div className="mt-1 text-ink2">{children}</div>
    </div>
  );
}

/** What happened, where, and one way on. */
export function Failure(props: { error: unknown; onRetry?: () => void; children?: ReactNode }) {
  const problem = props.error instanceof ApiProblem ? props.error : null;
  const detail = props.error instanceof Error ? props.error.message : 'It is not known why.';
  return (
    <div className="m-6 max-w-md border border-ink bg-sheet" role="alert">
      <h1 className="bg-ink px-4 py-2.5 font-semibold text-paper">
        {problem?.title ?? 'Something went wrong'}
      </h1>
      <div className="space-y-3 p-4">
        <p>{detail}</p>
        {props.onRetry && <Button onClick={props.onRetry}>Try now</Button>}
        {props.children}
      </div>
    </div>
  );
}

/** A band under the head while the server does not answer. */
export function OfflineBand(props: { kept: string; onRetry: () => void }) {
  return (
    <div
      role="status"
      className="flex items-center gap-4 border-y border-dashed border-ink bg-shoal1 px-4 py-1.5"
    >
      <span className="font-semibold">No connection.</span>
      <span className="text-ink2">{props.kept}</span>
      <Button size="small" className="ml-auto" onClick={props.onRetry}>
        Try now
      </Button>
    </div>
  );
}

/** The same where a place looks again by itself: what is in view stays, and may be old. */
export function StaleBand({ onRetry }: { onRetry: () => void }) {
  return (
    <OfflineBand kept="What you see is how it stood when it was last there." onRetry={onRetry} />
  );
}

/** Long work: what it does, how far it is, and a way to stop it. */
export function Working(props: {
  stage: string;
  about: string;
  /** From 0 to 1; without it, that is not known. */
  share?: number;
  onStop: () => void;
}) {
  return (
    <div role="status">
      <div className="flex items-center gap-3">
        <span className="font-semibold">{props.stage}</span>
        <span className="text-ink2">{props.about}</span>
        <Button size="small" className="ml-auto" onClick={props.onStop}>
          Stop
        </Button>
      </div>
      <div className="mt-2 h-1 w-full bg-rule" aria-hidden>
        <div
          className={`h-1 bg-ink ${props.share === undefined ? 'opacity-40' : ''}`}
          style={{ width: `${100 * (props.share ?? 1)}%` }}
        />
      </div>
    </div>
  );
}

/** Something was refused, beside what was asked. */
export function Trouble(props: { title: string; where?: string; children: ReactNode }) {
  return (
    <div className="mt-4 border border-ink" role="alert">
      <p className="bg-ink px-3 py-1.5 font-semibold text-paper">{props.title}</p>
      <p className="px-3 py-2">
        {props.where && <b className="font-semibold">{props.where}. </b>}
        {props.children}
      </p>
    </div>
  );
}
