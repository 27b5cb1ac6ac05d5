package fairedge.server.review;

import fairedge.server.review.NoteView.NoteKind;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A remark that is kept to be used again.
 *
 * @param course the class that it is shared in; null: only whoever keeps it uses it
 * @param kind of which findings it speaks; null: of any
 * @param text with blanks, {@code {sides}}, that the numbers of a finding fill
 * @param uses how often it went out
 * @param isMine whether whoever asks may change it
 */
public record Phrase(
    UUID id,
    @Nullable UUID course,
    @Nullable String kind,
    NoteKind noteKind,
    String text,
    int uses,
    boolean isMine,
    boolean isPutAway) {}
