package fairedge.cli;

import fairedge.core.format.MeshFormat;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import fairedge.json.ChangeNames;
import fairedge.json.ReceiptView;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Applies changes one after the other. A refused one leaves the mesh as it was. */
@Command(
    name = "apply",
    description = "Applies a list of changes to a mesh file and prints the receipts.",
    mixinStandardHelpOptions = true,
    exitCodeListHeading = "Exit:%n",
    exitCodeList = {"0:all were made", "1:one was refused", "2:unreadable, or wrong use"})
final class ApplyCommand implements Callable<Integer> {
  @Parameters(index = "0", paramLabel = "FILE", description = "an OBJ file")
  private Path file = Path.of("");

  @Parameters(index = "1", paramLabel = "CHANGES", description = "a JSON list of changes")
  private Path changes = Path.of("");

  @Option(names = "--out", required = true, paramLabel = "OUT", description = "OBJ file to write")
  private Path out = Path.of("");

  @Option(names = "--json", description = "receipts as JSON")
  private boolean json;

  /** A list of changes that can't be understood. */
  private static final class BadChanges extends Exception {
    private static final long serialVersionUID = 1L;

    private BadChanges(String message) {
      super(message);
    }
  }

  @Override
  public Integer call() {
    try {
      Mesh mesh = MeshFile.read(file).mesh();
      Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
      List<ReceiptView> receipts = new ArrayList<>();
      for (JsonNode asked : asked()) {
        receipts.add(apply(workpiece, asked, receipts.size()));
      }
      try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(out), 1 << 16)) {
        MeshFormat.writtenTo(out.toString()).orElse(MeshFormat.OBJ).write(mesh, stream);
      }
      print(System.out, receipts);
      return receipts.stream().allMatch(ReceiptView::made) ? 0 : 1;
    } catch (MeshFile.Unreadable | BadChanges e) {
      System.err.println("fair-edge: " + e.getMessage());
      return 2;
    } catch (IOException e) {
      System.err.println("fair-edge: " + out + " can't be written (" + e.getMessage() + ")");
      return 2;
    }
  }

  private List<JsonNode> asked() throws BadChanges {
    JsonNode list;
    try {
      list = Printed.JSON.readTree(Files.readAllBytes(changes));
    } catch (IOException e) {
      throw new BadChanges(changes + ": it can't be read (" + e.getMessage() + ")");
    } catch (JacksonException e) {
      throw new BadChanges(
          "%s: line %d is no JSON: %s"
              .formatted(changes, e.getLocation().getLineNr(), e.getOriginalMessage()));
    }
    if (!list.isArray()) {
      throw new BadChanges(changes + ": found no list of changes, expected [ ... ]");
    }
    List<JsonNode> all = new ArrayList<>();
    list.forEach(all::add);
    return all;
  }

  private ReceiptView apply(Workpiece workpiece, JsonNode asked, int number) throws BadChanges {
    Change change;
    try {
      if (!asked.isObject()) {
        throw new IllegalArgumentException("found " + asked + ", expected { \"tool\": ... }");
      }
      JsonNode named = ChangeNames.resolved(asked, workpiece.mesh());
      change = Printed.JSON.treeToValue(named, Change.class);
    } catch (JacksonException | IllegalArgumentException e) {
      String why = e instanceof JacksonException j ? j.getOriginalMessage() : e.getMessage();
      throw new BadChanges("%s: change %d can't be understood: %s".formatted(changes, number, why));
    }
    Outcome outcome = workpiece.apply(change);
    return ReceiptView.of(outcome, workpiece.mesh());
  }

  private void print(PrintStream to, List<ReceiptView> receipts) {
    if (json) {
      Printed.json(to, receipts);
      return;
    }
    for (int i = 0; i < receipts.size(); i++) {
      to.println("change " + i + ": " + receipts.get(i).sentence());
    }
  }
}
