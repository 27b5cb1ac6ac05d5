package fairedge.server.bench.store;

import static fairedge.schema.generated.Tables.SNAPSHOT;
import static fairedge.schema.generated.Tables.STEP;
import static fairedge.schema.generated.Tables.STEP_NAME;
import static fairedge.schema.generated.Tables.WORKPIECE;
import static fairedge.schema.generated.Tables.WORKPIECE_REQUEST;
import static org.jooq.impl.DSL.any;
import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.field;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.jsonbGetAttributeAsText;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.name;
import static org.jooq.impl.DSL.noCondition;
import static org.jooq.impl.DSL.partitionBy;
import static org.jooq.impl.DSL.rowNumber;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.selectOne;
import static org.jooq.impl.DSL.table;

import fairedge.core.step.Change;
import fairedge.core.step.ChangeKind;
import fairedge.core.step.Workpiece;
import fairedge.core.work.View;
import fairedge.schema.generated.tables.records.WorkpieceRecord;
import fairedge.schema.generated.tables.records.WorkpieceRequestRecord;
import fairedge.server.bench.After;
import fairedge.server.bench.OverShoulder.Moment;
import fairedge.server.bench.Owner;
import fairedge.server.bench.StepView;
import fairedge.server.meshfile.MeshHolder;
import fairedge.server.platform.Json;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.InsertResultStep;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.Result;
import org.jooq.SelectField;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Workpieces and their trees of steps. */
@Repository
public class WorkpieceStore implements MeshHolder {
  private final DSLContext db;
  private final Json json;

  WorkpieceStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /**
   * Where a workpiece stands.
   *
   * @param owner what it is cut for
   * @param accountId by whom
   */
  public record Head(UUID id, Owner owner, UUID accountId, @Nullable Long headStep, long revision) {

    /** After the next move. */
    Head at(@Nullable Long step) {
      return new Head(id, owner, accountId, step, revision + 1);
    }
  }

  /** A step to keep. */
  public record NewStep(Change change, View view, After after) {}

  /** A step that was kept, and where the workpiece stands with it. */
  public record Added(StepView step, Head head) {}

  /** Where a workpiece stands, and whether a request was answered by it before. */
  public record Known(Head head, boolean isAnswered) {}

  /** It does not stand any more where it stood: nothing was kept. */
  public static final class MovedMeanwhile extends RuntimeException {
    private static final long serialVersionUID = 1L;

    MovedMeanwhile() {
      super(null, null, false, false);
    }
  }

  /**
   * The mesh, by its hash, as it is after a step.
   *
   * @param number of the step
   * @param remark what of the steps up to it could not be made again, if something could not
   * @param engine the version that made it, or made the steps up to it again
   */
  public record Snapshot(long step, int number, byte[] mesh, @Nullable String remark, int engine) {}

  /** A change that was kept, with the number of its step. */
  public record Numbered(int number, Change change) {}

  /** The workpiece of an account for an owner; made where there is none. */
  public UUID openFor(Owner owner, UUID account, Instant now) {
    db.insertInto(WORKPIECE)
        .set(WORKPIECE.ID, UUID.randomUUID())
        .set(WORKPIECE.OWNER_TYPE, owner.type().name())
        .set(WORKPIECE.OWNER_ID, owner.id())
        .set(WORKPIECE.ACCOUNT_ID, account)
        .set(WORKPIECE.OPENED_AT, now.atOffset(ZoneOffset.UTC))
        .onConflict(WORKPIECE.OWNER_TYPE, WORKPIECE.OWNER_ID, WORKPIECE.ACCOUNT_ID)
        .doNothing()
        .execute();
    return db.select(WORKPIECE.ID)
        .from(WORKPIECE)
        .where(isOf(owner), WORKPIECE.ACCOUNT_ID.eq(account))
        .fetchSingle(WORKPIECE.ID);
  }

  private static Condition isOf(Owner owner) {
    return WORKPIECE.OWNER_TYPE.eq(owner.type().name()).and(WORKPIECE.OWNER_ID.eq(owner.id()));
  }

  /** Whether there is a workpiece of any of several assignments. */
  public boolean hasAny(Collection<UUID> assignments) {
    return db.fetchExists(
        WORKPIECE, WORKPIECE.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new))));
  }

  /** Who has made a step at least on a workpiece of several assignments. */
  public Map<UUID, Set<UUID>> begun(Collection<UUID> assignments) {
    return db.select(WORKPIECE.ASSIGNMENT_ID, WORKPIECE.ACCOUNT_ID)
        .from(WORKPIECE)
        .where(
            WORKPIECE.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new))),
            WORKPIECE.REVISION.gt(0L))
        .collect(
            Collectors.groupingBy(
                r -> r.value1(), Collectors.mapping(r -> r.value2(), Collectors.toSet())));
  }

  public Optional<Head> find(UUID id) {
    return db.selectFrom(WORKPIECE).where(WORKPIECE.ID.eq(id)).fetchOptional(WorkpieceStore::head);
  }

  /** The same, and whether a request was answered by it before. */
  public Optional<Known> find(UUID id, UUID clientKey) {
    var isAnswered =
        field(
            exists(
                selectOne()
                    .from(WORKPIECE_REQUEST)
                    .where(
                        WORKPIECE_REQUEST.WORKPIECE_ID.eq(id),
                        WORKPIECE_REQUEST.CLIENT_KEY.eq(clientKey))));
    return db.select(WORKPIECE, isAnswered)
        .from(WORKPIECE)
        .where(WORKPIECE.ID.eq(id))
        .fetchOptional(r -> new Known(head(r.value1()), r.value2()));
  }

  private static Head head(WorkpieceRecord r) {
    return new Head(
        r.getId(),
        new Owner(Owner.Type.valueOf(r.getOwnerType()), r.getOwnerId()),
        r.getAccountId(),
        r.getHeadStep(),
        r.getRevision());
  }

  /**
   * Adds a step after the head, moves the head to it, goes on to the next revision and remembers by
   * what request: in one statement, for a hand waits for it.
   *
   * @throws MovedMeanwhile if the workpiece is at another revision by now
   */
  @Transactional
  public Added addStep(Head head, NewStep step, UUID clientKey, Instant now) {
    var before = STEP.as("before");
    var added = name("added");
    var addedId = field(added.append("id"), Long.class);
    var addedNumber = field(added.append("number"), Integer.class);
    var number =
        coalesce(
                field(select(before.NUMBER).from(before).where(before.ID.eq(head.headStep()))),
                inline(0))
            .plus(1);
    var insert =
        db.insertInto(STEP)
            .set(STEP.WORKPIECE_ID, head.id())
            .set(STEP.PARENT_ID, head.headStep())
            .set(STEP.NUMBER, number)
            .set(STEP.CHANGE, json.write(step.change()))
            .set(STEP.VIEW, json.write(step.view()))
            .set(STEP.AFTER, json.write(step.after()))
            .set(STEP.ENGINE, Workpiece.ENGINE)
            .set(STEP.MADE_AT, now.atOffset(ZoneOffset.UTC))
            .returning(STEP.ID, STEP.NUMBER);
    var move =
        db.update(WORKPIECE)
            .set(WORKPIECE.HEAD_STEP, addedId)
            .set(WORKPIECE.REVISION, head.revision() + 1)
            .from(table(added))
            .where(WORKPIECE.ID.eq(head.id()), WORKPIECE.REVISION.eq(head.revision()))
            .returning(WORKPIECE.ID);
    var moved = name("moved");
    return db.with(added.as(insert))
        .with(name("answered").as(answered(head, clientKey)))
        .with(moved.as(move))
        .select(addedId, addedNumber, field(exists(selectOne().from(table(moved)))))
        .from(table(added))
        .fetchSingle(r -> {
          if (!r.value3()) {
            throw new MovedMeanwhile();
          }
          long id = r.value1();
          StepView told = StepView.of(id, head.headStep(), r.value2(), step.after(), now, null);
          return new Added(told, head.at(id));
        });
  }

  private InsertResultStep<WorkpieceRequestRecord> answered(Head head, UUID clientKey) {
    return db.insertInto(WORKPIECE_REQUEST)
        .set(WORKPIECE_REQUEST.WORKPIECE_ID, head.id())
        .set(WORKPIECE_REQUEST.CLIENT_KEY, clientKey)
        .set(WORKPIECE_REQUEST.REVISION, head.revision() + 1)
        .returning();
  }

  /**
   * Lets a workpiece stand at another step (null: the starter), at the next revision, and remembers
   * by what request.
   *
   * @throws MovedMeanwhile if the workpiece is at another revision by now
   */
  @Transactional
  public Head moveTo(Head head, @Nullable Long step, UUID clientKey) {
    int moved =
        db.update(WORKPIECE)
            .set(WORKPIECE.HEAD_STEP, step)
            .set(WORKPIECE.REVISION, head.revision() + 1)
            .where(WORKPIECE.ID.eq(head.id()), WORKPIECE.REVISION.eq(head.revision()))
            .execute();
    if (moved == 0) {
      throw new MovedMeanwhile();
    }
    answered(head, clientKey).execute();
    return head.at(step);
  }

  /** The step that was made last after the head, if any. */
  public OptionalLong findNext(Head head) {
    Long parent = head.headStep();
    Long next =
        db.select(max(STEP.ID))
            .from(STEP)
            .where(
                STEP.WORKPIECE_ID.eq(head.id()),
                parent == null ? STEP.PARENT_ID.isNull() : STEP.PARENT_ID.eq(parent))
            .fetchOne(0, Long.class);
    return next == null ? OptionalLong.empty() : OptionalLong.of(next);
  }

  public Change change(long step) {
    JSONB stored =
        db.select(STEP.CHANGE).from(STEP).where(STEP.ID.eq(step)).fetchSingle(STEP.CHANGE);
    return json.read(stored, Change.class);
  }

  /** The changes after so many steps up to a step (null: the starter), in order. */
  public List<Numbered> changes(int after, @Nullable Long upTo) {
    return lineTo(upTo, STEP.NUMBER.gt(after), STEP.CHANGE)
        .map(r -> new Numbered(r.get(STEP.NUMBER), json.read(r.get(STEP.CHANGE), Change.class)));
  }

  /** The workpiece of a step. */
  public Head headOf(long step) {
    return find(db.select(STEP.WORKPIECE_ID)
            .from(STEP)
            .where(STEP.ID.eq(step))
            .fetchSingle(STEP.WORKPIECE_ID))
        .orElseThrow();
  }

  /** The latest snapshot on the line to a step, that of the step itself too. */
  public Optional<Snapshot> snapshotBefore(long step) {
    return snapshotBefore(step, Integer.MAX_VALUE);
  }

  /** The latest on the line to a step that comes before a number. */
  public Optional<Snapshot> snapshotBefore(long step, int number) {
    List<Long> line = lineTo(step, noCondition(), STEP.ID).getValues(STEP.ID);
    return db.select(STEP.ID, STEP.NUMBER, SNAPSHOT.MESH, SNAPSHOT.REMARK, SNAPSHOT.ENGINE)
        .from(SNAPSHOT)
        .join(STEP)
        .on(STEP.ID.eq(SNAPSHOT.STEP_ID))
        .where(SNAPSHOT.STEP_ID.in(line), STEP.NUMBER.lt(number))
        .orderBy(STEP.NUMBER.desc())
        .limit(1)
        .fetchOptional(
            r -> new Snapshot(r.value1(), r.value2(), r.value3(), r.value4(), r.value5()));
  }

  public void keepSnapshot(long step, byte[] mesh, @Nullable String remark) {
    db.insertInto(SNAPSHOT)
        .set(SNAPSHOT.STEP_ID, step)
        .set(SNAPSHOT.MESH, mesh)
        .set(SNAPSHOT.REMARK, remark)
        .set(SNAPSHOT.ENGINE, Workpiece.ENGINE)
        .onConflictDoNothing()
        .execute();
  }

  /** Keeps what came of making the steps up to a snapshot again by this engine. */
  public void proved(Snapshot snapshot, @Nullable String remark) {
    db.update(SNAPSHOT)
        .set(SNAPSHOT.ENGINE, Workpiece.ENGINE)
        .set(SNAPSHOT.REMARK, remark)
        .where(SNAPSHOT.STEP_ID.eq(snapshot.step()))
        .execute();
  }

  /** Whether the steps up to this one are known to lead elsewhere than they did. */
  public boolean leadsElsewhere(long step) {
    return db.fetchExists(SNAPSHOT, SNAPSHOT.STEP_ID.eq(step).and(SNAPSHOT.REMARK.isNotNull()));
  }

  /** Lets go of all but the last so many of each workpiece, and those that stand for lost steps. */
  public int forgetSnapshots(int kept) {
    var place = name("place");
    var ranked =
        select(
                SNAPSHOT.STEP_ID,
                rowNumber().over(partitionBy(STEP.WORKPIECE_ID).orderBy(STEP.ID.desc())).as(place))
            .from(SNAPSHOT)
            .join(STEP)
            .on(STEP.ID.eq(SNAPSHOT.STEP_ID))
            .asTable("ranked");
    return db.deleteFrom(SNAPSHOT)
        .where(
            SNAPSHOT.REMARK.isNull(),
            SNAPSHOT.STEP_ID.in(
                select(ranked.field(SNAPSHOT.STEP_ID))
                    .from(ranked)
                    .where(field(place, Integer.class).gt(kept))))
        .execute();
  }

  /** The workpiece of an account for an owner, if there is one. */
  public List<Head> of(Owner owner, UUID account) {
    return db.selectFrom(WORKPIECE)
        .where(isOf(owner), WORKPIECE.ACCOUNT_ID.eq(account))
        .fetch(WorkpieceStore::head);
  }

  /** Lets go of the workpieces of an owner and of all their steps. */
  public void forget(Owner owner) {
    forget(isOf(owner));
  }

  /** Lets go of one account's workpiece for an owner. */
  public void forget(Owner owner, UUID account) {
    forget(isOf(owner).and(WORKPIECE.ACCOUNT_ID.eq(account)));
  }

  /** Lets go of all of a type that were opened before a time. */
  public int forgetOpenedBefore(Owner.Type type, Instant time) {
    return forget(
        WORKPIECE
            .OWNER_TYPE
            .eq(type.name())
            .and(WORKPIECE.OPENED_AT.lt(time.atOffset(ZoneOffset.UTC))));
  }

  private int forget(Condition which) {
    var workpieces = select(WORKPIECE.ID).from(WORKPIECE).where(which);
    var steps = select(STEP.ID).from(STEP).where(STEP.WORKPIECE_ID.in(workpieces));
    db.update(WORKPIECE).setNull(WORKPIECE.HEAD_STEP).where(which).execute();
    db.deleteFrom(SNAPSHOT).where(SNAPSHOT.STEP_ID.in(steps)).execute();
    db.deleteFrom(STEP_NAME).where(STEP_NAME.STEP_ID.in(steps)).execute();
    db.deleteFrom(STEP).where(STEP.WORKPIECE_ID.in(workpieces)).execute();
    db.deleteFrom(WORKPIECE_REQUEST).where(WORKPIECE_REQUEST.WORKPIECE_ID.in(workpieces)).execute();
    return db.deleteFrom(WORKPIECE).where(which).execute();
  }

  private static final SelectField<?>[] TOLD = {
    STEP.ID, STEP.PARENT_ID, STEP.AFTER, STEP.MADE_AT, STEP_NAME.NAME
  };

  public List<StepView> stepsTo(@Nullable Long step) {
    return lineTo(step, noCondition(), TOLD).map(this::stepView);
  }

  /** How whoever cut saw the model at the steps in force at a step. */
  public List<View> viewsTo(@Nullable Long step) {
    return lineTo(step, noCondition(), STEP.VIEW).map(r -> json.read(r.get(STEP.VIEW), View.class));
  }

  /** The last change of a kind on the way to where a workpiece stands. */
  public Optional<Change> findLast(Head head, ChangeKind kind) {
    Condition isSuch = jsonbGetAttributeAsText(STEP.CHANGE, inline("tool")).eq(kind.key());
    return lineTo(head.headStep(), isSuch, STEP.CHANGE)
        .map(r -> json.read(r.get(STEP.CHANGE), Change.class))
        .stream()
        .reduce((before, last) -> last);
  }

  /** A step with all that is needed to make it again. */
  public record Recorded(long id, @Nullable Long parent, Change change, View view) {}

  /** All of a workpiece, in the order in which they were made. */
  public List<Recorded> recorded(UUID workpiece) {
    return db.select(STEP.ID, STEP.PARENT_ID, STEP.CHANGE, STEP.VIEW)
        .from(STEP)
        .where(STEP.WORKPIECE_ID.eq(workpiece))
        .orderBy(STEP.ID)
        .fetch(r ->
            new Recorded(
                r.value1(),
                r.value2(),
                json.read(r.value3(), Change.class),
                json.read(r.value4(), View.class)));
  }

  /** All steps of a workpiece, in the order in which they were made. */
  public List<StepView> steps(UUID workpiece) {
    return db.select(STEP.NUMBER)
        .select(TOLD)
        .from(STEP)
        .leftJoin(STEP_NAME)
        .on(STEP_NAME.STEP_ID.eq(STEP.ID))
        .where(STEP.WORKPIECE_ID.eq(workpiece))
        .orderBy(STEP.ID)
        .fetch(this::stepView);
  }

  public StepView step(long id) {
    return db.select(STEP.NUMBER)
        .select(TOLD)
        .from(STEP)
        .leftJoin(STEP_NAME)
        .on(STEP_NAME.STEP_ID.eq(STEP.ID))
        .where(STEP.ID.eq(id))
        .fetchSingle(this::stepView);
  }

  /** The steps of a workpiece since a time, in their order; the last one of all in any case. */
  public List<Moment> lately(UUID workpiece, Instant since) {
    Condition isLast =
        STEP.ID.eq(select(max(STEP.ID)).from(STEP).where(STEP.WORKPIECE_ID.eq(workpiece)));
    return db.select(STEP.MADE_AT, jsonbGetAttributeAsText(STEP.AFTER, inline("must")))
        .from(STEP)
        .where(
            STEP.WORKPIECE_ID.eq(workpiece),
            STEP.MADE_AT.gt(since.atOffset(ZoneOffset.UTC)).or(isLast))
        .orderBy(STEP.ID)
        .fetch(r -> new Moment(r.value1().toInstant(), Integer.parseInt(r.value2())));
  }

  private StepView stepView(Record r) {
    return StepView.of(
        r.get(STEP.ID),
        r.get(STEP.PARENT_ID),
        r.get(STEP.NUMBER),
        json.read(r.get(STEP.AFTER), After.class),
        r.get(STEP.MADE_AT).toInstant(),
        r.get(STEP_NAME.NAME));
  }

  /** What a step did, and the step that it was made after. */
  public record Told(After after, @Nullable Long parent) {}

  public Told told(long step) {
    return db.select(STEP.AFTER, STEP.PARENT_ID)
        .from(STEP)
        .where(STEP.ID.eq(step))
        .fetchSingle(r -> new Told(json.read(r.value1(), After.class), r.value2()));
  }

  /** Keeps what a check found after its step was kept; whatever becomes of what goes on now. */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void setAfter(long step, After after) {
    db.update(STEP).set(STEP.AFTER, json.write(after)).where(STEP.ID.eq(step)).execute();
  }

  public boolean hasStep(UUID workpiece, long step) {
    return db.fetchExists(STEP, STEP.ID.eq(step).and(STEP.WORKPIECE_ID.eq(workpiece)));
  }

  /** Names the state after a step; an empty name takes the name away. */
  public void nameStep(long step, String name) {
    db.deleteFrom(STEP_NAME).where(STEP_NAME.STEP_ID.eq(step)).execute();
    if (!name.isEmpty()) {
      db.insertInto(STEP_NAME).set(STEP_NAME.STEP_ID, step).set(STEP_NAME.NAME, name).execute();
    }
  }

  /** Of the steps from the starter to one, in order, those that are asked for, and their number. */
  private Result<? extends Record> lineTo(
      @Nullable Long step, Condition wanted, SelectField<?>... fields) {
    var line = name("line");
    var start = select(STEP.ID, STEP.PARENT_ID).from(STEP).where(STEP.ID.eq(step));
    var parent =
        select(STEP.ID, STEP.PARENT_ID)
            .from(STEP)
            .join(table(line))
            .on(STEP.ID.eq(field(name("line", "parent_id"), Long.class)));
    return db.withRecursive(line.fields("id", "parent_id").as(start.unionAll(parent)))
        .select(STEP.NUMBER)
        .select(fields)
        .from(STEP)
        .join(table(line))
        .on(STEP.ID.eq(field(name("line", "id"), Long.class)))
        .leftJoin(STEP_NAME)
        .on(STEP_NAME.STEP_ID.eq(STEP.ID))
        .where(wanted)
        .orderBy(STEP.NUMBER)
        .fetch();
  }

  @Override
  public List<byte[]> needed(List<byte[]> hashes) {
    return db.selectDistinct(SNAPSHOT.MESH)
        .from(SNAPSHOT)
        .where(SNAPSHOT.MESH.in(hashes))
        .fetch(SNAPSHOT.MESH);
  }
}
