package fairedge.core.mesh;

import fairedge.core.geometry.Vec3;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/**
 * The part of {@link MeshBytes} that holds labels, material files and values at corners: the labels
 * but the first as four texts each, the files, each living face's label where there are labels;
 * then for each attribute how many values, the values, and where there are any each corner's index.
 */
final class AttributeBytes {
  private AttributeBytes() {}

  static byte[] write(Mesh mesh) {
    ByteArrayOutputStream names = new ByteArrayOutputStream();
    putInt(names, mesh.labels.size() - 1);
    for (Label label : mesh.labels.subList(1, mesh.labels.size())) {
      putText(names, label.object());
      putText(names, label.group());
      putText(names, label.material());
      putText(names, label.smoothing());
    }
    putInt(names, mesh.materialFiles.size());
    mesh.materialFiles.forEach(name -> putText(names, name));
    ByteBuffer out =
        ByteBuffer.allocate(Math.toIntExact(names.size() + arraysSize(mesh)))
            .order(ByteOrder.LITTLE_ENDIAN);
    out.put(names.toByteArray());
    if (mesh.labels.size() > 1) {
      for (int f = 0; f < mesh.faceEnd; f++) {
        if (mesh.hasFace(f)) {
          out.putInt(mesh.labelOf(f));
        }
      }
    }
    for (Attribute attribute : Attribute.values()) {
      putLayer(out, mesh, attribute);
    }
    return out.array();
  }

  private static long arraysSize(Mesh mesh) {
    long corners = 0;
    for (int f = 0; f < mesh.faceEnd; f++) {
      corners += mesh.hasFace(f) ? mesh.faceSize[f] : 0;
    }
    long size = mesh.labels.size() > 1 ? 4L * mesh.faceCount : 0;
    for (Attribute attribute : Attribute.values()) {
      int end = mesh.valueEnd(attribute);
      size += 4 + 24L * end + (end > 0 ? 4 * corners : 0);
    }
    return size;
  }

  private static void putLayer(ByteBuffer out, Mesh mesh, Attribute attribute) {
    int end = mesh.valueEnd(attribute);
    out.putInt(end);
    for (int i = 0; i < end; i++) {
      Vec3 value = mesh.value(attribute, i);
      out.putDouble(value.x()).putDouble(value.y()).putDouble(value.z());
    }
    for (int f = 0; f < mesh.faceEnd && end > 0; f++) {
      if (mesh.hasFace(f)) {
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--) {
          out.putInt(mesh.valueAt(attribute, c));
          c = mesh.next(c);
        }
      }
    }
  }

  private static void putInt(ByteArrayOutputStream out, int value) {
    out.writeBytes(ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN).putInt(value).array());
  }

  private static void putText(ByteArrayOutputStream out, String text) {
    byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
    putInt(out, bytes.length);
    out.writeBytes(bytes);
  }

  static void read(ByteBuffer in, Mesh mesh, MeshLinks links) {
    for (int i = in.getInt(); i > 0; i--) {
      links.makeLabel(new Label(text(in), text(in), text(in), text(in)));
    }
    for (int i = in.getInt(); i > 0; i--) {
      links.nameMaterialFile(text(in));
    }
    if (mesh.labels.size() > 1) {
      for (int f = 0; f < mesh.faceEnd; f++) {
        if (mesh.hasFace(f)) {
          links.label(f, in.getInt());
        }
      }
    }
    for (Attribute attribute : Attribute.values()) {
      readLayer(in, mesh, links, attribute);
    }
  }

  private static String text(ByteBuffer in) {
    int length = in.getInt();
    if (length < 0 || length > in.remaining()) {
      throw new IllegalArgumentException("a name in these bytes of a mesh has no end");
    }
    byte[] bytes = new byte[length];
    in.get(bytes);
    return new String(bytes, StandardCharsets.UTF_8);
  }

  private static void readLayer(ByteBuffer in, Mesh mesh, MeshLinks links, Attribute attribute) {
    int end = in.getInt();
    for (int i = 0; i < end; i++) {
      links.makeValue(attribute, new Vec3(in.getDouble(), in.getDouble(), in.getDouble()));
    }
    for (int f = 0; f < mesh.faceEnd && end > 0; f++) {
      if (mesh.hasFace(f)) {
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--) {
          links.giveValue(attribute, c, in.getInt());
          c = mesh.next(c);
        }
      }
    }
  }
}
