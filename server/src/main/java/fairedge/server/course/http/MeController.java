package fairedge.server.course.http;

import fairedge.server.account.Accounts;
import fairedge.server.course.Courses;
import fairedge.server.platform.SignedIn;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Who I am, and what in which class. */
@RestController
class MeController {
  private final Courses courses;
  private final Accounts accounts;

  MeController(Courses courses, Accounts accounts) {
    this.courses = courses;
    this.accounts = accounts;
  }

  /**
   * @param zone by whose clock they live; null: the browser's
   * @param mayTeach whether they may make classes
   */
  record Me(
      UUID id,
      String name,
      String signIn,
      @Nullable String zone,
      boolean mayTeach,
      List<Membership> memberships) {}

  /**
   * A class and what one is in it.
   *
   * @param putAway whether the class is, or one is oneself
   */
  record Membership(UUID courseId, String courseName, Role role, boolean putAway) {}

  enum Role {
    instructor,
    assistant,
    student
  }

  @GetMapping("/api/me")
  Me me(@AuthenticationPrincipal SignedIn account) {
    accounts.seen(account);
    Accounts.Self self = accounts.self(account);
    return new Me(
        account.id(),
        account.name(),
        account.signIn(),
        self.zone(),
        self.mayTeach(),
        courses.of(account).stream()
            .map(m ->
                new Membership(
                    m.courseId(),
                    m.courseName(),
                    Role.valueOf(m.role().key()),
                    m.standing().isPutAway() || m.standing().isClassPutAway()))
            .toList());
  }
}
