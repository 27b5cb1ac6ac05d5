package fairedge.core.inspect.support;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SupportFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Mesh;
import fairedge.core.subdivide.CatmullClark;
import fairedge.core.subdivide.Refined;
import fairedge.core.survey.Excerpt;
import fairedge.core.survey.HardEdges;
import fairedge.core.survey.Patches;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import fairedge.core.survey.Widths;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;

/**
 * {@code soft-edge}: a hard edge ({@link HardEdges})
 *
 * <ol>
 *   <li>whose two ends, quarters and middle lie, on the surface subdivided twice, up to some
 *       distance from the straight line of the edge;
 *   <li>which is over the profile's share (5 %) of the width of the narrower of the two flat
 *       patches that meet there ({@link Patches}, {@link Widths}).
 * </ol>
 *
 * Hard edges that follow each other, patch beside patch the same, are one finding; its measure is
 * the largest share. Cost: the faces at the hard edges, times twenty, and the patches.
 */
public final class SoftEdgeFinder implements Finder {
  /** So many hard edges are subdivided at a time: then memory does not grow with them. */
  private static final int AT_A_TIME = 8192;

  @Override
  public List<Finding> find(Subject subject) {
    int[] hard =
        IntStream.range(0, subject.mesh().edgeEnd()).filter(subject.hardEdges()::isHard).toArray();
    return hard.length == 0 ? List.of() : new Search(subject, hard).findings();
  }

  private static final class Search {
    private final Subject subject;
    private final Mesh mesh;
    private final int[] hard;

    Search(Subject subject, int[] hard) {
      this.subject = subject;
      this.mesh = subject.mesh();
      this.hard = hard;
    }

    List<Finding> findings() {
      Widths widths = new Widths(subject);
      double most = subject.threshold(Threshold.SOFT_EDGE);
      Map<Long, List<Integer>> runs = new TreeMap<>();
      Map<Integer, Double> shares = new TreeMap<>();
      for (int from = 0; from < hard.length; from += AT_A_TIME) {
        int[] some = Arrays.copyOfRange(hard, from, Math.min(hard.length, from + AT_A_TIME));
        Subdivided subdivided = new Subdivided(mesh, some);
        for (int e : some) {
          int[] faces = mesh.facesOn(e);
          double width = Arrays.stream(faces).mapToDouble(widths::of).min().orElse(0);
          double share = width > 0 ? subdivided.moved(e) / width : 0;
          if (share > most) {
            shares.put(e, share);
            runs.computeIfAbsent(between(faces), r -> new ArrayList<>()).add(e);
          }
        }
      }
      return runs.values().stream()
          .sorted((p, q) -> Integer.compare(p.getFirst(), q.getFirst()))
          .map(run -> finding(run, shares))
          .toList();
    }

    private long between(int[] faces) {
      int one = subject.patches().of(faces[0]);
      // One face may have both sides of an edge.
      int other = subject.patches().of(faces[faces.length - 1]);
      return (long) Math.min(one, other) << 32 | Math.max(one, other);
    }

    private Finding finding(List<Integer> run, Map<Integer, Double> shares) {
      double largest = run.stream().mapToDouble(e -> shares.getOrDefault(e, 0.0)).max().orElse(0);
      int[] edges = run.stream().mapToInt(Integer::intValue).toArray();
      return new SupportFinding.SoftEdge(Where.atEdges(subject.mesh(), edges), largest);
    }
  }

  /** The surface that some edges become. */
  private static final class Subdivided {
    private final Mesh mesh;
    private final Excerpt excerpt;
    private final Refined twice;

    Subdivided(Mesh mesh, int[] edges) {
      this.mesh = mesh;
      BitSet ends = new BitSet();
      for (int e : edges) {
        ends.set(mesh.first(e));
        ends.set(mesh.second(e));
      }
      this.excerpt = new Excerpt(mesh, ends);
      this.twice = CatmullClark.refined(excerpt.mesh(), 2);
    }

    /** How far the surface lies from the edge, at most, at five places along it. */
    double moved(int e) {
      int a = excerpt.vertexOf(mesh.first(e));
      int b = excerpt.vertexOf(mesh.second(e));
      int own = a == Mesh.NONE || b == Mesh.NONE ? Mesh.NONE : excerpt.mesh().findEdge(a, b);
      if (own == Mesh.NONE) {
        return 0;
      }
      double largest = 0;
      for (int v : twice.along(own)) {
        largest = Math.max(largest, distance(e, twice.position(v)));
      }
      return largest;
    }

    private double distance(int e, Vec3 p) {
      Vec3 a = mesh.position(mesh.first(e));
      Vec3 along = mesh.position(mesh.second(e)).minus(a);
      // Along the edge a place may slide: that rounds nothing.
      return p.minus(a).cross(along).length() / along.length();
    }
  }
}
