package fairedge.core.step;

/**
 * A change tried out and taken back.
 *
 * @param effect what it would do; all zero if it is refused
 * @param seen what the caller looked at while the change was in force
 */
public record Preview<T>(Outcome outcome, Effect effect, T seen) {}
