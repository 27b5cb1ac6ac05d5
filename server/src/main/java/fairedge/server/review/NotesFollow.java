package fairedge.server.review;

import fairedge.server.review.store.AnswerStore;
import fairedge.server.submission.Rechecked;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Lets notes follow their findings into a new report; of one that is gone they keep the place. */
@Component
class NotesFollow {
  private final AnswerStore store;

  NotesFollow(AnswerStore store) {
    this.store = store;
  }

  @EventListener
  void onRechecked(Rechecked rechecked) {
    store.moveFindings(rechecked.submission(), rechecked.findings());
  }
}
