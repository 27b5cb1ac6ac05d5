package fairedge.server.account.store;

import static fairedge.schema.generated.Tables.ACCOUNT;
import static org.jooq.impl.DSL.any;

import fairedge.schema.generated.tables.records.AccountRecord;
import fairedge.server.platform.SignedIn;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

@Repository
public class AccountStore {
  private final DSLContext db;

  AccountStore(DSLContext db) {
    this.db = db;
  }

  /**
   * An account with the hash of its password.
   *
   * @param passwordHash null while none was chosen
   */
  public record Stored(SignedIn account, @Nullable String passwordHash) {}

  /**
   * What somebody says of themselves.
   *
   * @param address where mail goes; null: nowhere
   * @param zone by whose clock they live; null: the browser's
   * @param seenAt when they were here last
   */
  public record Self(
      SignedIn account,
      @Nullable String address,
      @Nullable String zone,
      boolean mayTeach,
      @Nullable Instant seenAt) {}

  public Map<UUID, Self> selves(Collection<UUID> ids) {
    return db.selectFrom(ACCOUNT)
        .where(ACCOUNT.ID.eq(any(ids.toArray(UUID[]::new))))
        .fetchMap(ACCOUNT.ID, AccountStore::self);
  }

  private static Self self(AccountRecord r) {
    OffsetDateTime seen = r.getSeenAt();
    return new Self(
        new SignedIn(r.getId(), r.getSignIn(), r.getName()),
        r.getAddress(),
        r.getZone(),
        r.getMayTeach(),
        seen == null ? null : seen.toInstant());
  }

  public void setSelf(UUID id, String name, @Nullable String address, @Nullable String zone) {
    db.update(ACCOUNT)
        .set(ACCOUNT.NAME, name)
        .set(ACCOUNT.ADDRESS, address)
        .set(ACCOUNT.ZONE, zone)
        .where(ACCOUNT.ID.eq(id))
        .execute();
  }

  public void letTeach(UUID id) {
    db.update(ACCOUNT).set(ACCOUNT.MAY_TEACH, true).where(ACCOUNT.ID.eq(id)).execute();
  }

  public boolean hasTeacher() {
    return db.fetchExists(ACCOUNT, ACCOUNT.MAY_TEACH.isTrue().and(ACCOUNT.ERASED_AT.isNull()));
  }

  public void forgetPassword(UUID id) {
    db.update(ACCOUNT).setNull(ACCOUNT.PASSWORD_HASH).where(ACCOUNT.ID.eq(id)).execute();
  }

  public void seen(UUID id, Instant at) {
    db.update(ACCOUNT)
        .set(ACCOUNT.SEEN_AT, at.atOffset(ZoneOffset.UTC))
        .where(ACCOUNT.ID.eq(id))
        .execute();
  }

  /** Leaves a stub, so that what names it by its id still names somebody. */
  public void erase(UUID id, Instant at) {
    db.update(ACCOUNT)
        .set(ACCOUNT.NAME, "Somebody who was erased")
        .set(ACCOUNT.SIGN_IN, "erased-" + id)
        .setNull(ACCOUNT.PASSWORD_HASH)
        .setNull(ACCOUNT.ADDRESS)
        .setNull(ACCOUNT.ZONE)
        .setNull(ACCOUNT.SEEN_AT)
        .set(ACCOUNT.MAY_TEACH, false)
        .set(ACCOUNT.ERASED_AT, at.atOffset(ZoneOffset.UTC))
        .where(ACCOUNT.ID.eq(id))
        .execute();
  }

  public boolean isTaken(String signIn) {
    return db.fetchExists(ACCOUNT, ACCOUNT.SIGN_IN.eq(signIn));
  }

  public Optional<Stored> findBySignIn(String signIn) {
    return db.selectFrom(ACCOUNT)
        .where(ACCOUNT.SIGN_IN.eq(signIn))
        .fetchOptional(r ->
            new Stored(new SignedIn(r.getId(), r.getSignIn(), r.getName()), r.getPasswordHash()));
  }

  public Map<UUID, SignedIn> findAll(Collection<UUID> ids) {
    return db.select(ACCOUNT.ID, ACCOUNT.SIGN_IN, ACCOUNT.NAME)
        .from(ACCOUNT)
        .where(ACCOUNT.ID.eq(any(ids.toArray(UUID[]::new))))
        .fetchMap(ACCOUNT.ID, r -> new SignedIn(r.value1(), r.value2(), r.value3()));
  }

  public void insert(SignedIn account, @Nullable String hash, @Nullable String address) {
    db.insertInto(ACCOUNT)
        .set(ACCOUNT.ID, account.id())
        .set(ACCOUNT.SIGN_IN, account.signIn())
        .set(ACCOUNT.NAME, account.name())
        .set(ACCOUNT.PASSWORD_HASH, hash)
        .set(ACCOUNT.ADDRESS, address)
        .execute();
  }

  public void setPassword(UUID account, String hash) {
    db.update(ACCOUNT).set(ACCOUNT.PASSWORD_HASH, hash).where(ACCOUNT.ID.eq(account)).execute();
  }

  public boolean isEmpty() {
    return !db.fetchExists(ACCOUNT);
  }
}
