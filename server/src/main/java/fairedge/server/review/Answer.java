package fairedge.server.review;

import fairedge.core.credit.Judged;
import fairedge.server.platform.Problem;
import fairedge.server.review.AnswerView.Phase;
import fairedge.server.review.AnswerView.Verdict;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An answer as it is written and kept.
 *
 * @param report version of the report that its notes name findings of
 * @param clientKey by which request it was written last; null where that is not known
 * @param isReady whether it waits to go out with others
 * @param said how often it went out
 * @param returnedAt from when on it is out; null while it is written, also to be amended
 * @param isOut whether that time was
 */
public record Answer(
    long revision,
    int report,
    @Nullable UUID clientKey,
    Words words,
    boolean isReady,
    @Nullable UUID writtenBy,
    int said,
    @Nullable Instant returnedAt,
    @Nullable UUID returnedBy,
    boolean isOut) {

  /** What an answer says. */
  public record Words(String word, @Nullable Verdict verdict, List<NoteView> notes, Judged judged) {
    static final Words NONE = new Words("", null, List.of(), Judged.NOT_YET);

    Words with(List<NoteView> others) {
      return new Words(word, verdict, others, judged);
    }

    /**
     * The same with a mend to one of its notes.
     *
     * @throws Problem if there is no such note
     */
    Words with(UUID note, NoteView.NoteMend mend) {
      if (notes.stream().noneMatch(n -> n.id().equals(note))) {
        throw Problem.notFound("note");
      }
      return with(notes.stream().map(n -> n.id().equals(note) ? n.with(mend) : n).toList());
    }
  }

  /** One that nothing is written in yet. */
  static Answer empty(int report) {
    return new Answer(0, report, null, Words.NONE, false, null, 0, null, null, false);
  }

  /** The same with its notes in another report. */
  Answer in(int other, List<NoteView> notesThere) {
    return new Answer(
        revision,
        other,
        clientKey,
        words.with(notesThere),
        isReady,
        writtenBy,
        said,
        returnedAt,
        returnedBy,
        isOut);
  }

  Phase phase() {
    return Phase.of(isReady, returnedAt != null, isOut);
  }
}
