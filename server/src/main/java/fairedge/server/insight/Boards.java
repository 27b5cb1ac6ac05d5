package fairedge.server.insight;

import fairedge.core.insight.Progress;
import fairedge.core.inspect.finding.Kind;
import fairedge.server.course.Courses;
import fairedge.server.course.Right;
import fairedge.server.exercise.Allowances;
import fairedge.server.exercise.Assignment;
import fairedge.server.insight.BoardView.AnsweredAttempt;
import fairedge.server.insight.BoardView.BoardCell;
import fairedge.server.insight.BoardView.BoardColumn;
import fairedge.server.insight.BoardView.BoardRow;
import fairedge.server.insight.BoardView.BoardTrip;
import fairedge.server.insight.BoardView.KindTally;
import fairedge.server.insight.TermBook.Student;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.Crediting;
import fairedge.server.submission.History;
import fairedge.server.submission.History.KindCount;
import fairedge.server.submission.Tried;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The board of a class: all its students by all that is set, read at once. */
@Service
public class Boards {
  private static final Duration WEEK = Duration.ofDays(7);

  /** So many kinds stand at the foot of a column. */
  private static final int COMMONEST = 3;

  private static final int MOST_TRIPS = 8;

  /** So many of the attempts before are told of. */
  private static final int MOST_BEFORE = 6;

  private final Courses courses;
  private final TermBooks books;
  private final History history;
  private final Crediting crediting;

  Boards(Courses courses, TermBooks books, History history, Crediting crediting) {
    this.courses = courses;
    this.books = books;
    this.history = history;
    this.crediting = crediting;
  }

  /**
   * For those who see what everybody hands in.
   *
   * @param group whose students it is about; null: all
   */
  public BoardView view(UUID course, @Nullable UUID group, SignedIn account) {
    courses.require(account, course, Right.READ_ALL);
    return new Writing(books.of(course, group)).board();
  }

  /** A board as it is put together. */
  private final class Writing {
    private final TermBook book;
    private final Map<UUID, List<KindCount>> kinds;
    private final Map<UUID, Double> proposals;

    /** The last attempts of now, and those of a week ago. */
    private final List<Tried> last;

    private final List<Tried> weekAgo;

    Writing(TermBook book) {
      this.book = book;
      this.last = lastBefore(book.now());
      this.weekAgo = lastBefore(book.now().minus(WEEK));
      this.kinds =
          history.kinds(
              Stream.concat(last.stream(), weekAgo.stream()).map(Tried::id).distinct().toList());
      this.proposals =
          crediting.proposals(
              book.assignments().stream()
                  .collect(Collectors.toMap(Assignment::id, Function.identity())),
              last.stream().filter(t -> !t.isAnswered()).toList());
    }

    private List<Tried> lastBefore(Instant time) {
      List<Tried> found = new ArrayList<>();
      for (Assignment a : book.assignments()) {
        for (Student s : book.students()) {
          List<Tried> all = book.of(a, s);
          for (int i = all.size() - 1; i >= 0; i--) {
            if (!all.get(i).handedInAt().isAfter(time)) {
              found.add(all.get(i));
              break;
            }
          }
        }
      }
      return found;
    }

    BoardView board() {
      return new BoardView(
          courses.info(book.course()).name(),
          book.zone().getId(),
          courses.groupNames(book.course()).entrySet().stream()
              .map(e -> new BoardView.BoardGroup(e.getKey(), e.getValue()))
              .sorted(Comparator.comparing(BoardView.BoardGroup::name))
              .toList(),
          columns(),
          book.students().stream().map(this::row).toList(),
          trips(),
          book.students().size());
    }

    private List<BoardColumn> columns() {
      List<BoardColumn> columns = new ArrayList<>();
      String heading = null;
      for (Assignment a : book.assignments()) {
        String own = a.setting().heading();
        heading = own == null ? heading : own;
        columns.add(
            new BoardColumn(
                a.id(),
                a.exercise().title(),
                heading,
                a.dueAt(),
                a.exercise().rule().most().doubleValue(),
                common(a)));
      }
      return columns;
    }

    /** Of what stands now: an attempt that was accepted has nothing left to mend. */
    private List<KindTally> common(Assignment assignment) {
      Map<Kind, Set<UUID>> students = new EnumMap<>(Kind.class);
      last.stream()
          .filter(t -> t.assignment().equals(assignment.id()) && !t.isAccepted())
          .forEach(t ->
              must(t)
                  .forEach(k ->
                      students
                          .computeIfAbsent(k.kind(), kind -> new HashSet<>())
                          .add(t.student())));
      return students.entrySet().stream()
          .map(e -> new KindTally(e.getKey().key(), e.getValue().size()))
          .sorted(Comparator.comparingInt(KindTally::count).reversed())
          .limit(COMMONEST)
          .toList();
    }

    private List<KindCount> must(Tried t) {
      return kinds.getOrDefault(t.id(), List.of()).stream()
          .filter(KindCount::isMust)
          .sorted(Comparator.comparing(KindCount::kind))
          .toList();
    }

    private BoardRow row(Student student) {
      return new BoardRow(
          student.id(),
          student.name(),
          student.group(),
          book.assignments().stream().map(a -> cell(a, student)).toList());
    }

    private BoardCell cell(Assignment a, Student student) {
      Progress progress = book.progress(a, student);
      List<Tried> all = book.of(a, student);
      Optional<Tried> now = book.last(a, student);
      boolean waits = progress == Progress.HANDED_IN;
      Allowances.Beyond allowed = book.allowed(a, student);
      return new BoardCell(
          BoardView.BoardState.of(progress),
          all.size(),
          now.map(Tried::id).orElse(null),
          now.map(t -> book.isLate(a, student, t)).orElse(false),
          progress == Progress.ACCEPTED
              ? List.of()
              : now.map(this::must).orElse(List.of()).stream()
                  .map(k -> new KindTally(k.kind().key(), k.count()))
                  .toList(),
          waits
              ? now.map(t -> proposals.get(t.id())).orElse(null)
              : book.counting(a, student).map(Tried::credits).orElse(null),
          waits,
          progress == Progress.LATE ? allowed.due() : now.map(Tried::handedInAt).orElse(null),
          before(all));
    }

    private static List<AnsweredAttempt> before(List<Tried> all) {
      List<AnsweredAttempt> answered =
          all.stream()
              .filter(Tried::isAnswered)
              .map(t -> new AnsweredAttempt(t.attempt(), t.isAccepted(), t.credits()))
              .toList();
      return answered.subList(Math.max(0, answered.size() - MOST_BEFORE), answered.size());
    }

    private List<BoardTrip> trips() {
      Map<Kind, Integer> now = studentsByKind(last);
      Map<Kind, Integer> then = studentsByKind(weekAgo);
      return now.entrySet().stream()
          .map(e -> new BoardTrip(e.getKey().key(), e.getValue(), then.getOrDefault(e.getKey(), 0)))
          .sorted(Comparator.comparingInt(BoardTrip::now).reversed())
          .limit(MOST_TRIPS)
          .toList();
    }

    private Map<Kind, Integer> studentsByKind(Collection<Tried> attempts) {
      Map<Kind, Set<UUID>> students = new EnumMap<>(Kind.class);
      for (Tried t : attempts) {
        for (KindCount k : kinds.getOrDefault(t.id(), List.of())) {
          students.computeIfAbsent(k.kind(), kind -> new HashSet<>()).add(t.student());
        }
      }
      Map<Kind, Integer> counts = new EnumMap<>(Kind.class);
      students.forEach((kind, who) -> counts.put(kind, who.size()));
      return counts;
    }
  }
}
