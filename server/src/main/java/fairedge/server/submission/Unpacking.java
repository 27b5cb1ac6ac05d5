package fairedge.server.submission;

import fairedge.server.platform.Problem;
import java.io.BufferedInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipInputStream;

/**
 * Takes the files out of what was brought: a zip, or a file by itself. What a zip says of its sizes
 * is not believed: what comes out is counted, and at a limit all of it is refused. Nothing is ever
 * written where a path says: what is taken out lies in a folder of its own until that is closed.
 */
final class Unpacking implements AutoCloseable {
  private static final int MOST_FILES = 300;
  private static final int MOST_PATH = 300;
  private static final Charset WINDOWS = Charset.forName("windows-1252");

  private final long mostOfOne;
  private final long mostOfAll;
  private final Path folder;
  private final List<Unpacked> files = new ArrayList<>();
  private long bytes;

  /**
   * A file that was taken out.
   *
   * @param path as it was called
   * @param content where it lies
   */
  record Unpacked(String path, Path content) {}

  /**
   * @param mostOfOne bytes of a file
   * @param mostOfAll bytes of all files together
   */
  Unpacking(long mostOfOne, long mostOfAll) throws IOException {
    this.mostOfOne = mostOfOne;
    this.mostOfAll = mostOfAll;
    this.folder = Files.createTempDirectory("fair-edge");
  }

  /** What has been taken out, in its order. */
  List<Unpacked> files() {
    return files;
  }

  /** Nothing of it is left. */
  @Override
  public void close() throws IOException {
    for (Unpacked file : files) {
      Files.delete(file.content());
    }
    Files.delete(folder);
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
    Path kept = Files.createTempFile(folder, "brought", ".zip");
    try {
      Files.copy(content, kept, StandardCopyOption.REPLACE_EXISTING);
      requireRoom(path, kept);
      takeAll(path, kept);
    } finally {
      Files.delete(kept);
    }
  }

  /**
   * What a zip says of itself in its directory is enough to refuse it, though not to believe it.
   */
  private void requireRoom(String path, Path zip) throws IOException {
    long all = bytes;
    int count = files.size();
    try (ZipFile directory = new ZipFile(zip.toFile(), StandardCharsets.ISO_8859_1)) {
      for (ZipEntry entry : Collections.list(directory.entries())) {
        if (!entry.isDirectory() && !isAside(inside(nameOf(entry)))) {
          requireRoomFor(nameOf(entry), Math.max(0, entry.getSize()), all, ++count);
          all += Math.max(0, entry.getSize());
        }
      }
    } catch (ZipException | IllegalArgumentException broken) {
      throw bad("This zip is cut off, or is none.", path, "a whole zip");
    }
  }

  private void requireRoomFor(String path, long size, long before, int count) {
    if (count > MOST_FILES) {
      throw bad("There are more than " + MOST_FILES + " files.", path, "at most " + MOST_FILES);
    }
    if (size > mostOfOne) {
      throw bad("One of the files is too large.", path, megabytes(mostOfOne) + " a file");
    }
    if (before + size > mostOfAll) {
      throw bad("The files are too large together.", path, megabytes(mostOfAll) + " in all");
    }
  }

  private void takeAll(String path, Path kept) throws IOException {
    try (ZipInputStream zip =
        new ZipInputStream(
            new BufferedInputStream(Files.newInputStream(kept), 1 << 16),
            StandardCharsets.ISO_8859_1)) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        if (!entry.isDirectory()) {
          takeOne(nameOf(entry), zip);
        }
      }
    } catch (EOFException cut) {
      throw bad("This zip is cut off.", path, "a whole zip");
    } catch (ZipException | IllegalArgumentException broken) {
      throw bad("This zip can't be unpacked: its contents are damaged.", path, "a sound zip");
    }
  }

  /**
   * Zips say seldom how their names are written: as UTF-8 where that can be, else as Windows writes
   * western names.
   */
  private static String nameOf(ZipEntry entry) {
    String name = entry.getName();
    if (name.chars().anyMatch(c -> c > 0xFF)) {
      return name;
    }
    byte[] bytes = name.getBytes(StandardCharsets.ISO_8859_1);
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException other) {
      return new String(bytes, WINDOWS);
    }
  }

  private void takeOne(String path, InputStream in) throws IOException {
    String inside = inside(path);
    if (isAside(inside)) {
      return;
    }
    Path content = folder.resolve(Integer.toString(files.size()));
    files.add(new Unpacked(inside, content));
    long size = copy(in, content, Math.min(mostOfOne, mostOfAll - bytes) + 1);
    requireRoomFor(inside, size, bytes, files.size());
    bytes += size;
  }

  private static long copy(InputStream in, Path to, long most) throws IOException {
    byte[] piece = new byte[1 << 16];
    long size = 0;
    try (OutputStream out = Files.newOutputStream(to)) {
      while (size < most) {
        int read = in.read(piece, 0, Math.toIntExact(Math.min(piece.length, most - size)));
        if (read < 0) {
          break;
        }
        out.write(piece, 0, read);
        size += read;
      }
    }
    return size;
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
