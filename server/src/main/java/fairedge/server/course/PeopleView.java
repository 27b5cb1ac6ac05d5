package fairedge.server.course;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A class and who is in it.
 *
 * @param join null while nobody can join by a code
 * @param mayKeep whether whoever asks may take people in and out
 */
public record PeopleView(
    UUID id,
    CourseInfo info,
    boolean putAway,
    boolean mayKeep,
    List<GroupView> groups,
    @Nullable JoinView join,
    List<PersonView> people) {

  /** A part of the class. */
  public record GroupView(UUID id, String name) {}

  /**
   * How newcomers join.
   *
   * @param until after this day nobody does; null: until the class ends
   * @param most so many students in all; null: any number
   */
  public record JoinView(String words, @Nullable LocalDate until, @Nullable Integer most) {}

  /**
   * Somebody in the class.
   *
   * @param address where their mail goes, as they say themselves
   * @param rosterAddress where a slip can be sent: as the roster has it
   * @param cameBy join-code, roster, one-by-one or founder
   * @param isNew came by the code, and nobody has looked at it yet
   * @param slipUntil until when a slip can be used that is not used yet; null: there is none
   * @param seenAt when they were here last; null: never
   */
  public record PersonView(
      UUID id,
      String name,
      String signIn,
      @Nullable String address,
      @Nullable String rosterAddress,
      String role,
      @Nullable UUID group,
      String cameBy,
      boolean isNew,
      @Nullable Instant slipUntil,
      @Nullable Instant seenAt,
      boolean putAway) {}
}
