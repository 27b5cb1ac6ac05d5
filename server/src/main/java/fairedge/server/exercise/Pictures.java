package fairedge.server.exercise;

import fairedge.server.course.Right;
import fairedge.server.exercise.store.PictureShelf;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Pictures of briefs: named in the text by their hash, {@code ![words](picture:hash)}. */
@Service
public class Pictures {
  private static final int MOST = 20;
  private static final Pattern NAMED =
      Pattern.compile("!\\[([^\\]]*)\\]\\(picture:([0-9a-f]{64})\\)");

  private final PictureShelf shelf;
  private final Editor editor;
  private final Assignments assignments;
  private final Turns turns;

  Pictures(PictureShelf shelf, Editor editor, Assignments assignments, Turns turns) {
    this.shelf = shelf;
    this.editor = editor;
    this.assignments = assignments;
    this.turns = turns;
  }

  /** How a picture is named. */
  public record Added(String hash) {}

  /**
   * Keeps a picture, drawn anew.
   *
   * @throws Problem if it can't be read, or there are as many as there may be
   */
  public Added add(UUID exercise, SignedIn owner, byte[] file) {
    editor.requireMine(exercise, owner);
    SafePicture picture = turns.await(owner.id(), () -> SafePicture.of(file));
    return keep(exercise, picture);
  }

  private Added keep(UUID exercise, SafePicture picture) {
    String hash = picture.hash();
    byte[] key = HexFormat.of().parseHex(hash);
    if (shelf.find(exercise, key).isEmpty() && shelf.count(exercise) >= MOST) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "An exercise has %d pictures at the most.".formatted(MOST));
    }
    shelf.put(exercise, key, picture.png());
    return new Added(hash);
  }

  /** For whoever may read the exercise as it is written. */
  public byte[] ofExercise(UUID exercise, SignedIn account, String hash) {
    editor.requireMayRead(exercise, account);
    return require(exercise, hash);
  }

  /** For whoever sees what is set. */
  public byte[] ofAssignment(UUID assignment, SignedIn account, String hash) {
    return require(assignments.requireTo(Right.SEE, assignment, account).exercise().id(), hash);
  }

  private byte[] require(UUID exercise, String hash) {
    return Optional.of(hash)
        .filter(h -> h.matches("[0-9a-f]{64}"))
        .flatMap(h -> shelf.find(exercise, HexFormat.of().parseHex(h)))
        .orElseThrow(() -> Problem.notFound("picture"));
  }

  /** Those that a draft names, in the order in which it does. */
  List<byte[]> named(UUID exercise, Draft draft) {
    List<byte[]> pictures = new ArrayList<>();
    for (String hash : hashes(draft)) {
      shelf.find(exercise, HexFormat.of().parseHex(hash)).ifPresent(pictures::add);
    }
    return pictures;
  }

  private static Set<String> hashes(Draft draft) {
    Set<String> hashes = new LinkedHashSet<>();
    Matcher named = NAMED.matcher(draft.brief());
    while (named.find()) {
      hashes.add(named.group(2));
    }
    if (draft.sheet() != null) {
      hashes.add(draft.sheet());
    }
    return hashes;
  }

  /** Gives an exercise what another names: both name it alike. */
  @Transactional
  public void copy(UUID from, UUID to, Draft draft) {
    for (String hash : hashes(draft)) {
      byte[] key = HexFormat.of().parseHex(hash);
      shelf.find(from, key).ifPresent(png -> shelf.put(to, key, png));
    }
  }

  /**
   * Keeps what came in with an exercise, drawn anew.
   *
   * @return the draft, naming them as they are named now
   */
  Draft take(UUID exercise, Draft draft, List<SafePicture> drawn, List<String> names) {
    Draft named = draft;
    for (int i = 0; i < drawn.size(); i++) {
      named = named.renaming(names.get(i), keep(exercise, drawn.get(i)).hash());
    }
    return named;
  }

  /** Which pictures of a brief have no words for those who hear it read, counted from 1. */
  static List<Integer> withoutWords(String brief) {
    List<Integer> numbers = new ArrayList<>();
    Matcher named = NAMED.matcher(brief);
    for (int number = 1; named.find(); number++) {
      if (named.group(1).isBlank()) {
        numbers.add(number);
      }
    }
    return numbers;
  }
}
