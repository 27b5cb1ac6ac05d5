package fairedge.core.fill;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.fill.QuadParts.Chord;
import fairedge.core.geometry.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class QuadPartsTest {
  private static final Vec3 UP = new Vec3(0, 0, 1);

  private static Vec3[] round(int n, SplittableRandom random) {
    Vec3[] places = new Vec3[n];
    for (int i = 0; i < n; i++) {
      double at = 2 * Math.PI * (i + random.nextDouble(-0.3, 0.3)) / n;
      places[i] = new Vec3(Math.cos(at), 1.3 * Math.sin(at), 0);
    }
    return places;
  }

  /** All ways to divide a convex polygon, each as its quads. */
  private static List<List<int[]>> all(int i, int j) {
    List<List<int[]>> ways = new ArrayList<>();
    if (j - i == 1) {
      ways.add(List.of());
      return ways;
    }
    for (int a = i + 1; a < j; a += 2) {
      for (int b = a + 1; b < j; b += 2) {
        for (List<int[]> one : all(i, a)) {
          for (List<int[]> two : all(a, b)) {
            for (List<int[]> three : all(b, j)) {
              List<int[]> way = new ArrayList<>(one);
              way.addAll(two);
              way.addAll(three);
              way.add(new int[] {i, a, b, j});
              ways.add(way);
            }
          }
        }
      }
    }
    return ways;
  }

  private static double cost(Vec3[] places, List<int[]> quads) {
    double sum = 0;
    for (int[] q : quads) {
      for (int k = 0; k < 4; k++) {
        Vec3 at = places[q[k]];
        Vec3 back = places[q[(k + 3) % 4]].minus(at);
        sum += Math.abs(back.angleTo(places[q[(k + 1) % 4]].minus(at)) - 90);
      }
    }
    return sum;
  }

  private static List<int[]> quads(int n, List<Chord> chords) {
    List<int[]> faces = new ArrayList<>();
    int[] whole = new int[n];
    for (int i = 0; i < n; i++) {
      whole[i] = i;
    }
    faces.add(whole);
    for (Chord chord : chords) {
      for (int[] face : List.copyOf(faces)) {
        int from = indexOf(face, chord.from());
        int to = indexOf(face, chord.to());
        if (from >= 0 && to >= 0) {
          faces.remove(face);
          faces.add(between(face, from, to));
          faces.add(between(face, to, from));
          break;
        }
      }
    }
    return faces;
  }

  private static int indexOf(int[] face, int corner) {
    for (int i = 0; i < face.length; i++) {
      if (face[i] == corner) {
        return i;
      }
    }
    return -1;
  }

  private static int[] between(int[] face, int from, int to) {
    int count = Math.floorMod(to - from, face.length) + 1;
    int[] part = new int[count];
    for (int i = 0; i < count; i++) {
      part[i] = face[(from + i) % face.length];
    }
    return part;
  }

  @ParameterizedTest
  @CsvSource({"6, 3", "8, 12", "10, 55", "12, 273"})
  void ofAllWays_itIsTheOneWithTheSquarestCorners(int n, int ways) {
    SplittableRandom random = new SplittableRandom(n);
    List<List<int[]>> all = all(0, n - 1);
    assertThat(all).hasSize(ways);
    for (int round = 0; round < 20; round++) {
      Vec3[] places = round(n, random);
      List<Chord> chords = QuadParts.of(places, UP, (i, k) -> -1);
      List<int[]> quads = quads(n, chords);
      assertThat(quads).hasSize(n / 2 - 1).allMatch(q -> q.length == 4);
      double least = all.stream().mapToDouble(w -> cost(places, w)).min().orElseThrow();
      assertThat(cost(places, quads)).isCloseTo(least, within(1e-9));
    }
  }

  /** A corner that turns back: chords that leave the polygon are no way. */
  @Test
  void inAConcaveOne_everyQuadTurnsToTheLeft() {
    Vec3[] ell = {
      new Vec3(0, 0, 0), new Vec3(2, 0, 0), new Vec3(2, 1, 0),
      new Vec3(1, 1, 0), new Vec3(1, 2, 0), new Vec3(0, 2, 0)
    };
    assertThat(QuadParts.of(ell, UP, (i, k) -> -1)).containsExactly(new Chord(0, 3));
    assertThat(QuadParts.of(ell, UP, (i, k) -> i == 0 && k == 3 ? 7 : -1))
        .as("these are joined already")
        .isEmpty();
  }

  @Test
  void anOddOne_aQuad_andOneOfTooManySides_areLeft() {
    SplittableRandom random = new SplittableRandom(1);
    assertThat(QuadParts.of(round(7, random), UP, (i, k) -> -1)).isEmpty();
    assertThat(QuadParts.of(round(4, random), UP, (i, k) -> -1)).isEmpty();
    assertThat(QuadParts.of(round(42, random), UP, (i, k) -> -1)).isEmpty();
    assertThat(quads(40, QuadParts.of(round(40, random), UP, (i, k) -> -1))).hasSize(19);
  }
}
