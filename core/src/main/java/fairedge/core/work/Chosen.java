package fairedge.core.work;

import java.util.List;

/** What a change leaves chosen, for the next to begin with. */
public record Chosen(List<Integer> vertices, List<Integer> edges, List<Integer> faces) {
  public static final Chosen NOTHING = new Chosen(List.of(), List.of(), List.of());

  public static Chosen faces(List<Integer> faces) {
    return new Chosen(List.of(), List.of(), faces);
  }
}
