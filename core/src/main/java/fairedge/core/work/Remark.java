package fairedge.core.work;

import fairedge.core.flow.Stop;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Element;
import org.jspecify.annotations.Nullable;

/**
 * Something to know about a cut.
 *
 * @param text a sentence
 * @param element the element to look at
 * @param at the place to mark, where there is one
 * @param stop what stops a loop here, where something does
 */
public record Remark(
    String text, @Nullable Element element, @Nullable Vec3 at, Stop.@Nullable Cause stop) {
  public static Remark of(String text, @Nullable Element element) {
    return new Remark(text, element, null, null);
  }
}
