package fairedge.server.account.store;

import static fairedge.schema.generated.Tables.ACCOUNT;
import static org.jooq.impl.DSL.any;

import fairedge.server.platform.SignedIn;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

@Repository
public class AccountStore {
  private final DSLContext db;

  AccountStore(DSLContext db) {
    this.db = db;
  }

  /** An account with the hash of its password. */
  public record Stored(SignedIn account, String passwordHash) {}

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

  public void insert(SignedIn account, String hash) {
    db.insertInto(ACCOUNT)
        .set(ACCOUNT.ID, account.id())
        .set(ACCOUNT.SIGN_IN, account.signIn())
        .set(ACCOUNT.NAME, account.name())
        .set(ACCOUNT.PASSWORD_HASH, hash)
        .execute();
  }

  public void setPassword(UUID account, String hash) {
    db.update(ACCOUNT).set(ACCOUNT.PASSWORD_HASH, hash).where(ACCOUNT.ID.eq(account)).execute();
  }

  public boolean isEmpty() {
    return !db.fetchExists(ACCOUNT);
  }
}
