package fairedge.core.inspect;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import fairedge.core.survey.Asking;
import fairedge.core.survey.Gathered;
import fairedge.core.survey.Lazy;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Wanted;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.ForkJoinTask;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * Inspects a mesh. Never fails on one that could be read; the same mesh gives the same report in
 * the same order: by kind, then as the finder of the kind says. Cost: n log n in the elements of
 * the mesh. It works in the fork-join pool of the thread that asks, or else in the common one.
 */
public final class Inspector {
  private final Profile profile;
  private final Tolerance tolerance;
  private final @Nullable Starter starter;
  private final Asking asking;
  private final Lazy<Pardons> pardons;

  /**
   * @param tolerance by the scale of the mesh; in a workpiece by that of its starter
   */
  public Inspector(Profile profile, Tolerance tolerance) {
    this(profile, tolerance, null);
  }

  /**
   * @param starter what the work began from; null where nothing counts as new
   */
  public Inspector(Profile profile, Tolerance tolerance, @Nullable Starter starter) {
    this(profile, tolerance, starter, Asking.NOTHING);
  }

  private Inspector(
      Profile profile, Tolerance tolerance, @Nullable Starter starter, Asking asking) {
    this.asking = asking;
    this.profile = profile;
    this.tolerance = tolerance;
    this.starter = starter;
    this.pardons = new Lazy<>(this::findPardons);
  }

  /**
   * The same, with what an exercise asks of the shape and pardons of its starter. Where it pardons
   * something, the starter is inspected once for all inspections of the inspector that this gives.
   *
   * @param references solutions, of which the one whose lines are met best counts alone
   */
  public Inspector asking(Wanted wanted, List<Mesh> references) {
    return new Inspector(profile, tolerance, starter, new Asking(wanted, references));
  }

  private Pardons findPardons() {
    Wanted wanted = asking.wanted();
    if (starter == null || wanted.pardons().isEmpty()) {
      return Pardons.NONE;
    }
    Report report =
        asking(wanted.pardoning(List.of()), asking.references()).inspect(starter.mesh());
    List<Finding> found = report.findings().stream().map(Report.Assessed::finding).toList();
    return Pardons.of(found, starter.mesh(), wanted.pardons(), tolerance);
  }

  public Report inspect(Mesh mesh) {
    return inspect(mesh, List.of());
  }

  /**
   * @param oddities what was odd about the mesh's file
   */
  public Report inspect(Mesh mesh, List<Oddity> oddities) {
    return whole(subject(mesh, oddities)).report();
  }

  /** A report, and what is told beside it of a mesh that is handed in. */
  public record Examined(Report report, Held held) {}

  /** The same report, for once and for all. */
  public Examined examine(Mesh mesh, List<Oddity> oddities) {
    Subject subject = subject(mesh, oddities);
    // Before: what an inspection leaves behind knows the mesh no more.
    Held held = Held.of(subject);
    return new Examined(whole(subject).report(), held);
  }

  /** A report, and what to keep for the next. */
  public record Inspected(Report report, Recall recall) {}

  /**
   * The same report as without {@code since}, for less: what the change touched, with what lies
   * round it, the rings and loops through it, and the findings that there are. Some faults that
   * make it cost more are listed in docs/inspection.md.
   *
   * @param since what is known from before; null where nothing is
   */
  public Inspected inspect(Mesh mesh, List<Oddity> oddities, @Nullable Since since) {
    if (since != null && oddities.isEmpty() && since.recall().isBy(this)) {
      Line line = since.recall().line();
      Line.Renewed renewed = line.renew(mesh, since);
      if (renewed != null) {
        Recall recall = new Recall(this, line, renewed.move(), renewed.gathered());
        return new Inspected(report(mesh, renewed.found()), recall);
      }
    }
    Subject subject = subject(mesh, oddities);
    if (starter != null && counts(Rule.POLE_NEW)) {
      // A step that makes the first new pole would wait for it.
      subject.curvature();
    }
    return whole(subject);
  }

  /**
   * What somebody wants to know of the facts about a mesh, which an inspection gathered and keeps:
   * for what was touched since, or else for the whole mesh.
   *
   * @param since what is known from before
   */
  public <T> T ask(Mesh mesh, Since since, Function<Subject, T> question) {
    List<T> answer = new ArrayList<>();
    if (since.recall().isBy(this)
        && since.recall().line().renew(mesh, since, facts -> answer.add(question.apply(facts)))
            != null) {
      return answer.getFirst();
    }
    return question.apply(subject(mesh, List.of()));
  }

  private Inspected whole(Subject subject) {
    ForkJoinTask<Figures> figures = ForkJoinTask.adapt(() -> Figures.of(subject)).fork();
    prepare(subject);
    List<Finders.Share> shares = Finders.of(profile);
    List<List<Finding>> found =
        shares.parallelStream().map(share -> share.finder().find(subject)).toList();
    Gathered gathered = subject.gathered();
    Found now = Found.of(subject, figures.join(), found);
    Mesh mesh = subject.mesh();
    Line line = new Line(subject, shares, found);
    return new Inspected(report(mesh, now), new Recall(this, line, 0, gathered));
  }

  private Report report(Mesh mesh, Found now) {
    List<Finding> all = new ArrayList<>();
    now.findings().forEach(all::addAll);
    // Stable: within a kind the finder's order stays.
    all.sort(Comparator.comparing(Finding::kind));
    BitSet pardoned = pardons.get().among(all, mesh, now.placement());
    List<Report.Assessed> counted = new ArrayList<>();
    int left = 0;
    for (int i = 0; i < all.size(); i++) {
      Finding finding = all.get(i);
      Severity severity = profile.severityOf(finding.rule()).orElse(null);
      if (severity != null && pardoned.get(i)) {
        left++;
      } else if (severity != null) {
        counted.add(new Report.Assessed(finding, severity));
      }
    }
    return new Report(now.figures(), List.copyOf(counted), now.leftOut(), now.met(), left);
  }

  private Subject subject(Mesh mesh, List<Oddity> oddities) {
    return new Subject(mesh, tolerance, profile.thresholds(), oddities, starter, asking);
  }

  /** How near to what was touched faces are to count as near: {@link Since#near}. */
  public double room() {
    return 2 * Math.max(profile.thresholds().weld(tolerance), tolerance.merge());
  }

  /**
   * Whether an inspection after a step costs what the step touched, as a rule: nothing is asked for
   * that is told of the whole mesh.
   */
  public boolean followsSteps() {
    Wanted wanted = asking.wanted();
    return !counts(Rule.SOFT_EDGE)
        && !counts(Rule.NO_COLLAR)
        && (wanted.distance() == null || !counts(Rule.MOVED))
        && (wanted.mirror() == null || !counts(Rule.LOPSIDED))
        && (wanted.lines().isEmpty() && wanted.cuttable().isEmpty() && asking.references().isEmpty()
            || !counts(Rule.OFF_LINE));
  }

  /** Whether another finds the same in the same mesh. */
  boolean asksLike(Inspector other) {
    return profile.equals(other.profile)
        && tolerance.equals(other.tolerance)
        && starter == other.starter
        && asking.isLike(other.asking);
  }

  private boolean counts(Rule rule) {
    return profile.severityOf(rule).isPresent();
  }

  /** What several finders ask for is made before they run beside each other. */
  private void prepare(Subject subject) {
    if (starter != null) {
      subject.novelty();
      if (subject.wanted().distance() != null || !subject.wanted().cuttable().isEmpty()) {
        Objects.requireNonNull(subject.starter()).surface();
      }
    }
    if (counts(Rule.OFF_LINE) || counts(Rule.ONE_SIDED)) {
      subject.reference();
    }
    subject.lineCovers();
    subject.deviation();
    if (counts(Rule.DOUBLE) || counts(Rule.TOUCHING)) {
      subject.vertexGrid();
    }
    if (counts(Rule.SOFT_EDGE) || counts(Rule.NO_COLLAR)) {
      subject.patches();
    }
  }
}
