import type { Review } from '../../api/client';
import { PaperMenu } from '../../trade/PaperMenu';
import { Button } from '../../ui/Button';
import { WorkHead } from '../../ui/Head';
import { whenText } from '../../ui/time';

/** Whose hand-in it is, where it stands in the queue, and the ones beside it there. */
export function ReviewHead(props: {
  review: Review;
  onOpen: (id: string | null | undefined) => void;
  onKeys: () => void;
}) {
  const { review, onOpen } = props;
  const { queue } = review;
  return (
    <WorkHead
      back={{ to: '/desk', name: 'Desk' }}
      title={review.assignment.exercise.title}
      about={
        <>
          <span className="text-[15px] text-ink">{review.student}</span>
          <span className="truncate">
            attempt {review.attempt}, handed in {whenText(review.handedInAt)}
          </span>
        </>
      }
    >
      {queue && queue.position > 0 && (
        <span className="text-ink2">
          {queue.position} of {queue.waiting} waiting
        </span>
      )}
      {review.answer.said > 0 && <PaperMenu submission={review.id} />}
      <Button
        size="small"
        shortcut="["
        disabled={!queue?.previous}
        title={queue?.previous ? undefined : 'None waits longer'}
        onClick={() => onOpen(queue?.previous)}
      >
        Previous
      </Button>
      <Button
        size="small"
        shortcut="]"
        disabled={!queue?.next}
        title={queue?.next ? undefined : 'None came later'}
        onClick={() => onOpen(queue?.next)}
      >
        Next
      </Button>
      <Button size="small" shortcut="?" onClick={props.onKeys}>
        Keys
      </Button>
    </WorkHead>
  );
}
