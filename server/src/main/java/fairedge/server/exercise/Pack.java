package fairedge.server.exercise;

import fairedge.core.format.BadFile;
import fairedge.core.format.Limits;
import fairedge.core.format.MeshFormat;
import fairedge.core.format.obj.ObjWriter;
import fairedge.core.mesh.Mesh;
import fairedge.json.ProfileView;
import fairedge.server.platform.Json;
import fairedge.server.platform.Problem;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;

/**
 * An exercise as a zip (docs/formats.md): all that its instructor wrote and its starter, and
 * nobody's name. The same exercise always gives the same bytes.
 */
@Component
class Pack {
  static final int FORMAT = 1;
  private static final String TEXT = "exercise.json";
  private static final String STARTER = "starter.obj";
  private static final int MOST_ENTRIES = 20;
  private static final int MOST_TEXT = 2_000_000;

  /** The earliest time that a zip can name. */
  private static final LocalDateTime NO_TIME = LocalDateTime.of(1980, 1, 1, 0, 0);

  private final Json json;

  Pack(Json json) {
    this.json = json;
  }

  /** What the text of a zip holds. */
  record Kept(int format, String unit, Draft exercise) {}

  /** An exercise out of a zip. */
  record Unpacked(Draft draft, String unit, @Nullable Mesh starter) {}

  byte[] pack(Draft draft, String unit, @Nullable Mesh starter) {
    Draft plain =
        new Draft(
            draft.title(),
            draft.summary(),
            draft.brief(),
            // In one order, whoever wrote it.
            ProfileView.of(draft.profile().profile()),
            draft.wanted(),
            draft.tells(),
            draft.rule());
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      put(zip, TEXT, json.bytes(new Kept(FORMAT, unit, plain)));
      if (starter != null) {
        StringBuilder obj = new StringBuilder();
        ObjWriter.write(starter, obj);
        put(zip, STARTER, obj.toString().getBytes(StandardCharsets.UTF_8));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return bytes.toByteArray();
  }

  private static void put(ZipOutputStream zip, String name, byte[] content) throws IOException {
    ZipEntry entry = new ZipEntry(name);
    entry.setTimeLocal(NO_TIME);
    zip.putNextEntry(entry);
    zip.write(content);
    zip.closeEntry();
  }

  /**
   * @param most bytes of a mesh
   * @throws Problem saying what of it can't be read
   */
  Unpacked unpack(InputStream in, Limits limits, long most) {
    @Nullable Kept text = null;
    @Nullable Mesh starter = null;
    int entries = 0;
    try (ZipInputStream zip = new ZipInputStream(in)) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        if (++entries > MOST_ENTRIES) {
          throw bad("This zip has more than " + MOST_ENTRIES + " files: it is no exercise.");
        }
        if (entry.getName().equals(TEXT)) {
          text = text(new Bounded(zip, MOST_TEXT, TEXT).readAllBytes());
        } else if (entry.getName().equals(STARTER)) {
          starter = mesh(new Bounded(zip, most, STARTER), limits);
        } else {
          throw bad("This zip has a file that no exercise has: " + plain(entry.getName()) + ".");
        }
      }
    } catch (TooLong tooLong) {
      throw bad(String.valueOf(tooLong.getMessage()));
    } catch (ZipException | IllegalArgumentException broken) {
      throw bad("This file is no zip, or a broken one.");
    } catch (IOException broken) {
      throw bad("The file did not come through in full.");
    }
    if (text == null) {
      throw bad("There is no " + TEXT + " in it: this is no exercise that was exported.");
    }
    return new Unpacked(text.exercise(), text.unit(), starter);
  }

  private Kept text(byte[] bytes) {
    try {
      Kept kept = json.read(bytes, Kept.class);
      requireWhole(kept);
      return kept;
    } catch (JacksonException e) {
      throw bad(TEXT + " can't be read: " + firstLine(String.valueOf(e.getOriginalMessage())));
    }
  }

  /** Whoever writes JSON may leave out what the record has. */
  @SuppressWarnings("ConstantValue")
  private static void requireWhole(Kept kept) {
    if (kept.format() != FORMAT) {
      throw bad(
          "This exercise was exported in form %d, and this server reads form %d."
              .formatted(kept.format(), FORMAT));
    }
    Draft d = kept.exercise();
    boolean isWhole =
        kept.unit() != null
            && d != null
            && d.title() != null
            && d.summary() != null
            && d.brief() != null
            && d.profile() != null
            && d.wanted() != null
            && d.tells() != null;
    if (!isWhole) {
      throw bad(TEXT + " lacks a part of an exercise.");
    }
  }

  private static Mesh mesh(InputStream in, Limits limits) throws IOException {
    try {
      // Not closed with the entry: the zip goes on after it.
      return MeshFormat.read(new ByteArrayInputStream(in.readAllBytes()), limits).mesh();
    } catch (BadFile e) {
      throw Problem.of(
          Problem.Kind.BAD_FILE,
          STARTER + ": " + e.getMessage(),
          Map.of("line", e.line(), "found", e.found(), "expected", e.expected()));
    }
  }

  private static String firstLine(String text) {
    String line = text.lines().findFirst().orElse("");
    return line.length() > 200 ? line.substring(0, 200) : line;
  }

  private static String plain(String name) {
    String plain = name.replaceAll("\\p{Cntrl}", "");
    return plain.length() > 60 ? plain.substring(0, 60) + "…" : plain;
  }

  private static Problem bad(String why) {
    return Problem.of(
        Problem.Kind.BAD_FILE,
        why,
        Map.of("line", 0, "found", "", "expected", "a zip that an exercise was exported as"));
  }

  /** An entry is longer than it may be, whatever it says of itself. */
  private static final class TooLong extends IOException {
    private static final long serialVersionUID = 1L;

    TooLong(String what, long most) {
      super("%s is longer than %,d bytes.".formatted(what, most));
    }
  }

  /** Lets no more through than so many bytes. */
  private static final class Bounded extends FilterInputStream {
    private final String what;
    private final long most;
    private long left;

    Bounded(InputStream in, long most, String what) {
      super(in);
      this.what = what;
      this.most = most;
      this.left = most;
    }

    @Override
    public int read() throws IOException {
      int read = super.read();
      count(read < 0 ? 0 : 1);
      return read;
    }

    @Override
    public int read(byte[] bytes, int from, int length) throws IOException {
      int read = super.read(bytes, from, length);
      count(Math.max(0, read));
      return read;
    }

    private void count(int read) throws IOException {
      left -= read;
      if (left < 0) {
        throw new TooLong(what, most);
      }
    }

    /** The zip goes on after an entry. */
    @Override
    public void close() {}
  }
}
