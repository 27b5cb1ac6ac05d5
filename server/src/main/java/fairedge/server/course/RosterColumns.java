package fairedge.server.course;

import fairedge.server.course.RosterView.Meaning;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Finds out what a column of a roster is, by its name. */
final class RosterColumns {
  private static final Map<Meaning, List<String>> WORDS =
      Map.of(
          Meaning.name,
          List.of("name", "fullname", "student", "studentname", "navn", "nom", "nombre"),
          Meaning.first,
          List.of("firstname", "givenname", "forename", "fornavn", "vorname", "prenom"),
          Meaning.last,
          List.of("lastname", "surname", "familyname", "etternavn", "nachname"),
          Meaning.address,
          List.of("email", "mail", "epost", "address", "emailaddress", "mailaddress", "adresse"),
          Meaning.group,
          List.of("group", "evening", "gruppe", "section", "team", "groupe"));

  private RosterColumns() {}

  static Meaning meaningOf(String column) {
    String plain = column.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}]", "").replace("é", "e");
    return WORDS.entrySet().stream()
        .filter(e -> e.getValue().contains(plain))
        .map(Map.Entry::getKey)
        .findFirst()
        .orElse(Meaning.out);
  }
}
