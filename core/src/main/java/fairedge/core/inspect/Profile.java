package fairedge.core.inspect;

import static fairedge.core.inspect.Severity.MUST;
import static fairedge.core.inspect.Severity.REMARK;
import static fairedge.core.inspect.Severity.SHOULD;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Which kinds of finding count in an exercise, how much, and from which number on. A severity that
 * is null is off.
 *
 * @param idleAngle largest turn at an idle vertex, degrees
 * @param pairBend largest angle between the two faces of a triangle pair, degrees
 * @param weld distance at which vertices are doubles, in the mesh's unit; null: 1e-6 S
 */
public record Profile(
    String name,
    @Nullable Severity ngon,
    @Nullable Severity flatNgon,
    @Nullable Severity triangle,
    @Nullable Severity fan,
    @Nullable Severity idleVertex,
    @Nullable Severity doubles,
    double idleAngle,
    double pairBend,
    @Nullable Double weld) {

  public static final Profile ALL_QUADS = builtIn("All quads", MUST, MUST, MUST, MUST, MUST, MUST);
  public static final Profile SMOOTH_FORM =
      builtIn("Smooth form", MUST, MUST, MUST, SHOULD, MUST, MUST);
  public static final Profile FLAT_PANELS =
      builtIn("Flat panels", MUST, null, SHOULD, REMARK, MUST, MUST);
  public static final Profile STUDY_PIECE =
      builtIn("Study piece", REMARK, REMARK, REMARK, null, REMARK, SHOULD);
  public static final Profile OPEN_SHEET =
      builtIn("Open sheet", MUST, MUST, MUST, MUST, MUST, MUST);

  private static final List<Profile> BUILT_IN =
      List.of(ALL_QUADS, SMOOTH_FORM, FLAT_PANELS, STUDY_PIECE, OPEN_SHEET);

  private static Profile builtIn(String name, @Nullable Severity... severities) {
    return new Profile(
        name,
        severities[0],
        severities[1],
        severities[2],
        severities[3],
        severities[4],
        severities[5],
        1,
        20,
        null);
  }

  public static List<Profile> builtIn() {
    return BUILT_IN;
  }

  /**
   * @throws IllegalArgumentException naming the profiles there are
   */
  public static Profile named(String name) {
    return BUILT_IN.stream()
        .filter(p -> p.name.equals(name))
        .findFirst()
        .orElseThrow(() ->
            new IllegalArgumentException(
                "no profile is called \""
                    + name
                    + "\"; there are "
                    + Arrays.toString(BUILT_IN.stream().map(Profile::name).toArray())));
  }

  /** How much a finding counts; empty where its kind is off. */
  public Optional<Severity> severityOf(Finding finding) {
    return Optional.ofNullable(
        switch (finding) {
          case Finding.Ngon n -> n.flat() ? flatNgon : ngon;
          case Finding.Triangle t -> t.form() == Finding.Triangle.Form.FAN ? fan : triangle;
          case Finding.IdleVertex i -> idleVertex;
          case Finding.DoubleVertices d -> doubles;
        });
  }
}
