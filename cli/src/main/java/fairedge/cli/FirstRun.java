package fairedge.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import picocli.CommandLine;

/** Uses all that the command line uses, so that a cache of its classes can be made of it. */
public final class FirstRun {
  private static final String CUBE =
      """
      v 0 0 0
      v 1 0 0
      v 1 1 0
      v 0 1 0
      v 0 0 1
      v 1 0 1
      v 1 1 1
      v 0 1 1
      f 4 3 2 1
      f 5 6 7
      f 5 7 8
      f 1 2 6 5
      f 2 3 7 6
      f 3 4 8 7
      f 4 1 5 8
      """;

  private static final String CHANGES =
      """
      [{"tool": "loops", "edge": [0, 4], "fraction": 0.5},
       {"tool": "trace", "points": [
         {"anchor": {"on": "vertex", "vertex": 0},
          "view": {"kind": "parallel", "direction": {"x": 0, "y": 0, "z": 1}}},
         {"anchor": {"on": "edge", "edge": [2, 3], "t": 0.5},
          "view": {"kind": "parallel", "direction": {"x": 0, "y": 0, "z": 1}}}]}]
      """;

  private FirstRun() {}

  public static void main(String[] args) throws IOException {
    Path folder = Files.createTempDirectory("fair-edge-first-run");
    Path mesh = Files.writeString(folder.resolve("cube.obj"), CUBE);
    Path changes = Files.writeString(folder.resolve("changes.json"), CHANGES);
    Path out = folder.resolve("out.obj");
    CommandLine commands = new CommandLine(new FairEdge());
    commands.execute("inspect", mesh.toString());
    commands.execute("inspect", "--json", mesh.toString());
    commands.execute(
        "apply", mesh.toString(), changes.toString(), "--out", out.toString(), "--json");
    for (Path file : Stream.of(mesh, changes, out, folder).toList()) {
      Files.deleteIfExists(file);
    }
  }
}
