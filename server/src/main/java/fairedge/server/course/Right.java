package fairedge.server.course;

import java.util.EnumSet;
import java.util.Set;

/**
 * What somebody may do in a class, and who may: the law of the house, told in this one place. Whose
 * a thing is that only its owner may touch, its own module knows. Of a class that is put away only
 * reading is left, and what ends or brings it back; of a student who is put away only {@link
 * #READ_OWN}.
 */
public enum Right {
  /** See what is set. */
  SEE(WhenPutAway.STAYS, Role.INSTRUCTOR, Role.ASSISTANT, Role.STUDENT),
  /** Read what one handed in, and the answers to it. */
  READ_OWN(WhenPutAway.STAYS, Role.STUDENT),
  /** Cut at what is set, and hand it in. */
  WORK(WhenPutAway.ENDS, Role.STUDENT),
  /** See what everybody handed in, what counts, and who is there. */
  READ_ALL(WhenPutAway.STAYS, Role.INSTRUCTOR, Role.ASSISTANT),
  /** Answer what was handed in, bring files for others. */
  REVIEW(WhenPutAway.ENDS, Role.INSTRUCTOR, Role.ASSISTANT),
  /** Say what is set, and when it is due. */
  SET(WhenPutAway.ENDS, Role.INSTRUCTOR),
  /** Give students more time and more attempts. */
  ALLOW(WhenPutAway.ENDS, Role.INSTRUCTOR, Role.ASSISTANT),
  /** Give students new sign-in slips. */
  GIVE_SLIPS(WhenPutAway.ENDS, Role.INSTRUCTOR, Role.ASSISTANT),
  /** Take people in and out, make groups and roles, say what the class is. */
  KEEP_ROSTER(WhenPutAway.ENDS, Role.INSTRUCTOR),
  /** Put the class away and bring it back, erase people, read what was done. */
  GOVERN(WhenPutAway.STAYS, Role.INSTRUCTOR);

  /** What becomes of it in a class that is put away. */
  private enum WhenPutAway {
    STAYS,
    ENDS
  }

  private final WhenPutAway whenPutAway;
  private final Set<Role> roles;

  Right(WhenPutAway whenPutAway, Role first, Role... others) {
    this.whenPutAway = whenPutAway;
    this.roles = EnumSet.of(first, others);
  }

  /** Whether whoever stands so in a class may do it there. */
  boolean isOf(Standing standing) {
    return roles.contains(standing.role())
        && (!standing.isPutAway() || this == READ_OWN)
        && (!standing.isClassPutAway() || whenPutAway == WhenPutAway.STAYS);
  }
}
