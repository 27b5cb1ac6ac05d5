package fairedge.core.inspect;

import fairedge.core.inspect.finding.Finding;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Gathered;
import fairedge.core.survey.Moves;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * One line of inspections of a mesh that changes step by step: what is known of it, and what was
 * found, kept up to date. Whoever asks tells what was touched since an inspection that he knows of;
 * the line adds what it has seen since then itself, such as a change that was tried and taken back.
 * For several threads, one at a time.
 */
final class Line {
  /** Of more than this share of the faces all is better looked at. */
  private static final double MUCH = 0.1;

  private static final int LITTLE = 1000;

  private final Subject subject;
  private final List<Finders.Share> shares;
  private final List<List<Finding>> found;
  private final Moves moves = new Moves();

  /** False where bringing it up to date failed half way. */
  private boolean isWhole = true;

  /**
   * @param found by each of the shares, in their order
   */
  Line(Subject subject, List<Finders.Share> shares, List<List<Finding>> found) {
    this.subject = subject;
    this.shares = shares;
    this.found = new ArrayList<>(found);
    subject.rest();
  }

  /** What is found and counted after a change. */
  record Renewed(Found found, Gathered gathered, int move) {}

  /**
   * What is found after a change; null where the whole mesh is better looked at. Cost: what was
   * touched with what lies round it, the rings and loops through it, and the findings.
   */
  @Nullable Renewed renew(Mesh mesh, Since since) {
    return renew(mesh, since, facts -> {});
  }

  /** The same, letting somebody look at the facts while they are of this mesh. */
  synchronized @Nullable Renewed renew(Mesh mesh, Since since, Consumer<Subject> looks) {
    Moves.Touched own = Moves.Touched.of(since.touched());
    Moves.Touched touched = moves.since(since.recall().move(), own);
    if (!isWhole
        || touched == null
        || touched.faces().length > Math.max(LITTLE, MUCH * mesh.faceCount())
        || !subject.liesAsBefore(mesh)) {
      return null;
    }
    isWhole = false;
    Anew anew = subject.update(mesh, touched, since.recall().gathered(), since.near(), own);
    for (int i = 0; i < shares.size(); i++) {
      found.set(i, shares.get(i).finder().renew(subject, anew, found.get(i)));
    }
    Found now = Found.of(subject, Figures.of(subject), found);
    looks.accept(subject);
    subject.rest();
    isWhole = true;
    int move = moves.move(since.recall().move(), own);
    return new Renewed(now, subject.gathered(), move);
  }
}
