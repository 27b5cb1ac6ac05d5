package fairedge.server.account;

import java.text.Normalizer;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Sign-ins made of names: {@code Søren Pike} is {@code soren.pike}, the next one {@code
 * soren.pike2}.
 */
final class SignIns {
  private static final int LONGEST = 50;

  private final Predicate<String> isTaken;
  private final Set<String> given = new HashSet<>();

  /**
   * @param isTaken whether somebody has a sign-in
   */
  SignIns(Predicate<String> isTaken) {
    this.isTaken = isTaken;
  }

  String of(String name) {
    String base = base(name);
    String free = base;
    for (int i = 2; given.contains(free) || isTaken.test(free); i++) {
      free = base + i;
    }
    given.add(free);
    return free;
  }

  private static String base(String name) {
    String plain =
        Normalizer.normalize(name.strip(), Normalizer.Form.NFKD)
            .toLowerCase(Locale.ROOT)
            .replace("ø", "o")
            .replace("æ", "ae")
            .replace("œ", "oe")
            .replace("ß", "ss")
            .replace("ł", "l")
            .replace("đ", "d")
            .replaceAll("\\p{M}+", "")
            .replaceAll("[^a-z0-9]+", ".")
            .replaceAll("^[.0-9]+|\\.+$", "");
    String begun = plain.isEmpty() ? "student" : plain;
    return begun.length() > LONGEST ? begun.substring(0, LONGEST) : begun;
  }
}
