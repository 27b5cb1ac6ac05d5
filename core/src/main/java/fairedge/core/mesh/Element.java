package fairedge.core.mesh;

/** One element of a mesh by kind and id. */
public record Element(Kind kind, int id) {
  public enum Kind {
    VERTEX,
    EDGE,
    FACE
  }

  public static Element vertex(int id) {
    return new Element(Kind.VERTEX, id);
  }

  public static Element edge(int id) {
    return new Element(Kind.EDGE, id);
  }

  public static Element face(int id) {
    return new Element(Kind.FACE, id);
  }

  public boolean isIn(Mesh mesh) {
    return switch (kind) {
      case VERTEX -> mesh.hasVertex(id);
      case EDGE -> mesh.hasEdge(id);
      case FACE -> mesh.hasFace(id);
    };
  }

  @Override
  public String toString() {
    return kind.name().toLowerCase(java.util.Locale.ROOT) + " " + id;
  }
}
