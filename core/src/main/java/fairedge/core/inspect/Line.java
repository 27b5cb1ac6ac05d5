package fairedge.core.inspect;

import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.Iterator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One line of inspections of a mesh that changes step by step: what is known of it, and what was
 * found, kept up to date. Whoever asks tells what was touched since an inspection that he knows of;
 * the line adds what it has seen since then itself, such as a change that was tried and taken back.
 * For several threads, one at a time.
 */
final class Line {
  /** So many moves back it may be asked from. */
  private static final int MOST_MOVES = 64;

  /** Of more than this share of the faces all is better looked at. */
  private static final double MUCH = 0.1;

  private static final int LITTLE = 1000;

  private final Subject subject;
  private final List<Finders.Share> shares;
  private final List<List<Finding>> found;
  private final Deque<ElementSet> moves = new ArrayDeque<>();
  private int moved;

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
  record Renewed(Figures figures, List<List<Finding>> found, Recall.Gathered gathered, int move) {}

  /**
   * What is found after a change; null where the whole mesh is better looked at. Cost: what was
   * touched with what lies round it, the rings and loops through it, and the findings.
   */
  synchronized @Nullable Renewed renew(Mesh mesh, Since since) {
    int back = moved - since.recall().move();
    if (!isWhole || back > moves.size() || !subject.liesAsBefore(mesh)) {
      return null;
    }
    ElementSet touched = since(since.touched(), back);
    if (touched.faces().cardinality() > Math.max(LITTLE, MUCH * mesh.faceCount())) {
      return null;
    }
    isWhole = false;
    Anew anew = subject.update(mesh, touched, since);
    for (int i = 0; i < shares.size(); i++) {
      found.set(i, shares.get(i).finder().renew(subject, anew, found.get(i)));
    }
    Figures figures = Figures.of(subject);
    subject.rest();
    note(touched);
    isWhole = true;
    return new Renewed(figures, List.copyOf(found), subject.gathered(), moved);
  }

  /** What was touched, and in so many moves before. */
  private ElementSet since(ElementSet touched, int back) {
    if (back == 0) {
      return touched;
    }
    ElementSet all = new ElementSet();
    add(all, touched);
    Iterator<ElementSet> last = moves.descendingIterator();
    for (int i = 0; i < back; i++) {
      add(all, last.next());
    }
    return all;
  }

  private static void add(ElementSet to, ElementSet more) {
    to.vertices().or(more.vertices());
    to.edges().or(more.edges());
    to.faces().or(more.faces());
  }

  private void note(ElementSet touched) {
    moved++;
    moves.addLast(touched);
    if (moves.size() > MOST_MOVES) {
      moves.removeFirst();
    }
  }
}
