package fairedge.server.exercise;

import fairedge.core.format.BadFile;
import fairedge.core.format.Limits;
import fairedge.core.mesh.Mesh;
import fairedge.json.ExerciseZip;
import fairedge.json.ProfileView;
import fairedge.server.platform.Json;
import fairedge.server.platform.Problem;
import java.io.InputStream;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;

/**
 * An exercise as a zip: all that its instructor wrote, its starter and its references, and nobody's
 * name.
 */
@Component
class Pack {
  private final Json json;

  Pack(Json json) {
    this.json = json;
  }

  /** What the text of a zip holds. */
  record Kept(int format, String unit, Draft exercise) {}

  /**
   * An exercise out of a zip; its references are not in the draft yet.
   *
   * @param pictures drawn anew
   * @param pictureNames by which the draft names them
   */
  record Unpacked(
      Draft draft,
      String unit,
      @Nullable Mesh starter,
      List<Mesh> references,
      List<SafePicture> pictures,
      List<String> pictureNames) {}

  byte[] pack(
      Draft draft,
      String unit,
      @Nullable Mesh starter,
      List<Mesh> references,
      List<byte[]> pictures) {
    Draft plain =
        draft
            // In one order, whoever wrote it.
            .withProfile(ProfileView.of(draft.profile().profile()))
            .withReferences(List.of());
    byte[] text = json.bytes(new Kept(ExerciseZip.FORMAT, unit, plain));
    return new ExerciseZip(text, starter, references, pictures).bytes();
  }

  /**
   * @param most bytes of a mesh
   * @throws Problem saying what of it can't be read
   */
  Unpacked unpack(InputStream in, Limits limits, long most) {
    try {
      ExerciseZip zip = ExerciseZip.read(in, limits, most);
      Kept text = text(zip.text());
      return new Unpacked(
          text.exercise().withReferences(List.of()),
          text.unit(),
          zip.starter(),
          zip.references(),
          zip.pictures().stream().map(SafePicture::of).toList(),
          zip.pictures().stream().map(SafePicture::nameOf).toList());
    } catch (ExerciseZip.Bad bad) {
      throw bad.mesh() == null ? bad(String.valueOf(bad.getMessage())) : bad(bad, bad.mesh());
    }
  }

  private static Problem bad(ExerciseZip.Bad bad, BadFile mesh) {
    return Problem.of(
        Problem.Kind.BAD_FILE,
        String.valueOf(bad.getMessage()),
        Map.of("line", mesh.line(), "found", mesh.found(), "expected", mesh.expected()));
  }

  private Kept text(byte[] bytes) {
    try {
      Kept kept = json.read(bytes, Kept.class);
      requireWhole(kept);
      return kept;
    } catch (JacksonException e) {
      throw bad(
          ExerciseZip.TEXT
              + " can't be read: "
              + firstLine(String.valueOf(e.getOriginalMessage())));
    }
  }

  /** Whoever writes JSON may leave out what the record has. */
  @SuppressWarnings("ConstantValue")
  private static void requireWhole(Kept kept) {
    if (kept.format() != ExerciseZip.FORMAT) {
      throw bad(
          "This exercise was exported in form %d, and this server reads form %d."
              .formatted(kept.format(), ExerciseZip.FORMAT));
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
      throw bad(ExerciseZip.TEXT + " lacks a part of an exercise.");
    }
  }

  private static String firstLine(String text) {
    String line = text.lines().findFirst().orElse("");
    return line.length() > 200 ? line.substring(0, 200) : line;
  }

  private static Problem bad(String why) {
    return Problem.of(
        Problem.Kind.BAD_FILE,
        why,
        Map.of("line", 0, "found", "", "expected", "a zip that an exercise was exported as"));
  }
}
