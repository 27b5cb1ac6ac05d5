package fairedge.server.exercise;

import fairedge.core.format.LengthUnit;
import fairedge.server.inspection.Gallery;
import fairedge.server.inspection.Terms;
import fairedge.server.meshfile.FileLimits;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.io.InputStream;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.unit.DataSize;

/** Exercises as a whole: copied, exported as a zip, begun with one. */
@Service
public class Packing {
  private final Editor editor;
  private final Gallery gallery;
  private final Pack pack;
  private final Pictures pictures;
  private final FileLimits limits;
  private final TransactionTemplate transactions;
  private final Turns turns;
  private final long largest;

  Packing(
      Editor editor,
      Gallery gallery,
      Pack pack,
      Pictures pictures,
      FileLimits limits,
      TransactionTemplate transactions,
      Turns turns,
      @Value("${fair-edge.limits.file}") DataSize largest) {
    this.editor = editor;
    this.gallery = gallery;
    this.pack = pack;
    this.pictures = pictures;
    this.limits = limits;
    this.transactions = transactions;
    this.turns = turns;
    this.largest = largest.toBytes();
  }

  /** Begins another one with all that one has, its pictures too. */
  public UUID copy(UUID id, SignedIn account) {
    return Objects.requireNonNull(
        transactions.execute(status -> {
          UUID copy = editor.copy(id, account);
          pictures.copy(id, copy, editor.draft(id, account));
          return copy;
        }));
  }

  /** An exercise as a zip: what is written of it, and its starter. */
  public byte[] export(UUID id, SignedIn account) {
    Draft draft = editor.draft(id, account);
    Optional<Terms> terms = editor.terms(id, account);
    EditorView.StarterView starter = editor.view(id, account).starter();
    return turns.here(
        account.id(),
        () ->
            pack.pack(
                draft,
                starter == null ? "mm" : starter.unit(),
                terms.map(t -> gallery.copy(t.starter())).orElse(null),
                terms.map(Terms::references).orElse(List.of()).stream().map(gallery::copy).toList(),
                pictures.named(id, draft)));
  }

  /**
   * Begins an exercise with what an export holds: all of it, or nothing.
   *
   * @throws Problem saying what of it can't be read
   */
  public UUID importFrom(InputStream zip, SignedIn account) {
    Pack.Unpacked unpacked =
        turns.await(account.id(), () -> pack.unpack(zip, limits.limits(), largest));
    String unit =
        LengthUnit.named(unpacked.unit())
            .map(LengthUnit::sign)
            .orElseThrow(
                () -> Problem.of(Problem.Kind.BAD_FILE, "Its unit is none of mm, cm, m, in."));
    return Objects.requireNonNull(
        transactions.execute(status -> {
          UUID id = editor.begin(account, unpacked.draft());
          if (!unpacked.pictures().isEmpty()) {
            Draft named =
                pictures.take(id, unpacked.draft(), unpacked.pictures(), unpacked.pictureNames());
            editor.keep(id, account, 1, draft -> named);
          }
          if (unpacked.starter() != null) {
            editor.setStarter(id, account, unpacked.starter(), unit, "an exported exercise");
          }
          unpacked
              .references()
              .forEach(m -> editor.addReference(id, account, m, "an exported exercise"));
          return id;
        }));
  }
}
