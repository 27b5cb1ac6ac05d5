package fairedge.server.course;

import fairedge.server.course.store.CourseStore;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Classes, and the one place that says who is what in them. */
@Service
public class Courses {
  private final CourseStore store;

  Courses(CourseStore store) {
    this.store = store;
  }

  public List<Membership> of(SignedIn account) {
    return store.membershipsOf(account.id());
  }

  /**
   * @throws Problem as not found, if the account has another role there or none
   */
  public void require(SignedIn account, UUID courseId, Role role) {
    if (store.findRole(courseId, account.id()).filter(role::equals).isEmpty()) {
      throw Problem.notFound("place");
    }
  }

  public Role requireMember(SignedIn account, UUID courseId) {
    return store.findRole(courseId, account.id()).orElseThrow(() -> Problem.notFound("class"));
  }

  /** The students of a class, by name; for whoever has the right to know. */
  public List<Member> students(UUID courseId) {
    return store.studentsOf(courseId);
  }

  public UUID create(String name) {
    UUID id = UUID.randomUUID();
    store.insert(id, name);
    return id;
  }

  public void join(UUID courseId, UUID accountId, Role role) {
    store.join(courseId, accountId, role);
  }
}
