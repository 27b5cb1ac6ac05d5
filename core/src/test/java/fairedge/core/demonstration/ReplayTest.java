package fairedge.core.demonstration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.props.Form;
import fairedge.core.step.Tidying;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class ReplayTest {
  private static final View ABOVE = new View.Parallel(new Vec3(0, 0, -1));

  private static Deed connect(int a, int b) {
    return new Deed.Made(new Tidying.ConnectChange(List.of(a, b), Scope.WHOLE), ABOVE);
  }

  /** How many faces there are after each deed. */
  private static List<Integer> faces(Mesh mesh, List<Deed> deeds) throws Replay.Broken {
    List<Integer> faces = new ArrayList<>();
    Replay.play(
        mesh,
        Tolerance.of(mesh.bounds()),
        deeds,
        (deed, now, effect) -> {
          assertThat(deed).isEqualTo(faces.size());
          assertThat(effect == null).isEqualTo(deeds.get(deed) instanceof Deed.TakenBack);
          faces.add(now.faceCount());
        });
    return faces;
  }

  @Test
  void whatIsTakenBack_leavesTheBytesOfBefore() throws Replay.Broken {
    Mesh mesh = Form.HATCH_LID.mesh();
    byte[] before = MeshBytes.write(mesh);
    List<Deed> deeds =
        List.of(connect(16, 24), connect(20, 28), new Deed.TakenBack(), new Deed.TakenBack());
    assertThat(faces(mesh, deeds.subList(0, 2))).containsExactly(19, 21);
    Mesh again = Form.HATCH_LID.mesh();
    assertThat(faces(again, deeds)).containsExactly(19, 21, 19, 18);
    assertThat(MeshBytes.write(again)).isEqualTo(before);
  }

  @Test
  void whatCanNotBeDone_saysWhich_andWhy() {
    assertThatExceptionOfType(Replay.Broken.class)
        .isThrownBy(() -> faces(Form.HATCH_LID.mesh(), List.of(connect(16, 24), connect(16, 9999))))
        .satisfies(broken -> assertThat(broken.deed()).isEqualTo(1))
        .withMessageMatching(".{10,}");
    assertThatExceptionOfType(Replay.Broken.class)
        .isThrownBy(() -> faces(Form.HATCH_LID.mesh(), List.of(connect(16, 24), connect(16, 24))))
        .satisfies(broken -> assertThat(broken.deed()).isEqualTo(1));
    assertThatExceptionOfType(Replay.Broken.class)
        .isThrownBy(() -> faces(Form.HATCH_LID.mesh(), List.of(new Deed.TakenBack())))
        .withMessage("There is no step to take back here.");
  }

  static List<Sample> samples() {
    return Samples.all();
  }

  @ParameterizedTest
  @MethodSource("samples")
  void samples_replay_sayWhatIsSeen_andEndInQuads(Sample sample) throws Replay.Broken {
    Mesh mesh = sample.form().mesh();
    List<Deed> deeds = sample.scenes().stream().map(Sample.Scene::deed).toList();
    assertThat(faces(mesh, deeds)).hasSize(deeds.size());
    assertThat(IntStream.range(0, mesh.faceEnd()).filter(mesh::hasFace).map(mesh::size))
        .containsOnly(4);
    assertThat(sample.scenes())
        .allSatisfy(scene -> assertThat(scene.caption()).isNotBlank())
        .anySatisfy(scene -> assertThat(scene.question()).isNotBlank());
    assertThat(Profile.named(sample.profile())).isNotNull();
  }

  @Test
  void samples_haveKeysOfTheirOwn() {
    assertThat(Samples.all()).extracting(Sample::key).doesNotHaveDuplicates().hasSize(3);
  }

  /** What is said of the loop is what the engine does. */
  @Test
  void theLoop_stopsAtTheTriangles_andRunsRoundWithoutThem() throws Replay.Broken {
    Sample sample = Samples.all().getFirst();
    List<Deed> deeds = sample.scenes().stream().map(Sample.Scene::deed).toList();
    assertThat(faces(sample.form().mesh(), deeds))
        .containsExactly(140, 120, 121, 140, 121, 120, 140);
  }
}
