package fairedge.cli;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.format.obj.ObjReader;
import fairedge.core.format.obj.ObjWriter;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Wanted;
import fairedge.json.ExerciseZip;
import fairedge.json.ProfileView;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;

class CommandLineTest {
  private static final String CUBE =
      "v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nv 0 0 1\nv 1 0 1\nv 1 1 1\nv 0 1 1\n"
          + "f 4 3 2 1\nf 5 6 7 8\nf 1 2 6 5\nf 2 3 7 6\nf 3 4 8 7\nf 4 1 5 8\n";

  @TempDir private Path folder;

  /** What a run printed, and how it ended. */
  private record Run(int exit, String out, String err) {
    JsonNode json() {
      return Printed.JSON.readTree(out);
    }
  }

  private static Run run(Object... words) {
    String[] args = new String[words.length];
    for (int i = 0; i < words.length; i++) {
      args[i] = words[i].toString();
    }
    PrintStream out = System.out;
    PrintStream err = System.err;
    ByteArrayOutputStream toldOut = new ByteArrayOutputStream();
    ByteArrayOutputStream toldErr = new ByteArrayOutputStream();
    System.setOut(new PrintStream(toldOut, true, StandardCharsets.UTF_8));
    System.setErr(new PrintStream(toldErr, true, StandardCharsets.UTF_8));
    try {
      int exit = new CommandLine(new FairEdge()).execute(args);
      return new Run(
          exit, toldOut.toString(StandardCharsets.UTF_8), toldErr.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(out);
      System.setErr(err);
    }
  }

  private Path file(String name, String text) throws IOException {
    return Files.writeString(folder.resolve(name), text);
  }

  @Test
  void cleanFile_exitsWith0_oneToMendWith1_unreadableWith2() throws IOException {
    Path cube = file("cube.obj", CUBE);
    Path open = file("open.obj", CUBE.replace("f 5 6 7 8\n", ""));
    assertThat(run("inspect", cube).exit()).isZero();
    Run must = run("inspect", cube, open);
    assertThat(must.exit()).isEqualTo(1);
    assertThat(must.out()).contains("clean", "must   border", "Open border of 4 edges");
    Run unreadable = run("inspect", open, folder.resolve("none.obj"));
    assertThat(unreadable.exit()).isEqualTo(2);
    assertThat(unreadable.err()).contains("none.obj: there is no such file");
    assertThat(unreadable.out()).contains("open.obj");
    assertThat(run("inspect", file("no.obj", "v 0 0 0\n")).err())
        .contains("Line 1: found the end, and no face before it");
    assertThat(run("inspect", folder).exit()).isEqualTo(2);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "--profile Rigging x", "--weld -1 x", "--weld ten x", "--what x"})
  void wrongUse_exitsWith2_andSaysHow(String words) {
    Run run = run((Object[]) ("inspect " + words).strip().split(" "));
    assertThat(run.exit()).isEqualTo(2);
    assertThat(run.err()).contains("Usage: fair-edge inspect");
  }

  @Test
  void json_hasFigures_andFindingsWithTheirElements() throws IOException {
    Path mesh = file("pair.obj", CUBE.replace("f 5 6 7 8\n", "f 5 6 7\nf 5 7 8\n"));
    JsonNode report = run("inspect", "--json", mesh).json().path(0).path("report");
    assertThat(report.path("figures").path("triangles").asInt()).isEqualTo(2);
    assertThat(report.path("figures").path("rings").path("ends").path("triangle").asInt())
        .isEqualTo(4);
    JsonNode pair = report.path("findings").path(0);
    assertThat(pair.path("kind").asString()).isEqualTo("triangle");
    assertThat(pair.path("elements").path(2).path("ends")).hasToString("[4,6]");
    JsonNode loops = report.path("figures").path("loops");
    // Three at each of the six corners that the diagonal leaves as they are; at its own loops go
    // on.
    assertThat(loops.path("endsAtPoles")).hasToString("{\"3\":18}");
    assertThat(report.path("figures").path("concaveCorners").asInt()).isZero();
  }

  @Test
  void options_changeWhatCounts() throws IOException {
    Path open = file("open.obj", CUBE.replace("f 5 6 7 8\n", ""));
    assertThat(run("inspect", "--profile", "Open sheet", open).exit()).isZero();
    assertThat(run("inspect", "--starter", open, open).exit()).isZero();
    assertThat(run("inspect", "--weld", "1", file("cube.obj", CUBE)).out())
        .contains("8 vertices in one place");
    Path idle = file("idle.obj", "v 0 0 0\nv 1 -.02 0\nv 2 0 0\nv 2 2 0\nv 0 2 0\nf 1 2 3 4 5\n");
    assertThat(run("inspect", idle).out()).doesNotContain("idle-vertex");
    assertThat(run("inspect", "--threshold", "idleAngle=3", idle).out()).contains("idle-vertex");
    assertThat(run("inspect", "--threshold", "idle=3", idle).exit()).isEqualTo(2);
    assertThat(run("inspect", "--threshold", "idleAngle=-3", idle).exit()).isEqualTo(2);
    assertThat(run("inspect", "--idle-angle", "3", idle).out()).contains("idle-vertex");
  }

  @Test
  void shapeIsAskedFor_byFiles() throws IOException {
    Path cube = file("cube.obj", CUBE);
    Path large = file("large.obj", CUBE.replaceAll("(?m)^v (.) (.) (.)$", "v $100 $200 $300"));
    Path asked = file("asked.json", "{\"parts\": 2, \"faces\": 5}");
    assertThat(run("inspect", "--asked", asked, cube).out())
        .contains("1 part instead of 2", "1 face too many");
    assertThat(run("inspect", "--starter", cube, large).out())
        .contains("Does not lie where the starter lies");
    Run wrong = run("inspect", "--asked", file("wrong.json", "{\"parts\": 0}"), cube);
    assertThat(wrong.exit()).isEqualTo(2);
    assertThat(wrong.err()).contains("wrong.json", "one part or more");
    Path twoLoops =
        file("loops.json", "[{\"tool\": \"loops\", \"edge\": [0, 4], \"fraction\": 0.25}]");
    Path cut = folder.resolve("cut.ply");
    assertThat(run("apply", cube, twoLoops, "--out", cut).exit()).isZero();
    assertThat(run("inspect", "--starter", cube, "--reference", cube, cut).out())
        .contains("4 edges that are not needed here");
    assertThat(run("inspect", "--starter", cube, "--reference", cut, cut).exit()).isZero();
  }

  /** As the server exports it: what is marked, pardoned and known counts here as there. */
  @Test
  void exportedExercise_countsAsOnTheServer() throws IOException {
    Mesh lid = HarbourProps.hatchLid();
    Mesh solved = HarbourProps.hatchLid();
    Workpiece work = new Workpiece(solved, Tolerance.of(solved.bounds()));
    work.apply(Change.LoopsChange.of(solved.findEdge(0, 16), 0.5));
    Wanted wanted =
        Wanted.asked(
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            List.of(lid.position(0)),
            List.of(new Wanted.Pardon("ngon", null), new Wanted.Pardon("ring-stop", null)));
    String text =
        Printed.JSON.writeValueAsString(
            Map.of(
                "format",
                1,
                "unit",
                "mm",
                "exercise",
                Map.of("profile", ProfileView.of(Profile.ALL_QUADS), "wanted", wanted)));
    byte[] zip =
        new ExerciseZip(text.getBytes(StandardCharsets.UTF_8), lid, List.of(solved), List.of())
            .bytes();
    Path exercise = Files.write(folder.resolve("exercise.zip"), zip);
    Path done = obj("done.obj", solved);
    Run clean = run("inspect", "--exercise", exercise, done);
    assertThat(clean.exit()).as(clean.out()).isZero();
    assertThat(clean.out()).contains("4 of the starter pardoned");
    assertThat(run("inspect", done).exit()).isEqualTo(1);

    Mesh other = HarbourProps.hatchLid();
    Workpiece otherwise = new Workpiece(other, Tolerance.of(other.bounds()));
    otherwise.apply(Change.LoopsChange.of(other.findEdge(0, 16), 0.75));
    assertThat(run("inspect", "--exercise", exercise, obj("other.obj", other)).out())
        .contains("off-line", "16 edges that are not needed here");

    Run both = run("inspect", "--exercise", exercise, "--starter", done, done);
    assertThat(both.exit()).isEqualTo(2);
    assertThat(both.err()).contains("leave out the others");
    Run none = run("inspect", "--exercise", done, done);
    assertThat(none.exit()).isEqualTo(2);
    assertThat(none.err()).contains("done.obj");
  }

  @Test
  void mend_writesTheMeshMended_orSaysWhatWouldMendIt() throws IOException {
    Path split = file("split.obj", CUBE.replace("f 5 6 7 8\n", "f 5 6 7\nf 5 7 8\n"));
    Run told = run("mend", split);
    assertThat(told.exit()).isEqualTo(1);
    assertThat(told.out())
        .contains("Pair of triangles", "Lift this edge: two triangles become one quad.");
    Path out = folder.resolve("mended.obj");
    assertThat(run("mend", split, "--out", out).exit()).isZero();
    assertThat(run("inspect", out).exit()).isZero();
    assertThat(run("mend", split, "--kind", "hexagon", "--out", out).exit()).isEqualTo(2);
  }

  @Test
  void mend_takesAFolder_andItsChangesCanBeApplied() throws IOException {
    Path in = Files.createDirectories(folder.resolve("in"));
    Files.writeString(in.resolve("a.obj"), CUBE);
    Path open = Files.writeString(in.resolve("b.obj"), CUBE.replace("f 5 6 7 8\n", ""));
    Path to = folder.resolve("out");
    Run run = run("mend", in, "--out", to, "--json");
    assertThat(run.exit()).isZero();
    assertThat(run.json()).hasSize(2);
    assertThat(run.json().get(1).path("mended")).hasSize(1);
    Path changes = file("changes.json", run.json().get(1).path("changes").toString());
    Path again = folder.resolve("again.obj");
    assertThat(run("apply", open, changes, "--out", again).exit()).isZero();
    assertThat(again).hasSameBinaryContentAs(to.resolve("b.obj"));
  }

  private Path obj(String name, Mesh mesh) throws IOException {
    StringBuilder text = new StringBuilder();
    ObjWriter.write(mesh, text);
    return file(name, text.toString());
  }

  @Test
  void apply_makesChangesOneAfterTheOther_andKeepsTheVerticesFirst() throws Exception {
    Path cube = file("cube.obj", CUBE);
    Path changes =
        file(
            "changes.json",
            """
            [{"tool": "loops", "edge": [0, 4], "fraction": 0.25},
             {"tool": "loops", "edge": [0, 8], "fraction": 2},
             {"tool": "loops", "edge": [0, 8], "fraction": 0.5}]
            """);
    Path out = folder.resolve("out.obj");
    Run run = run("apply", cube, changes, "--out", out, "--json");
    assertThat(run.exit()).isEqualTo(1);
    JsonNode receipts = run.json();
    assertThat(receipts.path(0).path("newVertices")).hasToString("[8,9,10,11]");
    assertThat(receipts.path(0).path("splitEdges")).hasSize(4);
    assertThat(receipts.path(1).path("made").asBoolean()).isFalse();
    assertThat(receipts.path(1).path("refusal").path("element").path("ends")).hasToString("[0,8]");
    assertThat(receipts.path(2).path("made").asBoolean()).isTrue();
    Mesh mesh = ObjReader.read(Files.newInputStream(out)).mesh();
    assertThat(mesh.vertexCount()).isEqualTo(16);
    assertThat(mesh.faceCount()).isEqualTo(14);
    assertThat(mesh.position(7).z()).isEqualTo(1);
    assertThat(run("inspect", out).exit()).isZero();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{}",
        "[",
        "[{}]",
        "[null]",
        "[3]",
        "[[]]",
        "[{\"tool\": \"lift\", \"edges\": [null]}]",
        "[{\"tool\": \"trace\", \"points\": [null]}]",
        "[{\"tool\": \"axe\"}]",
        "[{\"tool\": \"loops\", \"edge\": [0, 6], \"fraction\": 0.5}]",
        "[{\"tool\": \"loops\", \"edge\": [0], \"fraction\": 0.5}]",
        "[{\"tool\": \"loops\", \"edge\": \"first\", \"fraction\": 0.5}]"
      })
  void changesThatCantBeUnderstood_exitWith2_andWriteNothing(String text) throws IOException {
    Path out = folder.resolve("out.obj");
    Run run = run("apply", file("cube.obj", CUBE), file("changes.json", text), "--out", out);
    assertThat(run.exit()).isEqualTo(2);
    assertThat(run.err()).contains("changes.json");
    assertThat(out).doesNotExist();
  }
}
