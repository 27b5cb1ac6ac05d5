package fairedge.core.near;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FaceTreeTest {
  private static Region box(double[] b) {
    return (minX, minY, minZ, maxX, maxY, maxZ) ->
        minX <= b[3]
            && maxX >= b[0]
            && minY <= b[4]
            && maxY >= b[1]
            && minZ <= b[5]
            && maxZ >= b[2];
  }

  private static double[] randomBox(SplittableRandom random, double width) {
    double[] box = new double[6];
    for (int i = 0; i < 3; i++) {
      box[i] = random.nextDouble(10);
      box[i + 3] = box[i] + random.nextDouble(width);
    }
    return box;
  }

  @ParameterizedTest
  @ValueSource(ints = {0, 1, 2, 3, 500})
  void boxes_thatComeAndGo_areFoundWhereTheyAre(int filled) {
    SplittableRandom random = new SplittableRandom(filled + 5);
    TreeMap<Integer, double[]> there = new TreeMap<>();
    BoxTree tree = new BoxTree();
    double[] all = new double[6 * filled];
    for (int i = 0; i < filled; i++) {
      double[] box = randomBox(random, 1);
      there.put(i, box);
      System.arraycopy(box, 0, all, 6 * i, 6);
    }
    tree.fill(there.keySet().stream().mapToInt(i -> i).toArray(), all);
    for (int round = 0; round < 2000; round++) {
      int id = random.nextInt(700);
      if (tree.has(id) && random.nextBoolean()) {
        tree.remove(id);
        there.remove(id);
      } else {
        there.merge(
            id, randomBox(random, 1), random.nextBoolean() ? (a, b) -> half(a) : (a, b) -> b);
        tree.put(id, there.get(id));
      }
      if (round % 20 == 0) {
        Region asked = box(randomBox(random, 4));
        List<Integer> found = new ArrayList<>();
        tree.find(asked, found::add);
        List<Integer> wanted =
            there.entrySet().stream()
                .filter(e -> meets(asked, e.getValue()))
                .map(e -> e.getKey())
                .toList();
        assertThat(found).containsAll(wanted);
        // Rounded outwards: no more than those within a hair.
        assertThat(found.size() - wanted.size()).isLessThanOrEqualTo(1);
      }
    }
  }

  /** What a cut leaves of a box. */
  private static double[] half(double[] box) {
    double[] half = box.clone();
    half[3] = (box[0] + box[3]) / 2;
    return half;
  }

  private static boolean meets(Region region, double[] b) {
    return region.mayMeet(b[0], b[1], b[2], b[3], b[4], b[5]);
  }

  @Test
  void boxesAddedInOrder_makeNoDeepTree() {
    BoxTree tree = new BoxTree();
    for (int i = 0; i < 4096; i++) {
      tree.put(i, new double[] {i, 0, 0, i + 1, 1, 1});
    }
    assertThat(tree.height()).isLessThanOrEqualTo(18);
    for (int i = 0; i < 4096; i++) {
      tree.remove(i);
    }
    assertThat(tree.isEmpty()).isTrue();
  }

  @Test
  void facesTouched_areFoundAtOnce_andWhereTheyAreOnceTold() {
    Mesh grid = Meshes.grid(10, 10);
    FaceTree tree = new FaceTree(grid);
    Region corner = box(new double[] {8.5, 8.5, -1, 8.6, 8.6, 1});
    assertThat(tree.meeting(corner, new BitSet())).containsExactly(88);
    MeshEdit edit = new MeshEdit(grid);
    int c = grid.firstCorner(88);
    int made = edit.splitFace(88, c, grid.next(grid.next(c)), List.of());
    assertThat(tree.meeting(corner, edit.journal().touched().faces())).containsExactly(88, made);
    tree.update(edit.journal().touched().faces());
    assertThat(tree.meeting(corner, new BitSet())).containsExactly(88, made);
    edit.moveVertex(0, new Vec3(8.55, 8.55, 0.5));
    tree.update(edit.journal().touched().faces());
    assertThat(tree.meeting(corner, new BitSet())).contains(0, 88);
    edit.undoAll();
    tree.update(edit.journal().touched().faces());
    assertThat(tree.meeting(corner, new BitSet())).containsExactly(88);
  }

  @Test
  void whatIsNearToTouchedFaces_andVertices_isFound() {
    Mesh grid = Meshes.grid(10, 10);
    ElementSet touched = new ElementSet();
    touched.faces().set(33);
    touched.faces().set(34);
    touched.vertices().set(0);
    BitSet wanted = new BitSet();
    for (int row = 2; row <= 4; row++) {
      wanted.set(10 * row + 2, 10 * row + 6);
    }
    wanted.set(0);
    assertThat(new FaceTree(grid).near(touched, 0.1)).isEqualTo(wanted);
  }

  @Test
  void facesWithoutAPlace_areLeftOut() {
    MeshBuilder b = new MeshBuilder();
    b.vertex(0, 0, 0);
    b.vertex(1, 0, 0);
    b.vertex(Double.NaN, 1, 0);
    b.vertex(0, 1, 0);
    b.face(0, 1, 2);
    b.face(0, 1, 3);
    double[] everywhere = new double[6];
    Arrays.fill(everywhere, 0, 3, -9);
    Arrays.fill(everywhere, 3, 6, 9);
    assertThat(new FaceTree(b.build()).meeting(box(everywhere), new BitSet())).containsExactly(1);
  }
}
