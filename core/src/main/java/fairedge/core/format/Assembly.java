package fairedge.core.format;

import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.Oddity;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * Vertices and faces as a file names them, made into a mesh: corners that repeat the one before are
 * dropped, faces that can't be are left out, and both are told of. Memory grows with what is added,
 * never with a number that is only declared.
 */
public final class Assembly {
  private final Limits limits;
  private double[] places = new double[3 * 256];
  private int vertices;
  private int[] indices = new int[1024];
  private int indexCount;
  private int[] ends = new int[256];
  private int[] lines = new int[256];
  private int faces;
  private int[] loose = new int[16];
  private int looseCount;
  private final List<Oddity> oddities = new ArrayList<>();

  public Assembly(Limits limits) {
    this.limits = limits;
  }

  public int vertexCount() {
    return vertices;
  }

  public double place(int v, int axis) {
    return places[3 * v + axis];
  }

  /**
   * @param line where it stands in the file, or 0
   * @throws BadFile if it is one too many
   */
  public int vertex(double x, double y, double z, int line) throws BadFile {
    within(vertices < limits.vertices(), line, limits.vertices(), "vertices");
    if (3 * vertices == places.length) {
      places = Arrays.copyOf(places, 2 * places.length);
    }
    places[3 * vertices] = x;
    places[3 * vertices + 1] = y;
    places[3 * vertices + 2] = z;
    return vertices++;
  }

  /** Adds a corner to the face that is being named. */
  public void corner(long vertex, int line) throws BadFile {
    within(indexCount < limits.corners(), line, limits.corners(), "corners of faces");
    if (indexCount == indices.length) {
      indices = Arrays.copyOf(indices, 2 * indexCount);
    }
    indices[indexCount++] = vertex < 0 || vertex > Integer.MAX_VALUE ? -1 : (int) vertex;
  }

  /** Ends the face that was named corner by corner. */
  public void endFace(int line) throws BadFile {
    within(faces < limits.faces(), line, limits.faces(), "faces");
    if (faces == ends.length) {
      ends = Arrays.copyOf(ends, 2 * faces);
      lines = Arrays.copyOf(lines, 2 * faces);
    }
    lines[faces] = line;
    ends[faces++] = indexCount;
  }

  /** A loose edge; one that can't be is left out. */
  public void edge(long a, long b, int line) throws BadFile {
    within(looseCount / 2 < limits.faces(), line, limits.faces(), "edges");
    if (looseCount == loose.length) {
      loose = Arrays.copyOf(loose, 2 * looseCount);
    }
    loose[looseCount++] = (int) Math.clamp(a, -1, Integer.MAX_VALUE);
    loose[looseCount++] = (int) Math.clamp(b, -1, Integer.MAX_VALUE);
  }

  /**
   * @throws BadFile that a limit is passed
   */
  public static void within(boolean holds, int line, int limit, String what) throws BadFile {
    if (!holds) {
      String most = String.format(Locale.ROOT, "%,d %s", limit, what);
      throw new BadFile(line, "more than " + most, "at most " + most);
    }
  }

  /**
   * @param lastLine the last line read; 0 where the file has no lines
   * @throws BadFile if no face is left
   */
  public ReadResult finish(int lastLine, String... remarks) throws BadFile {
    MeshBuilder builder = new MeshBuilder(vertices, faces, indexCount);
    for (int v = 0; v < vertices; v++) {
      builder.vertex(places[3 * v], places[3 * v + 1], places[3 * v + 2]);
    }
    int accepted = 0;
    int from = 0;
    for (int f = 0; f < faces; f++) {
      accepted += face(builder, f, from) ? 1 : 0;
      from = ends[f];
    }
    if (accepted == 0) {
      if (oddities.isEmpty()) {
        throw BadFile.withoutFace(lastLine, "at least one");
      }
      Oddity first = oddities.getFirst();
      throw new BadFile(first.line(), "no readable face (" + first.text() + ")", "at least one");
    }
    for (int i = 0; i < looseCount; i += 2) {
      if (isVertex(loose[i]) && isVertex(loose[i + 1]) && loose[i] != loose[i + 1]) {
        builder.edge(loose[i], loose[i + 1]);
      }
    }
    return new ReadResult(builder.build(), List.copyOf(oddities), List.of(remarks));
  }

  private boolean isVertex(int v) {
    return v >= 0 && v < vertices;
  }

  private boolean face(MeshBuilder builder, int f, int from) {
    int size = ends[f] - from;
    List<Integer> named =
        Arrays.stream(indices, from, ends[f]).filter(this::isVertex).boxed().toList();
    if (named.size() < size) {
      leaveOut(f, named, "it names a vertex that is not there; the file has " + vertices);
      return false;
    }
    int kept = dropRepeats(from, ends[f]);
    if (kept < 3) {
      leaveOut(f, named, "it has " + kept + " different corners in a row, a face needs 3");
      return false;
    }
    int face = builder.face(indices, from, kept);
    if (kept < size) {
      String dropped = size - kept == 1 ? "1 corner repeats" : size - kept + " corners repeat";
      oddities.add(
          new Oddity(
              Oddity.Kind.REPEATED_CORNER, lines[f], face, named, dropped + " the one before"));
    }
    return true;
  }

  private void leaveOut(int f, List<Integer> named, String why) {
    oddities.add(new Oddity(Oddity.Kind.UNREADABLE_FACE, lines[f], Mesh.NONE, named, why));
  }

  private int dropRepeats(int from, int to) {
    int count = 0;
    for (int i = from; i < to; i++) {
      if (count == 0 || indices[from + count - 1] != indices[i]) {
        indices[from + count++] = indices[i];
      }
    }
    while (count > 1 && indices[from + count - 1] == indices[from]) {
      count--;
    }
    return count;
  }
}
