package fairedge.cli;

import fairedge.core.format.BadFile;
import fairedge.core.format.Limits;
import fairedge.core.format.MeshFormat;
import fairedge.core.format.ReadResult;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;

/** Reading the files that are named; what is wrong is said in one line. */
final class MeshFile {
  private MeshFile() {}

  /** Why a file can't be read. */
  static final class Unreadable extends Exception {
    private static final long serialVersionUID = 1L;

    private Unreadable(Path file, String why) {
      super(file + ": " + why);
    }
  }

  static ReadResult read(Path file) throws Unreadable {
    try (InputStream in = new BufferedInputStream(Files.newInputStream(file), 1 << 16)) {
      return MeshFormat.read(in, Limits.NONE);
    } catch (BadFile bad) {
      throw new Unreadable(file, String.valueOf(bad.getMessage()));
    } catch (NoSuchFileException e) {
      throw new Unreadable(file, "there is no such file");
    } catch (IOException e) {
      throw new Unreadable(file, "it can't be read (" + e.getMessage() + ")");
    }
  }
}
