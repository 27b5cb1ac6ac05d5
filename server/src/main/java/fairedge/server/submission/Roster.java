package fairedge.server.submission;

import fairedge.server.course.Member;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Finds out whose a file is, from its path: by sign-in or whole name, else by a part of the name
 * that nobody else in the class has. Letters count without their accents, and what stands between
 * words does not. The file's own name tells more than the folders round it.
 */
final class Roster {
  private static final int SURE = 3;
  private static final int LAST_NAME = 2;
  private static final int OTHER_NAME = 1;

  private final List<Known> students;

  /** A student, and by what to be known. */
  private record Known(Member member, List<String> signIn, List<String> names, Set<String> own) {}

  /**
   * Whose a file is.
   *
   * @param student null where that can't be said
   * @param doubt why it can't; null where it can
   */
  record Match(@Nullable UUID student, @Nullable String doubt) {}

  Roster(List<Member> members) {
    students = new ArrayList<>();
    for (Member m : members) {
      List<String> names = words(m.name());
      Set<String> own = new HashSet<>(names);
      for (Member other : members) {
        if (!other.id().equals(m.id())) {
          words(other.name()).forEach(own::remove);
        }
      }
      students.add(new Known(m, words(m.signIn()), names, own));
    }
  }

  Match match(String path) {
    String[] parts = path.split("[/\\\\]");
    for (int i = parts.length - 1; i >= 0; i--) {
      List<Known> likely = likeliest(words(parts[i]));
      if (likely.size() == 1) {
        return new Match(likely.getFirst().member.id(), null);
      }
      if (likely.size() > 1) {
        String names =
            likely.stream().map(k -> k.member.name()).collect(Collectors.joining(" or "));
        return new Match(null, "It may be by " + names + ".");
      }
    }
    return new Match(null, "Its name names nobody in the class.");
  }

  private List<Known> likeliest(List<String> words) {
    int most = 0;
    List<Known> likeliest = new ArrayList<>();
    for (Known known : students) {
      int score = score(known, words);
      if (score > most) {
        most = score;
        likeliest.clear();
      }
      if (score == most && score > 0) {
        likeliest.add(known);
      }
    }
    return likeliest;
  }

  private static int score(Known known, List<String> words) {
    if (follow(words, known.signIn) || new HashSet<>(words).containsAll(known.names)) {
      return SURE;
    }
    if (!known.names.isEmpty() && isOwn(known, known.names.getLast(), words)) {
      return LAST_NAME;
    }
    return known.names.stream().anyMatch(name -> isOwn(known, name, words)) ? OTHER_NAME : 0;
  }

  private static boolean isOwn(Known known, String name, List<String> words) {
    return known.own.contains(name) && words.contains(name);
  }

  /** Whether words stand one after the other among others. */
  private static boolean follow(List<String> among, List<String> words) {
    for (int i = 0; !words.isEmpty() && i + words.size() <= among.size(); i++) {
      if (among.subList(i, i + words.size()).equals(words)) {
        return true;
      }
    }
    return false;
  }

  private static List<String> words(String text) {
    String plain =
        Normalizer.normalize(text, Normalizer.Form.NFKD)
            .replaceAll("\\p{M}", "")
            .toLowerCase(Locale.ROOT)
            .replace("\u00f8", "o")
            .replace("\u00e6", "ae")
            .replace("\u00df", "ss")
            .replace("\u0142", "l")
            .replace("\u0111", "d");
    return Arrays.stream(plain.split("[^\\p{L}\\p{N}]+")).filter(w -> !w.isEmpty()).toList();
  }
}
