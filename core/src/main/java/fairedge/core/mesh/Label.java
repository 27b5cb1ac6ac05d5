package fairedge.core.mesh;

/**
 * What a file says of a face beside its corners; an empty text where it says nothing.
 *
 * @param object the named object it belongs to
 * @param group its groups, as written
 * @param material the name of its material
 * @param smoothing its smoothing group
 */
public record Label(String object, String group, String material, String smoothing) {
  public static final Label NONE = new Label("", "", "", "");
}
