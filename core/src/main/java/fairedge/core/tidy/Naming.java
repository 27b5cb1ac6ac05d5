package fairedge.core.tidy;

import fairedge.core.local.Refusal;
import fairedge.core.mesh.Label;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Site;
import java.util.Collection;
import java.util.List;

/** Naming of parts: the object that faces belong to, as files tell it. Cost: the faces. */
public final class Naming {
  private static final int LONGEST = 60;

  private Naming() {}

  /**
   * @param name of at most 60 letters in one line; empty for none
   * @throws Refusal.Raised where that is no name
   */
  public static Done name(Site site, Collection<Integer> faces, String name) {
    Mesh mesh = site.mesh();
    String told = name.strip();
    if (told.length() > LONGEST || told.chars().anyMatch(Character::isISOControl)) {
      throw Refusal.because("A name is one line of at most %d letters.".formatted(LONGEST));
    }
    for (int f : Asked.faces(site, faces)) {
      Label label = mesh.labels().get(mesh.labelOf(f));
      if (!label.object().equals(told)) {
        site.edit()
            .labelFace(f, new Label(told, label.group(), label.material(), label.smoothing()));
      }
    }
    return new Done(List.of(), List.of(), 0, Chosen.faces(List.copyOf(faces)));
  }
}
