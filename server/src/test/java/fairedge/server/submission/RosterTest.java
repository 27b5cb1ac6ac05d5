package fairedge.server.submission;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.course.Member;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RosterTest {
  private static final List<Member> CLASS =
      List.of(
          member("rune", "Rune Osterholm"),
          member("ines", "Ines Varga-Lund"),
          member("tobias", "Tobias Achterberg"),
          member("runa.o", "Runa Osterholm"),
          member("solveig", "S\u00f8lveig Aune"));

  private static Member member(String signIn, String name) {
    return new Member(UUID.nameUUIDFromBytes(name.getBytes()), signIn, name);
  }

  private static Roster.Match match(String path) {
    return new Roster(CLASS).match(path);
  }

  @ParameterizedTest
  @CsvSource({
    "rune.obj, Rune Osterholm",
    "hatch-lid_Rune_Osterholm (2).OBJ, Rune Osterholm",
    "OSTERHOLM rune/lid.obj, Rune Osterholm",
    "lid runa.o final.ply, Runa Osterholm",
    "Ines Varga-Lund/Hatch lid/export.glb, Ines Varga-Lund",
    "varga.obj, Ines Varga-Lund",
    "achterberg-lid.obj, Tobias Achterberg",
    "S\u00d8LVEIG.obj, S\u00f8lveig Aune",
    "solveig aune.stl, S\u00f8lveig Aune",
    "from Tobias/rune-lid.obj, Rune Osterholm",
    "Tobias\\lid.obj, Tobias Achterberg",
  })
  void path_namesOneStudent(String path, String name) {
    UUID student = match(path).student();
    assertThat(CLASS)
        .filteredOn(m -> m.id().equals(student))
        .extracting(Member::name)
        .containsExactly(name);
    assertThat(match(path).doubt()).isNull();
  }

  @Test
  void path_thatNamesNobody_orTwo_isInDoubt() {
    assertThat(match("lid.obj").student()).isNull();
    assertThat(match("lid.obj").doubt()).isEqualTo("Its name names nobody in the class.");
    // Two of that name, neither of whom it is a sign-in of.
    assertThat(match("osterholm.obj").student()).isNull();
    assertThat(match("rune-and-tobias.obj").doubt())
        .isEqualTo("It may be by Rune Osterholm or Tobias Achterberg.");
    assertThat(match("").student()).isNull();
    // Within another word a name is none.
    assertThat(match("pruned.obj").student()).isNull();
  }
}
