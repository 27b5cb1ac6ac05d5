package fairedge.server.print;

import fairedge.server.print.PrintView.PrintForm;
import fairedge.server.print.PrintView.PrintState;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Answers that go onto paper together.
 *
 * @param account who asked, and who alone fetches it
 * @param assignment all answers of which; null where it is a student's term
 * @param course the class whose term it is; with {@code student}
 */
public record Print(
    UUID id,
    UUID account,
    @Nullable UUID assignment,
    @Nullable UUID course,
    @Nullable UUID student,
    PrintForm form,
    Sheet sheet,
    PrintState state,
    int done,
    int total) {

  PrintView view() {
    return new PrintView(id, state, done, total, form);
  }
}
