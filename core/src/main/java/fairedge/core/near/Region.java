package fairedge.core.near;

/** A part of space that a tree is asked about. */
public interface Region {
  /** Whether a box may have a place in it; true where that is dear to tell. */
  boolean mayMeet(double minX, double minY, double minZ, double maxX, double maxY, double maxZ);
}
