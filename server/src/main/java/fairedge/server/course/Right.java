package fairedge.server.course;

import java.util.EnumSet;
import java.util.Set;

/**
 * What somebody may do in a class, and who may: the law of the house, told in this one place. Whose
 * a thing is that only its owner may touch, its own module knows.
 */
public enum Right {
  /** See what is set. */
  SEE(Role.INSTRUCTOR, Role.STUDENT),
  /** Cut at what is set, and hand it in. */
  WORK(Role.STUDENT),
  /** Say what is set and what counts in it. */
  SET(Role.INSTRUCTOR),
  /** See and inspect what everybody handed in, answer it, bring files for others. */
  REVIEW(Role.INSTRUCTOR);

  private final Set<Role> roles;

  Right(Role first, Role... others) {
    this.roles = EnumSet.of(first, others);
  }

  /** Whether who is this in a class may do it there. */
  public boolean isOf(Role role) {
    return roles.contains(role);
  }

  Set<Role> roles() {
    return EnumSet.copyOf(roles);
  }
}
