package fairedge.server.course;

import fairedge.server.account.Accounts;
import fairedge.server.course.store.CourseStore;
import fairedge.server.course.store.CourseStore.Member;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Everything of a student as a zip, and the end of all of it. */
@Service
public class Erasing {
  private final CourseStore store;
  private final Courses courses;
  private final People people;
  private final Accounts accounts;
  private final Audit audit;
  private final List<Belongings> belongings;

  /**
   * @param belongings in their order
   */
  Erasing(
      CourseStore store,
      Courses courses,
      People people,
      Accounts accounts,
      Audit audit,
      List<Belongings> belongings) {
    this.store = store;
    this.courses = courses;
    this.people = people;
    this.accounts = accounts;
    this.audit = audit;
    this.belongings = belongings;
  }

  /** Everything of a student in a class, readable without this application. */
  public byte[] everything(UUID id, UUID account, SignedIn instructor) {
    courses.require(instructor, id, Right.GOVERN);
    people.requireStudent(id, account);
    return packed(new Belongings.Of(account, List.of(id), false));
  }

  /** All that somebody has made themselves, in all their classes and beside them. */
  public byte[] everythingOf(SignedIn account) {
    return packed(
        new Belongings.Of(
            account.id(), courses.of(account).stream().map(Membership::courseId).toList(), true));
  }

  private byte[] packed(Belongings.Of whose) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      Belongings.Box box =
          (path, content) -> {
            zip.putNextEntry(new ZipEntry(path));
            zip.write(content);
            zip.closeEntry();
          };
      SignedIn account =
          Objects.requireNonNull(accounts.people(List.of(whose.account())).get(whose.account()));
      box.put(
          "read-me.txt",
          "Everything that %s has in Fair Edge.\n"
              .formatted(account.name())
              .getBytes(StandardCharsets.UTF_8));
      for (Belongings kept : belongings) {
        kept.pack(whose, box);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return bytes.toByteArray();
  }

  /**
   * Takes a student with all their work out of the instructor's classes, for good; the account goes
   * with its last class.
   *
   * @param typed the name, as the instructor typed it
   */
  @Transactional
  public void erase(UUID id, UUID account, String typed, SignedIn instructor) {
    courses.require(instructor, id, Right.GOVERN);
    people.requireStudent(id, account);
    SignedIn student = Objects.requireNonNull(accounts.people(List.of(account)).get(account));
    if (!typed.strip().equals(student.name())) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "Type the whole name as it stands there: %s. Nothing was erased."
              .formatted(student.name()));
    }
    List<UUID> mine = courses.where(instructor, Right.GOVERN);
    List<Member> of =
        store.membersNamed(account).stream()
            .filter(m -> mine.contains(m.course()) && m.role() == Role.STUDENT)
            .toList();
    Belongings.Of whose =
        new Belongings.Of(account, of.stream().map(Member::course).toList(), false);
    belongings.forEach(kept -> kept.erase(whose));
    of.forEach(m -> {
      store.leave(m.course(), account);
      audit.write(m.course(), instructor, Deed.ERASED, account);
    });
    if (store.membersNamed(account).isEmpty()) {
      belongings.forEach(kept -> kept.eraseAccount(account));
      accounts.erase(account);
    }
  }
}
