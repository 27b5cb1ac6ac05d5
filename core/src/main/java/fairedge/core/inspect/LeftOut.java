package fairedge.core.inspect;

/**
 * What an inspection did not look at, because it would have taken too long: nothing is told of it,
 * neither that there is a fault nor that there is none.
 *
 * @param why what was left out and why, as a sentence
 */
public record LeftOut(Kind kind, String why) {}
