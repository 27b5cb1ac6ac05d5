package fairedge.server.exercise;

import fairedge.server.course.Right;
import fairedge.server.exercise.store.PictureShelf;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Pictures of briefs: named in the text, {@code ![words](picture:name)}. */
@Service
public class Pictures {
  private static final int MOST = 20;
  private static final Pattern NAMED =
      Pattern.compile("!\\[([^\\]]*)\\]\\(picture:([0-9a-f]{12})\\)");

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
  public record Added(String name) {}

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
    String name = picture.name();
    if (shelf.find(exercise, name).isEmpty() && shelf.count(exercise) >= MOST) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "An exercise has %d pictures at the most.".formatted(MOST));
    }
    shelf.put(exercise, name, picture.png());
    return new Added(name);
  }

  /** For whoever may read the exercise as it is written. */
  public byte[] ofExercise(UUID exercise, SignedIn account, String name) {
    editor.requireMayRead(exercise, account);
    return require(exercise, name);
  }

  /** For whoever sees what is set. */
  public byte[] ofAssignment(UUID assignment, SignedIn account, String name) {
    return require(assignments.requireTo(Right.SEE, assignment, account).exercise().id(), name);
  }

  private byte[] require(UUID exercise, String name) {
    return shelf.find(exercise, name).orElseThrow(() -> Problem.notFound("picture"));
  }

  /** Those that a draft names, in the order in which it does. */
  List<byte[]> named(UUID exercise, Draft draft) {
    List<byte[]> pictures = new ArrayList<>();
    for (String name : names(draft)) {
      shelf.find(exercise, name).ifPresent(pictures::add);
    }
    return pictures;
  }

  private static Set<String> names(Draft draft) {
    Set<String> names = new LinkedHashSet<>();
    Matcher named = NAMED.matcher(draft.brief());
    while (named.find()) {
      names.add(named.group(2));
    }
    if (draft.sheet() != null) {
      names.add(draft.sheet());
    }
    return names;
  }

  /** Gives an exercise what another names: both name it alike. */
  @Transactional
  public void copy(UUID from, UUID to, Draft draft) {
    for (String name : names(draft)) {
      shelf.find(from, name).ifPresent(png -> shelf.put(to, name, png));
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
      named = named.renaming(names.get(i), keep(exercise, drawn.get(i)).name());
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
