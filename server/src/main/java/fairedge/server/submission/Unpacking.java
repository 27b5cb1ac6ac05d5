package fairedge.server.submission;

import fairedge.server.platform.Problem;
import java.io.BufferedInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;

/**
 * Takes the files out of what was brought: a zip, or a file by itself. What a zip says of its sizes
 * is not believed: what comes out is counted, and at a limit all of it is refused. Nothing is ever
 * written where a path says.
 */
final class Unpacking {
  private static final int MOST_FILES = 300;
  private static final int MOST_PATH = 300;

  private final long mostOfOne;
  private final long mostOfAll;
  private final Taker taker;
  private int files;
  private long bytes;

  /** What becomes of a file. */
  interface Taker {
    void take(String path, byte[] bytes);
  }

  /**
   * @param mostOfOne bytes of a file
   * @param mostOfAll bytes of all files together
   */
  Unpacking(long mostOfOne, long mostOfAll, Taker taker) {
    this.mostOfOne = mostOfOne;
    this.mostOfAll = mostOfAll;
    this.taker = taker;
  }

  /**
   * @throws Problem if it holds too much, a path that leads outside, or can't be unpacked
   */
  void take(String path, InputStream in) throws IOException {
    BufferedInputStream content = new BufferedInputStream(in, 1 << 16);
    content.mark(4);
    boolean isZip = Arrays.equals(content.readNBytes(4), new byte[] {'P', 'K', 3, 4});
    content.reset();
    if (!isZip) {
      takeOne(path, content);
      return;
    }
    // The archive itself stays open: its stream is the caller's to close.
    ZipInputStream zip = new ZipInputStream(content, StandardCharsets.UTF_8);
    try {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        if (!entry.isDirectory()) {
          takeOne(entry.getName(), zip);
        }
      }
    } catch (EOFException cut) {
      throw bad("This zip is cut off.", path, "a whole zip");
    } catch (ZipException | IllegalArgumentException broken) {
      throw bad("This zip can't be unpacked: " + broken.getMessage() + ".", path, "a sound zip");
    }
  }

  private void takeOne(String path, InputStream in) throws IOException {
    String inside = inside(path);
    if (isAside(inside)) {
      return;
    }
    if (++files > MOST_FILES) {
      throw bad("There are more than " + MOST_FILES + " files.", inside, "at most " + MOST_FILES);
    }
    long room = Math.min(mostOfOne, mostOfAll - bytes);
    byte[] content = in.readNBytes(Math.toIntExact(Math.min(room + 1, Integer.MAX_VALUE - 16)));
    if (content.length > room) {
      throw room < mostOfOne
          ? bad("The files are too large together.", inside, megabytes(mostOfAll) + " in all")
          : bad("One of the files is too large.", inside, megabytes(mostOfOne) + " a file");
    }
    bytes += content.length;
    taker.take(inside, content);
  }

  /** What systems leave beside files, for themselves. */
  private static boolean isAside(String path) {
    String name = path.substring(path.lastIndexOf('/') + 1);
    return path.startsWith("__MACOSX/")
        || name.startsWith(".")
        || name.equalsIgnoreCase("thumbs.db")
        || name.equalsIgnoreCase("desktop.ini");
  }

  private static String inside(String path) {
    String plain = path.replace('\\', '/').replaceAll("\\p{Cntrl}", "");
    boolean leadsOut =
        plain.startsWith("/")
            || plain.matches("[A-Za-z]:.*")
            || Arrays.asList(plain.split("/")).contains("..");
    if (leadsOut) {
      throw bad("A path in this zip leads outside of it.", plain, "paths that stay inside the zip");
    }
    return plain.length() > MOST_PATH ? plain.substring(plain.length() - MOST_PATH) : plain;
  }

  private static String megabytes(long bytes) {
    return "at most " + (bytes >> 20) + " MB";
  }

  private static Problem bad(String words, String found, String expected) {
    return Problem.of(
        Problem.Kind.BAD_FILE, words, Map.of("line", 0, "found", found, "expected", expected));
  }
}
