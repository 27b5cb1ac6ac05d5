package fairedge.server.insight;

import fairedge.core.insight.Estimate;
import fairedge.core.insight.Skill;
import fairedge.core.insight.Trend;
import fairedge.core.inspect.finding.Kind;
import fairedge.server.course.Courses;
import fairedge.server.course.Member;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment;
import fairedge.server.insight.BoardView.AnsweredAttempt;
import fairedge.server.insight.BoardView.BoardState;
import fairedge.server.insight.BoardView.KindTally;
import fairedge.server.insight.InsightView.InsightExercise;
import fairedge.server.insight.InsightView.InsightKind;
import fairedge.server.insight.InsightView.InsightPhrase;
import fairedge.server.insight.InsightView.InsightSkill;
import fairedge.server.insight.InsightView.SkillName;
import fairedge.server.insight.InsightView.SkillShare;
import fairedge.server.insight.InsightView.SkillWay;
import fairedge.server.insight.TermBook.Student;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.Cures;
import fairedge.server.review.SaidAnswers;
import fairedge.server.submission.History;
import fairedge.server.submission.History.KindCount;
import fairedge.server.submission.Tried;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What a class and its students have learnt over a term. */
@Service
public class Insights {
  private final Courses courses;
  private final TermBooks books;
  private final History history;
  private final Cures cures;
  private final SaidAnswers answers;

  Insights(Courses courses, TermBooks books, History history, Cures cures, SaidAnswers answers) {
    this.courses = courses;
    this.books = books;
    this.history = history;
    this.cures = cures;
    this.answers = answers;
  }

  /**
   * What a class has learnt, for those who see what everybody hands in.
   *
   * @param group whose students it is about; null: all
   */
  public InsightView ofClass(UUID course, @Nullable UUID group, SignedIn account) {
    courses.require(account, course, Right.READ_ALL);
    TermBook book = books.of(course, group);
    boolean isWhole = cures.follow(course, book.attempts());
    return new InsightView(
        courses.info(course).name(),
        book.zone().getId(),
        book.students().size(),
        book.assignments().stream().map(a -> exercise(book, a)).toList(),
        kinds(book),
        skills(book),
        cures.of(course, account).stream().map(Insights::phrase).toList(),
        isWhole);
  }

  private static InsightExercise exercise(TermBook book, Assignment a) {
    long handedIn = book.students().stream().filter(s -> book.last(a, s).isPresent()).count();
    return new InsightExercise(a.id(), a.exercise().title(), a.dueAt(), (int) handedIn);
  }

  private static InsightPhrase phrase(Cures.Cure cure) {
    return new InsightPhrase(
        cure.phrase().text(), cure.phrase().kind(), cure.cured(), SkillShare.of(cure.share()));
  }

  private List<InsightKind> kinds(TermBook book) {
    List<Tried> last = new ArrayList<>();
    book.assignments()
        .forEach(a -> book.students().forEach(s -> book.last(a, s).ifPresent(last::add)));
    Map<UUID, List<KindCount>> found = history.kinds(last.stream().map(Tried::id).toList());
    Map<Kind, int[]> counts = new EnumMap<>(Kind.class);
    int count = book.assignments().size();
    for (int i = 0; i < count; i++) {
      int column = i;
      UUID assignment = book.assignments().get(i).id();
      last.stream()
          .filter(t -> t.assignment().equals(assignment))
          .forEach(t ->
              found.getOrDefault(t.id(), List.of()).stream()
                  .map(KindCount::kind)
                  .distinct()
                  .forEach(k -> counts.computeIfAbsent(k, kind -> new int[count])[column]++));
    }
    return counts.entrySet().stream()
        .sorted(
            Comparator.comparingInt(
                    (Map.Entry<Kind, int[]> e) -> -Arrays.stream(e.getValue()).sum())
                .thenComparing(Map.Entry::getKey))
        .map(e -> new InsightKind(e.getKey().key(), Arrays.stream(e.getValue()).boxed().toList()))
        .toList();
  }

  /** From the attempts that count, one of each student in each exercise. */
  private List<InsightSkill> skills(TermBook book) {
    List<List<Tried>> counted =
        book.assignments().stream()
            .map(a -> book.students().stream().flatMap(s -> book.counting(a, s).stream()).toList())
            .toList();
    Map<UUID, Skill.Shown> shown =
        history.shown(counted.stream().flatMap(List::stream).map(Tried::id).toList());
    return Arrays.stream(Skill.values()).map(skill -> skill(skill, counted, shown)).toList();
  }

  private static InsightSkill skill(
      Skill skill, List<List<Tried>> counted, Map<UUID, Skill.Shown> shown) {
    List<double[]> values =
        counted.stream()
            .map(of ->
                of.stream()
                    .flatMap(t -> Optional.ofNullable(shown.get(t.id())).stream())
                    .map(skill::of)
                    .flatMapToDouble(OptionalDouble::stream)
                    .toArray())
            .toList();
    List<@Nullable SkillShare> points = new ArrayList<>();
    values.forEach(of -> points.add(share(of)));
    // Of a class, what few attempts show may be chance; a student has one in each exercise.
    boolean isOne = counted.stream().allMatch(of -> of.size() <= 1);
    double[] means =
        points.stream()
            .filter(Objects::nonNull)
            .filter(point -> isOne || !point.isFew())
            .mapToDouble(SkillShare::mean)
            .toArray();
    return new InsightSkill(
        SkillName.of(skill),
        points,
        share(values.stream().flatMapToDouble(Arrays::stream).toArray()),
        SkillWay.of(Trend.of(means)));
  }

  private static @Nullable SkillShare share(double[] values) {
    return values.length == 0 ? null : SkillShare.of(Estimate.ofMean(values));
  }

  /** A student's page, for those who see what everybody hands in, and for the student. */
  public TermView ofStudent(UUID course, UUID id, SignedIn account) {
    answers.requireMayReadOf(course, id, account);
    return ofStudent(course, courses.member(course, id));
  }

  /** The same; whoever asks decides who may know. */
  TermView ofStudent(UUID course, Member member) {
    TermBook book = books.of(course, member);
    Student student = book.students().getFirst();
    List<Tried> answered =
        book.assignments().stream().flatMap(a -> lastAnswered(book, a, student).stream()).toList();
    Map<UUID, List<KindCount>> found = history.kinds(answered.stream().map(Tried::id).toList());
    return new TermView(
        member.id(),
        member.name(),
        courses.info(course).name(),
        book.zone().getId(),
        book.assignments().stream().map(a -> line(book, a, student, found)).toList(),
        skills(book));
  }

  private static Optional<Tried> lastAnswered(TermBook book, Assignment a, Student student) {
    return book.of(a, student).reversed().stream().filter(Tried::isAnswered).findFirst();
  }

  /** Of what waits for its answer nothing is told but that it does. */
  private static TermView.TermLine line(
      TermBook book, Assignment a, Student student, Map<UUID, List<KindCount>> found) {
    Optional<Tried> last = book.last(a, student);
    Optional<Tried> answered = lastAnswered(book, a, student);
    List<KindCount> ofAnswered =
        answered.map(t -> found.getOrDefault(t.id(), List.of())).orElse(List.of());
    return new TermView.TermLine(
        a.id(),
        a.exercise().title(),
        book.allowed(a, student).due(),
        BoardState.of(book.progress(a, student)),
        last.map(t -> book.isLate(a, student, t)).orElse(false),
        last.map(Tried::id).orElse(null),
        answered.map(Tried::id).orElse(null),
        a.exercise().rule().most().doubleValue(),
        book.counting(a, student).map(Tried::credits).orElse(null),
        tallies(ofAnswered, true),
        tallies(ofAnswered, false),
        book.of(a, student).stream()
            .filter(Tried::isAnswered)
            .map(t -> new AnsweredAttempt(t.attempt(), t.isAccepted(), t.credits()))
            .toList());
  }

  private static List<KindTally> tallies(List<KindCount> all, boolean must) {
    return all.stream()
        .filter(k -> k.isMust() == must)
        .sorted(Comparator.comparing(KindCount::kind))
        .map(k -> new KindTally(k.kind().key(), k.count()))
        .toList();
  }
}
