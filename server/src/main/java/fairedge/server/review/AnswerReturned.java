package fairedge.server.review;

import java.util.UUID;

/** An answer went out to the student whose hand-in it is about. */
public record AnswerReturned(UUID submission) {}
