import type { Finding } from '../api/client';
import { Button } from '../ui/Button';
import { numberText } from '../ui/time';
import { useSight } from './sight';
import { useStage } from './stageContext';

/** Says how many findings the model hides, and turns to where most of them are seen. */
export function FarSide({ findings }: { findings: readonly Finding[] }) {
  const stage = useStage();
  const sight = useSight(stage, findings);
  const hidden = findings.filter((_, i) => sight[i]);
  if (hidden.length === 0) return null;
  return (
    <div className="absolute bottom-[58px] left-3">
      <Button
        size="small"
        data-testid="far-side"
        title="Turns the model to where most of them are seen"
        onClick={() => stage.turnTo(hidden.map((f) => f.place))}
      >
        Show {numberText(hidden.length)} on the far side
      </Button>
    </div>
  );
}
