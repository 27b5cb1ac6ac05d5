import type { Schemas, Workpiece } from '../../api/client';
import { WakeLine } from '../../trade/WakeLine';

/** The wake beside the tools: what each step brought, and a click to the state after it. */
export function BenchWake({
  state,
  onGo,
}: {
  state: Workpiece;
  onGo: (step: number | null) => void;
}) {
  const { steps, others } = state;
  const last = steps.at(-1)?.id ?? null;
  const ahead = aheadOf(last, others);
  if (steps.length + ahead.length === 0) return null;
  return (
    <section aria-label="Wake" className="min-w-0 flex-1 border-l border-rule pt-0.5 pl-2">
      <WakeLine steps={steps} ahead={ahead} at={last} onGo={onGo} />
    </section>
  );
}

/** The steps that Redo would make, one after the other. */
function aheadOf(from: number | null, others: Workpiece['others']): Schemas['StepView'][] {
  const ahead: Schemas['StepView'][] = [];
  for (let at = from; ;) {
    const next = others.filter((step) => step.parent === at).at(-1);
    if (!next) return ahead;
    ahead.push(next);
    at = next.id;
  }
}
