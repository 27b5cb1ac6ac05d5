package fairedge.server.course;

import fairedge.server.account.Accounts;
import fairedge.server.course.store.CourseStore;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Who may do what in which class; and the students of classes, for those who may know. */
@Service
public class Courses {
  private final CourseStore store;
  private final Accounts accounts;

  Courses(CourseStore store, Accounts accounts) {
    this.accounts = accounts;
    this.store = store;
  }

  public List<Membership> of(SignedIn account) {
    return store.membershipsOf(account.id());
  }

  /** What a class is. */
  public CourseInfo info(UUID courseId) {
    return store.find(courseId).orElseThrow(() -> Problem.notFound("class")).info();
  }

  /** By their ids, all who are in a class, as whatever. */
  public List<UUID> memberIds(UUID courseId) {
    return store.members(courseId).stream().map(CourseStore.Member::account).toList();
  }

  /** By their ids, the students of a class who are not put away. */
  public Set<UUID> studentIds(UUID courseId) {
    return studentsByClass(List.of(courseId)).getOrDefault(courseId, Set.of());
  }

  public boolean hasGroup(UUID courseId, UUID group) {
    return store.groups(courseId).stream().anyMatch(g -> g.id().equals(group));
  }

  /** The groups of a class, by their ids. */
  public Map<UUID, String> groupNames(UUID courseId) {
    return store.groups(courseId).stream()
        .collect(Collectors.toMap(PeopleView.GroupView::id, PeopleView.GroupView::name));
  }

  /** In which groups of a class people are, by their ids; who is in none is left out. */
  public Map<UUID, UUID> groups(UUID courseId) {
    Map<UUID, UUID> groups = new HashMap<>();
    for (CourseStore.Member m : store.members(courseId)) {
      UUID group = m.group();
      if (group != null) {
        groups.put(m.account(), group);
      }
    }
    return groups;
  }

  /** Whether somebody may do this in a class. */
  public boolean may(SignedIn account, UUID courseId, Right right) {
    return store.findStanding(courseId, account.id()).filter(right::isOf).isPresent();
  }

  /**
   * @throws Problem as not found, if the account may not do this there
   */
  public void require(SignedIn account, UUID courseId, Right right) {
    if (!may(account, courseId, right)) {
      throw Problem.notFound("place");
    }
  }

  /** The classes in which somebody may do this. */
  public List<UUID> where(SignedIn account, Right right) {
    return of(account).stream()
        .filter(m -> right.isOf(m.standing()))
        .map(Membership::courseId)
        .toList();
  }

  /** The students of a class who are not put away, by name. */
  public List<Member> students(UUID courseId) {
    return accounts.people(store.idsOf(List.of(courseId), Role.STUDENT)).values().stream()
        .map(a -> new Member(a.id(), a.signIn(), a.name()))
        .sorted(Comparator.comparing(Member::name).thenComparing(Member::id))
        .toList();
  }

  /** Somebody in a class, put away or not. */
  public Member member(UUID courseId, UUID account) {
    SignedIn known =
        memberIds(courseId).contains(account)
            ? accounts.people(List.of(account)).get(account)
            : null;
    if (known == null) {
      throw Problem.notFound("student");
    }
    return new Member(known.id(), known.signIn(), known.name());
  }

  /** The students of several classes who are not put away, class by class. */
  public Map<UUID, Set<UUID>> studentsByClass(Collection<UUID> courseIds) {
    return store.studentsByClass(courseIds);
  }

  /** How many students there are in several classes, each counted once. */
  public int studentCount(Collection<UUID> courseIds) {
    return store.idsOf(courseIds, Role.STUDENT).size();
  }
}
