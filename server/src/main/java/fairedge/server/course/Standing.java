package fairedge.server.course;

/**
 * How somebody stands in a class.
 *
 * @param isPutAway whether they are out of it for the time being
 * @param isClassPutAway whether the class is
 */
public record Standing(Role role, boolean isPutAway, boolean isClassPutAway) {}
