package fairedge.server.bench;

/** How a workpiece stands after a move: all of it, or what the move changed. */
public sealed interface StandsView permits WorkpieceView, MadeView, WentView {}
