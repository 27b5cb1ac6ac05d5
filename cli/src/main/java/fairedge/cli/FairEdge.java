package fairedge.cli;

import picocli.CommandLine;
import picocli.CommandLine.Command;

/**
 * Checks and changes mesh files. Exit: 0 nothing must be mended, 1 something must (or a change was
 * refused), 2 unreadable or wrong use.
 */
@Command(
    name = "fair-edge",
    description = "Checks and changes mesh files, without a server.",
    subcommands = {InspectCommand.class, ApplyCommand.class, MendCommand.class},
    mixinStandardHelpOptions = true,
    version = "Fair Edge 0.1.0")
public final class FairEdge implements Runnable {
  public static void main(String[] args) {
    System.exit(new CommandLine(new FairEdge()).execute(args));
  }

  @Override
  public void run() {
    CommandLine.usage(this, System.out);
  }
}
