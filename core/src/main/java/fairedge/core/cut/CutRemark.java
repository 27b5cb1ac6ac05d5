package fairedge.core.cut;

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
public record CutRemark(
    String text, @Nullable Element element, @Nullable Vec3 at, Stop.@Nullable Cause stop) {
  static CutRemark of(String text, @Nullable Element element) {
    return new CutRemark(text, element, null, null);
  }
}
