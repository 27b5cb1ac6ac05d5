package fairedge.server.submission.store;

import static fairedge.schema.generated.Tables.REPORT_KIND;
import static fairedge.schema.generated.Tables.SUBMISSION;
import static fairedge.schema.generated.Tables.SUBMISSION_REPORT;
import static org.jooq.impl.DSL.any;
import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.field;

import fairedge.core.insight.Skill;
import fairedge.core.inspect.finding.Kind;
import fairedge.json.FindingView.SeverityView;
import fairedge.server.submission.History.KindCount;
import fairedge.server.submission.Tried;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** What was handed in over a term, read for lists: of each report only what lists tell. */
@Repository
public class HistoryStore {
  private static final Field<Integer> SHOWN =
      coalesce(SUBMISSION.QUOTED_VERSION, SUBMISSION.REPORT_VERSION);

  private final DSLContext db;

  HistoryStore(DSLContext db) {
    this.db = db;
  }

  /**
   * All attempts in several assignments, those of each student one after the other. A term has tens
   * of thousands: times come as numbers, which are read in a third of the time.
   */
  public List<Tried> all(Collection<UUID> assignments) {
    return db.select(
            SUBMISSION.ID,
            SUBMISSION.ASSIGNMENT_ID,
            SUBMISSION.STUDENT_ID,
            SUBMISSION.ATTEMPT,
            micros(SUBMISSION.HANDED_IN_AT),
            SHOWN,
            micros(SUBMISSION.ANSWERED_AT),
            SUBMISSION.IS_ACCEPTED,
            SUBMISSION.CREDITS)
        .from(SUBMISSION)
        .where(isIn(assignments))
        .orderBy(SUBMISSION.ASSIGNMENT_ID, SUBMISSION.STUDENT_ID, SUBMISSION.ATTEMPT)
        .fetch(r ->
            new Tried(
                r.value1(),
                r.value2(),
                r.value3(),
                r.value4(),
                instant(r.value5()),
                r.value6(),
                r.value7() == null ? null : instant(r.value7()),
                r.value8(),
                r.value9()));
  }

  private static Field<Long> micros(Field<?> time) {
    return field("(extract(epoch from {0}) * 1000000)::bigint", Long.class, time);
  }

  private static Instant instant(long micros) {
    return Instant.EPOCH.plus(micros, ChronoUnit.MICROS);
  }

  private static Condition isIn(Collection<UUID> assignments) {
    return SUBMISSION.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new)));
  }

  /** Of each kind how many count in the reports that are shown, but for remarks; by submission. */
  public Map<UUID, List<KindCount>> kinds(Collection<UUID> ids) {
    return db
        .select(
            SUBMISSION.ID,
            REPORT_KIND.KIND,
            REPORT_KIND.SEVERITY,
            REPORT_KIND.COUNT.minus(REPORT_KIND.WAVED))
        .from(SUBMISSION)
        .join(REPORT_KIND)
        .on(REPORT_KIND.SUBMISSION_ID.eq(SUBMISSION.ID), REPORT_KIND.VERSION.eq(SHOWN))
        .where(
            SUBMISSION.ID.eq(any(ids.toArray(UUID[]::new))),
            REPORT_KIND.COUNT.gt(REPORT_KIND.WAVED),
            REPORT_KIND.SEVERITY.ne(SeverityView.remark.name()))
        .fetch()
        .stream()
        // What another version of the engine found and this one does not know has no name here.
        .filter(r -> Kind.find(r.value2()).isPresent())
        .collect(
            Collectors.groupingBy(
                r -> r.value1(),
                Collectors.mapping(
                    r ->
                        new KindCount(
                            Kind.named(r.value2()),
                            r.value3().equals(SeverityView.must.name()),
                            r.value4()),
                    Collectors.toList())));
  }

  /** What of the reports that are shown tells of skills. */
  public Map<UUID, Skill.Shown> shown(Collection<UUID> ids) {
    Field<Integer> faces =
        field("({0} ->> 'faces')::integer", Integer.class, SUBMISSION_REPORT.FIGURES);
    Field<Integer> quads =
        field("({0} ->> 'quads')::integer", Integer.class, SUBMISSION_REPORT.FIGURES);
    Field<@Nullable Double> loops =
        field(
            "({0} -> 'loops' ->> 'shareComplete')::double precision",
            Double.class, SUBMISSION_REPORT.FIGURES);
    Field<@Nullable Double> lines =
        field("({0} ->> 'lines')::double precision", Double.class, SUBMISSION_REPORT.MET);
    Map<UUID, Skill.Shown> shown = new HashMap<>();
    db.select(
            SUBMISSION.ID,
            faces,
            quads,
            loops,
            lines,
            SUBMISSION_REPORT.HARD_EDGES,
            SUBMISSION_REPORT.HELD_EDGES)
        .from(SUBMISSION)
        .join(SUBMISSION_REPORT)
        .on(SUBMISSION_REPORT.SUBMISSION_ID.eq(SUBMISSION.ID), SUBMISSION_REPORT.VERSION.eq(SHOWN))
        .where(SUBMISSION.ID.eq(any(ids.toArray(UUID[]::new))))
        .forEach(r ->
            shown.put(
                r.value1(),
                new Skill.Shown(
                    r.value2(),
                    r.value3(),
                    r.value4() == null ? 0 : r.value4(),
                    r.value5(),
                    r.value6(),
                    r.value7())));
    return shown;
  }
}
