package fairedge.server.course;

import java.util.EnumSet;
import java.util.Set;

/**
 * What somebody may do in a class, and who may: the law of the house, told in this one place. Whose
 * a thing is that only its owner may touch, its own module knows. Of a class that is put away only
 * what changes nothing is left; of a student who is put away only {@link #READ_OWN}.
 */
public enum Right {
  /** See what is set. */
  SEE(Effect.READS, Role.INSTRUCTOR, Role.ASSISTANT, Role.STUDENT),
  /** Read what one handed in, and the answers to it. */
  READ_OWN(Effect.READS, Role.STUDENT),
  /** Cut at what is set, and hand it in. */
  WORK(Effect.WRITES, Role.STUDENT),
  /** See what everybody handed in, what counts, and who is there. */
  READ_ALL(Effect.READS, Role.INSTRUCTOR, Role.ASSISTANT),
  /** Answer what was handed in, bring files for others. */
  REVIEW(Effect.WRITES, Role.INSTRUCTOR, Role.ASSISTANT),
  /** Say what is set, and when it is due. */
  SET(Effect.WRITES, Role.INSTRUCTOR),
  /** Give students new sign-in slips. */
  GIVE_SLIPS(Effect.WRITES, Role.INSTRUCTOR, Role.ASSISTANT),
  /** Take people in and out, make groups and roles, say what the class is. */
  KEEP_ROSTER(Effect.WRITES, Role.INSTRUCTOR),
  /** Put the class away and bring it back, erase people, read what was done. */
  GOVERN(Effect.READS, Role.INSTRUCTOR);

  private enum Effect {
    READS,
    WRITES
  }

  private final Effect effect;
  private final Set<Role> roles;

  Right(Effect effect, Role first, Role... others) {
    this.effect = effect;
    this.roles = EnumSet.of(first, others);
  }

  /** Whether whoever stands so in a class may do it there. */
  boolean isOf(Standing standing) {
    return roles.contains(standing.role())
        && (!standing.isPutAway() || this == READ_OWN)
        && (!standing.isClassPutAway() || effect == Effect.READS);
  }
}
