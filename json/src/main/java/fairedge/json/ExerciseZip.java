package fairedge.json;

import fairedge.core.format.BadFile;
import fairedge.core.format.Limits;
import fairedge.core.format.MeshFormat;
import fairedge.core.format.obj.ObjWriter;
import fairedge.core.mesh.Mesh;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.List;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;

/**
 * An exercise as a zip (docs/formats.md): its text, its starter and its references. The same
 * content always gives the same bytes.
 *
 * @param text what its instructor wrote, as JSON
 * @param starter null where none was chosen
 * @param pictures files of the pictures that the text names
 */
public record ExerciseZip(
    byte[] text, @Nullable Mesh starter, List<Mesh> references, List<byte[]> pictures) {
  /** The form in which exercises are written. */
  public static final int FORMAT = 1;

  /** So many references an exercise has at the most. */
  public static final int MOST_REFERENCES = 3;

  public static final String TEXT = "exercise.json";
  private static final String STARTER = "starter.obj";
  private static final String REFERENCE = "reference-%d.obj";
  private static final String PICTURE = "picture-%d.png";
  private static final int MOST_PICTURES = 20;
  private static final int MOST_PICTURE = 12_000_000;
  private static final int MOST_ENTRIES = 30;
  private static final int MOST_TEXT = 2_000_000;

  /** The earliest time that a zip can name. */
  private static final LocalDateTime NO_TIME = LocalDateTime.of(1980, 1, 1, 0, 0);

  public ExerciseZip {
    references = List.copyOf(references);
    pictures = List.copyOf(pictures);
  }

  /** A zip that is no exercise, or a broken one. */
  public static final class Bad extends Exception {
    private static final long serialVersionUID = 1L;
    private final transient @Nullable BadFile mesh;

    private Bad(String why) {
      super(why);
      this.mesh = null;
    }

    private Bad(String name, BadFile mesh) {
      super(name + ": " + mesh.getMessage(), mesh);
      this.mesh = mesh;
    }

    /** Where a mesh in it can't be read; null where something else is wrong. */
    public @Nullable BadFile mesh() {
      return mesh;
    }
  }

  public byte[] bytes() {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      put(zip, TEXT, text);
      if (starter != null) {
        put(zip, STARTER, obj(starter));
      }
      for (int i = 0; i < references.size(); i++) {
        put(zip, REFERENCE.formatted(i + 1), obj(references.get(i)));
      }
      for (int i = 0; i < pictures.size(); i++) {
        put(zip, PICTURE.formatted(i + 1), pictures.get(i));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return bytes.toByteArray();
  }

  private static byte[] obj(Mesh mesh) throws IOException {
    StringBuilder obj = new StringBuilder();
    ObjWriter.write(mesh, obj);
    return obj.toString().getBytes(StandardCharsets.UTF_8);
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
   * @throws Bad saying what of it can't be read
   */
  public static ExerciseZip read(InputStream in, Limits limits, long most) throws Bad {
    byte @Nullable [] text = null;
    @Nullable Mesh starter = null;
    TreeMap<Integer, Mesh> references = new TreeMap<>();
    TreeMap<Integer, byte[]> pictures = new TreeMap<>();
    int entries = 0;
    try (ZipInputStream zip = new ZipInputStream(in)) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        if (++entries > MOST_ENTRIES) {
          throw new Bad("This zip has more than " + MOST_ENTRIES + " files: it is no exercise.");
        }
        String name = entry.getName();
        if (name.equals(TEXT)) {
          text = new Bounded(zip, MOST_TEXT, TEXT).readAllBytes();
        } else if (name.equals(STARTER)) {
          starter = mesh(new Bounded(zip, most, STARTER), limits, STARTER);
        } else if (numberOf(name, REFERENCE, MOST_REFERENCES) > 0) {
          references.put(
              numberOf(name, REFERENCE, MOST_REFERENCES),
              mesh(new Bounded(zip, most, name), limits, name));
        } else if (numberOf(name, PICTURE, MOST_PICTURES) > 0) {
          pictures.put(
              numberOf(name, PICTURE, MOST_PICTURES),
              new Bounded(zip, MOST_PICTURE, name).readAllBytes());
        } else {
          throw new Bad("This zip has a file that no exercise has: " + plain(name) + ".");
        }
      }
    } catch (TooLong tooLong) {
      throw new Bad(String.valueOf(tooLong.getMessage()));
    } catch (ZipException | IllegalArgumentException broken) {
      throw new Bad("This file is no zip, or a broken one.");
    } catch (IOException broken) {
      throw new Bad("The file did not come through in full.");
    }
    if (text == null) {
      throw new Bad("There is no " + TEXT + " in it: this is no exercise that was exported.");
    }
    return new ExerciseZip(
        text, starter, List.copyOf(references.values()), List.copyOf(pictures.values()));
  }

  /** Of which number a file of a sort is; 0 where it is none of the sort. */
  private static int numberOf(String name, String sort, int most) {
    for (int i = 1; i <= most; i++) {
      if (name.equals(sort.formatted(i))) {
        return i;
      }
    }
    return 0;
  }

  private static Mesh mesh(InputStream in, Limits limits, String name) throws IOException, Bad {
    try {
      // Not closed with the entry: the zip goes on after it.
      return MeshFormat.read(new ByteArrayInputStream(in.readAllBytes()), limits).mesh();
    } catch (BadFile e) {
      throw new Bad(name, e);
    }
  }

  private static String plain(String name) {
    String plain = name.replaceAll("\\p{Cntrl}", "");
    return plain.length() > 60 ? plain.substring(0, 60) + "…" : plain;
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
