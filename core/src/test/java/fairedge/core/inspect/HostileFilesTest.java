package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.HostileFiles;
import fairedge.core.format.Limits;
import fairedge.core.format.MeshFormat;
import fairedge.core.format.wire.WireMessage;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.lens.Lens;
import fairedge.core.lens.Looks;
import fairedge.core.mesh.Mesh;
import fairedge.core.subdivide.CatmullClark;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Thresholds;
import fairedge.core.survey.Wanted;
import java.io.ByteArrayInputStream;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The limit is not a measure: what squares its cost would take many times as long. */
@Timeout(value = 1, unit = TimeUnit.MINUTES)
class HostileFilesTest {
  private static final Map<String, Supplier<byte[]>> FILES = HostileFiles.all();

  static Stream<String> names() {
    return FILES.keySet().stream();
  }

  private static Mesh read(String name) throws Exception {
    byte[] file = FILES.get(name).get();
    return MeshFormat.read(new ByteArrayInputStream(file), Limits.ofFaces(2_500_000)).mesh();
  }

  private static Profile everything() {
    Map<Rule, Severity> every = new EnumMap<>(Rule.class);
    for (Rule rule : Rule.values()) {
      every.put(rule, Severity.MUST);
    }
    return new Profile("everything", every, Thresholds.USUAL);
  }

  @ParameterizedTest
  @MethodSource("names")
  void file_isReadInspectedAndLookedAt(String name) throws Exception {
    Mesh mesh = read(name);
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    Starter starter = new Starter(mesh, tolerance.flat());
    Inspector inspector = new Inspector(everything(), tolerance, starter);
    Inspector.Inspected inspected = inspector.inspect(mesh, List.of(), null);
    assertThat(inspected.report().figures().faces()).isEqualTo(mesh.faceCount());
    assertThat(inspected.report().findings()).isNotEmpty();
    Looks looks = new Looks(everything().thresholds(), tolerance, starter, Wanted.NOTHING);
    for (Lens lens : Lens.values()) {
      assertThat(looks.look(mesh, lens).sentence()).isNotBlank();
    }
    assertThat(WireMessage.whole(mesh, mesh.bounds().centre(), 0)).isNotEmpty();
    if (CatmullClark.faces(mesh, 1) < 1_000_000) {
      assertThat(CatmullClark.refined(mesh, 1)).isNotNull();
    }
  }

  @Test
  void whatIsNotLookedAt_isSaid() throws Exception {
    Mesh mesh = read("two hubs of triangles");
    Inspector inspector = new Inspector(Profile.ALL_QUADS, Tolerance.of(mesh.bounds()));
    Report report = inspector.inspect(mesh);
    assertThat(report.leftOut()).extracting(LeftOut::kind).contains(Kind.CROSSING);
    assertThat(inspector.inspect(mesh).leftOut()).isEqualTo(report.leftOut());
    Mesh small = read("3 thousand triangles through each other");
    Report tangled = new Inspector(Profile.ALL_QUADS, Tolerance.of(small.bounds())).inspect(small);
    assertThat(tangled.findings())
        .anySatisfy(f -> assertThat(f.finding().title()).isEqualTo("Faces cross all over"));
  }
}
