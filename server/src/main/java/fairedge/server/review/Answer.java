package fairedge.server.review;

import fairedge.server.review.AnswerView.NoteView;
import fairedge.server.review.AnswerView.Verdict;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An answer as it is kept.
 *
 * @param report version of the report that its notes name findings of
 * @param clientKey by which request it was written last; null where that is not known
 * @param returnedAt from when on it is out; null while it is a draft
 */
public record Answer(
    long revision,
    int report,
    @Nullable UUID clientKey,
    String word,
    @Nullable Verdict verdict,
    List<NoteView> notes,
    @Nullable Instant returnedAt,
    @Nullable UUID returnedBy) {

  /** One that nothing is written in yet. */
  static Answer empty(int report) {
    return new Answer(0, report, null, "", null, List.of(), null, null);
  }

  /** The same with its notes in another report. */
  Answer in(int other, List<NoteView> notesThere) {
    return new Answer(
        revision, other, clientKey, word, verdict, notesThere, returnedAt, returnedBy);
  }
}
