import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { queries } from '../api/queries';
import { MeshBuffers } from '../mesh/MeshBuffers';
import { Button } from '../ui/Button';
import { Failure, Loading } from '../ui/States';
import { Stage } from './Stage';
import type { StageView } from './StageView';

interface Props {
  submission: string;
  /** Of the references that may be seen now. */
  hashes: readonly string[];
  unit: string;
  /** On which the hand-in is seen: the reference is seen from there. */
  beside: StageView | null;
}

/**
 * A reference of the exercise in place of the hand-in, as long as it is asked for; of several one
 * after the other.
 */
export function useSolution(props: Props) {
  const { hashes } = props;
  const [at, setAt] = useState<number | null>(null);
  if (hashes.length === 0) return { button: null, view: null };
  const many = hashes.length > 1;
  const next = () => setAt(at === null ? 0 : at + 1 < hashes.length ? at + 1 : null);
  const letter = at === null || !many ? '' : ` ${String.fromCharCode(65 + at)}`;
  return {
    button: (
      <Button
        size="small"
        aria-pressed={at !== null}
        className={at === null ? '' : 'border-ink bg-shoal2 font-semibold'}
        onClick={next}
      >
        Reference{letter}
      </Button>
    ),
    view: at === null ? null : <Shown key={hashes[at]} {...props} hash={hashes[at]!} />,
  };
}

function Shown({ submission, hash, unit, beside }: Props & { hash: string }) {
  const bytes = useQuery(queries.besideMesh(submission, { sort: 'reference', which: hash }));
  const mesh = useMemo(() => (bytes.data ? MeshBuffers.read(bytes.data) : null), [bytes.data]);
  return (
    <div className="absolute inset-0 bg-sea" data-testid="solution">
      {bytes.error ? (
        <Failure error={bytes.error} onRetry={() => void bytes.refetch()} />
      ) : !mesh ? (
        <Loading stage="Fetching the reference" />
      ) : (
        <Stage
          mesh={mesh}
          version={0}
          lens="clay"
          unit={unit}
          insets={[24, 60, 24, 60]}
          label="The reference: drag to turn"
          onReady={(view) => {
            const place = beside?.cameraPlace;
            if (place) view.flyTo(place.target, place);
          }}
        >
          <p className="condensed absolute top-2.5 left-3 text-[15px] font-semibold">
            Reference
            <span className="ml-3 text-[13px] font-normal text-ink2">
              one way to do it: yours need not be the same
            </span>
          </p>
        </Stage>
      )}
    </div>
  );
}
