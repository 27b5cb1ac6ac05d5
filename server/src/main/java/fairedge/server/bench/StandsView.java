package fairedge.server.bench;

/** How a workpiece stands after a move: all of it, or what a step added. */
public sealed interface StandsView permits WorkpieceView, MadeView {}
