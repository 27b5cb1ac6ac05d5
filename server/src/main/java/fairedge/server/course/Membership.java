package fairedge.server.course;

import java.util.UUID;

/** A class and how an account stands in it. */
public record Membership(UUID courseId, String courseName, Standing standing) {
  public Role role() {
    return standing.role();
  }
}
