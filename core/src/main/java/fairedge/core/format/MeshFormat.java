package fairedge.core.format;

import fairedge.core.format.gltf.GlbWriter;
import fairedge.core.format.gltf.GltfReader;
import fairedge.core.format.obj.ObjReader;
import fairedge.core.format.obj.ObjWriter;
import fairedge.core.format.off.OffReader;
import fairedge.core.format.off.OffWriter;
import fairedge.core.format.ply.PlyReader;
import fairedge.core.format.ply.PlyWriter;
import fairedge.core.format.stl.StlReader;
import fairedge.core.mesh.Mesh;
import java.io.BufferedInputStream;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The file formats of meshes. Files are recognised by what they hold, never by their name. */
public enum MeshFormat {
  OBJ("obj", true),
  PLY("ply", true),
  OFF("off", true),
  STL("stl", false),
  GLB("glb", true);

  private static final int LOOKED_AT = 1024;

  /** In bytes, binary. */
  private static final int SHORTEST_STL = 84;

  /** A glTF is read whole. */
  private static final int MOST_GLTF = 1 << 30;

  private final String ending;
  private final boolean written;

  MeshFormat(String ending, boolean written) {
    this.ending = ending;
    this.written = written;
  }

  /** What its files end in. */
  public String ending() {
    return ending;
  }

  /** Whether meshes are written in it. */
  public boolean isWritten() {
    return written;
  }

  /** The format that is written to files that end so. */
  public static Optional<MeshFormat> writtenTo(String fileName) {
    String name = fileName.toLowerCase(Locale.ROOT);
    return Arrays.stream(values())
        .filter(f -> f.written && name.endsWith("." + f.ending))
        .findFirst();
  }

  /**
   * Reads a mesh in whichever format it is; text in UTF-16 too.
   *
   * @throws BadFile if it is none, holds no face, or is over a limit
   */
  public static ReadResult read(InputStream in, Limits limits) throws IOException, BadFile {
    BufferedInputStream buffered = new BufferedInputStream(in, 1 << 16);
    buffered.mark(LOOKED_AT + 1);
    byte[] head = buffered.readNBytes(LOOKED_AT);
    buffered.reset();
    if (Wide.begins(head)) {
      return read(Wide.read(buffered), limits);
    }
    Optional<String> other = NoMesh.of(head);
    if (other.isPresent()) {
      throw new BadFile(0, other.get(), "a mesh file: OBJ, PLY, OFF, STL or glTF");
    }
    return switch (of(head)) {
      case OBJ -> ObjReader.read(buffered, limits);
      case PLY -> PlyReader.read(buffered, limits);
      case OFF -> OffReader.read(buffered, limits);
      case STL ->
          isText(head) ? StlReader.text(buffered, limits) : StlReader.binary(buffered, limits);
      case GLB -> GltfReader.read(buffered, limits, MOST_GLTF);
    };
  }

  /** The format of a file by how it begins; OBJ where it is no other. */
  static MeshFormat of(byte[] head) {
    String text = new String(head, StandardCharsets.ISO_8859_1);
    String begin = text.startsWith("\u00EF\u00BB\u00BF") ? text.substring(3) : text;
    String first = begin.stripLeading();
    String word = first.split("[\\s\\x00]", 2)[0];
    if (begin.startsWith("glTF") || first.startsWith("{")) {
      return GLB;
    }
    if (word.equals("ply")) {
      return PLY;
    }
    if (word.matches("(?i)(ST)?C?N?4?n?OFF")) {
      return OFF;
    }
    boolean facets = word.equalsIgnoreCase("solid") && (text.contains("facet") || isText(head));
    return facets || (!isText(head) && head.length >= SHORTEST_STL) ? STL : OBJ;
  }

  /** A binary file has a zero byte somewhere at its beginning. */
  private static boolean isText(byte[] head) {
    for (byte b : head) {
      if (b == 0) {
        return false;
      }
    }
    return true;
  }

  /**
   * Writes a mesh: vertices by id, faces by id from their first corner.
   *
   * @throws IllegalArgumentException if none is written in this format
   */
  public void write(Mesh mesh, OutputStream out) throws IOException {
    switch (this) {
      case PLY -> PlyWriter.write(mesh, out);
      case GLB -> GlbWriter.write(mesh, out);
      case OBJ, OFF -> {
        Writer text =
            new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8), 1 << 16);
        if (this == OBJ) {
          ObjWriter.write(mesh, text);
        } else {
          OffWriter.write(mesh, text);
        }
        text.flush();
      }
      case STL -> throw new IllegalArgumentException("no mesh is written as STL");
    }
  }
}
