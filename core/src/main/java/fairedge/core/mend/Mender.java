package fairedge.core.mend;

import fairedge.core.effort.Effort;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Curviest;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Function;

/**
 * Offers mends of the findings of a workpiece. Planners propose, at most {@value #MOST_TRIED} plans
 * for a finding; each is tried until {@value #MOST} hold. The same mesh gives the same list. For
 * one thread at a time, the one that has the workpiece.
 *
 * <p>Cost: once for a state, where the form bends ({@link Curviest}); then for each plan what it
 * touches, and the findings.
 */
public final class Mender {
  /** So many are offered for a finding. */
  public static final int MOST = 3;

  /** So many are tried for one. */
  public static final int MOST_TRIED = 24;

  private static final List<String> OTHERS = List.of(" In another way.", " In a third way.");

  private static final Comparator<Trial.Held> LEAST_FIRST =
      Comparator.comparingInt((Trial.Held held) -> -held.told().cured(Severity.MUST))
          .thenComparingInt(held -> -held.told().cured(Severity.SHOULD))
          .thenComparingInt(held -> held.mend().cost().found())
          .thenComparingInt(Trial.Held::poles)
          .thenComparingDouble(held -> rounded(held.off()))
          .thenComparingDouble(held -> held.mend().cost().moved())
          .thenComparingInt(
              held -> held.mend().cost().facesAdded() - held.mend().cost().facesTaken());

  private final Workpiece workpiece;
  private State state;
  private final BitSet hidden = new BitSet();
  private final Curviest curviest;
  private final Trial trial;

  /**
   * @param hidden faces that are not seen, which stay as they are
   */
  public Mender(Workpiece workpiece, State state, List<Integer> hidden) {
    this.workpiece = workpiece;
    this.state = state;
    hidden.forEach(this.hidden::set);
    this.curviest = Curviest.of(workpiece.mesh());
    this.trial = new Trial(workpiece, state, hidden, curviest);
  }

  /**
   * What cures a finding of the state.
   *
   * @throws IllegalArgumentException if the state has no such finding
   */
  public Offer of(Finding finding) {
    return of(finding, MOST);
  }

  /**
   * The same, but so many at the most: the first that hold in the planner's order, put in order by
   * what they cost.
   */
  public Offer of(Finding finding, int most) {
    Planned planned = plans(finding);
    List<Trial.Held> held =
        new Search(planned.plans(), assessed(finding)).upTo(Math.min(most, MOST));
    // Stable: what is alike stays in the planner's order, which is that of the ids.
    held.sort(LEAST_FIRST);
    List<Mend> mends = new ArrayList<>();
    for (int i = 0; i < held.size(); i++) {
      mends.add(
          held.get(i).mend().because(i + 1 < held.size() ? why(held.get(i), held.get(i + 1)) : ""));
    }
    return new Offer(finding, told(mends), mends.isEmpty() ? planned.reason() : "");
  }

  /** Where two would be told by the same sentence, that the later is another way. */
  private static List<Mend> told(List<Mend> mends) {
    List<Mend> told = new ArrayList<>();
    Map<String, Integer> known = new HashMap<>();
    for (Mend mend : mends) {
      int before = known.merge(mend.does(), 1, Integer::sum) - 1;
      told.add(before == 0 ? mend : mend.told(mend.does() + OTHERS.get(before - 1)));
    }
    return told;
  }

  /**
   * The first that holds, in the planner's order, if it brings nothing; else the best of those that
   * would be offered. To be made, so that the next is for what it left.
   */
  Optional<Trial.Held> first(Assessed target) {
    Search search = new Search(plans(target.finding()).plans(), target);
    Optional<Trial.Held> first = search.upTo(1).stream().findFirst();
    if (first.isEmpty() || first.get().mend().cost().found() == 0) {
      return first;
    }
    return search.upTo(MOST).stream().min(LEAST_FIRST);
  }

  /** What would make quads of some odd faces together. */
  record Together(RouteSet set, Map<RouteSearch.Found, List<Plan>> plans) {}

  Together together(Collection<Integer> odd) {
    return ask(ground -> {
      RouteSet set = RouteSet.of(ground, odd);
      Map<RouteSearch.Found, List<Plan>> plans = new LinkedHashMap<>();
      for (RouteSearch.Found way : set.routes()) {
        List<Plan> own = new ArrayList<>();
        Routes.plan(ground, way, own::add);
        plans.put(way, own);
      }
      return new Together(set, plans);
    });
  }

  /** The first of some plans that holds. */
  Optional<Trial.Held> first(List<Plan> plans, Assessed target) {
    Plans some = new Plans(plans.size());
    plans.forEach(some);
    return new Search(some, target).upTo(1).stream().findFirst();
  }

  /** Goes on with what was made of the workpiece. */
  void goOn(State next) {
    state = next;
    trial.goOn(next);
  }

  State state() {
    return state;
  }

  private Assessed assessed(Finding finding) {
    return state.report().findings().stream()
        .filter(a -> a.finding().equals(finding))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("no finding " + finding.key()));
  }

  /** What holds of the plans for a finding; goes on where it stopped when more is wanted. */
  private final class Search {
    private final Plans plans;
    private final Assessed target;
    private final Deque<Plan> untried = new ArrayDeque<>();
    private final List<Trial.Held> held = new ArrayList<>();

    Search(Plans plans, Assessed target) {
      this.plans = plans;
      this.target = target;
    }

    List<Trial.Held> upTo(int most) {
      do {
        untried.addAll(plans.taken());
        while (!untried.isEmpty() && held.size() < most) {
          attempt(untried.remove());
        }
      } while (held.size() < most && goFarther());
      return new ArrayList<>(held);
    }

    private void attempt(Plan plan) {
      Effort.check();
      trial
          .of(plan, target)
          .filter(h -> held.stream().noneMatch(o -> o.mend().changes().equals(h.mend().changes())))
          .ifPresent(held::add);
    }

    private boolean goFarther() {
      BiConsumer<Ground, Plans> more = plans.next();
      if (more == null) {
        return false;
      }
      ask(ground -> {
        more.accept(ground, plans);
        return true;
      });
      return true;
    }
  }

  /**
   * @param reason why nothing may hold
   */
  private record Planned(Plans plans, String reason) {}

  private Planned plans(Finding finding) {
    Plans plans = new Plans(MOST_TRIED);
    String reason = ask(ground -> Planners.plan(ground, finding, plans));
    return new Planned(
        plans,
        reason.isEmpty()
            ? "What was tried brings something as bad, or can't be done here."
            : reason);
  }

  private <T> T ask(Function<Ground, T> question) {
    return state.ask(
        workpiece, facts -> question.apply(new Ground(facts, state.report(), hidden, curviest)));
  }

  /** By what one stands before the next. */
  private static String why(Trial.Held one, Trial.Held next) {
    if (one.told().cured(Severity.MUST) != next.told().cured(Severity.MUST)
        || one.told().cured(Severity.SHOULD) != next.told().cured(Severity.SHOULD)) {
      return "It cures more.";
    }
    if (one.mend().cost().found() != next.mend().cost().found()) {
      return "It brings fewer findings.";
    }
    if (one.poles() != next.poles()) {
      return "It makes fewer poles.";
    }
    if (rounded(one.off()) != rounded(next.off())) {
      return "Its corners are squarer.";
    }
    if (one.mend().cost().moved() != next.mend().cost().moved()) {
      return "It moves less.";
    }
    return "";
  }

  /** What differs by rounding alone is alike. */
  private static double rounded(double degrees) {
    return Math.rint(degrees * 1e6) / 1e6;
  }
}
