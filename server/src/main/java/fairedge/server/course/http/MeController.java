package fairedge.server.course.http;

import fairedge.server.course.Courses;
import fairedge.server.platform.SignedIn;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Who I am, and what in which class. */
@RestController
class MeController {
  private final Courses courses;

  MeController(Courses courses) {
    this.courses = courses;
  }

  record Me(String name, String signIn, List<Membership> memberships) {}

  record Membership(UUID courseId, String courseName, Role role) {}

  enum Role {
    instructor,
    student
  }

  @GetMapping("/api/me")
  Me me(@AuthenticationPrincipal SignedIn account) {
    return new Me(
        account.name(),
        account.signIn(),
        courses.of(account).stream()
            .map(m ->
                new Membership(
                    m.courseId(),
                    m.courseName(),
                    Role.valueOf(m.role().name().toLowerCase(Locale.ROOT))))
            .toList());
  }
}
