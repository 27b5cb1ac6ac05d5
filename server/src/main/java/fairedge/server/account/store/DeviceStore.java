package fairedge.server.account.store;

import static fairedge.schema.generated.Tables.ACCOUNT;
import static fairedge.schema.generated.Tables.DEVICE;
import static org.jooq.impl.DSL.select;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Devices by the hashes of their tokens. */
@Repository
public class DeviceStore {
  private final DSLContext db;

  DeviceStore(DSLContext db) {
    this.db = db;
  }

  public boolean isKnown(String signIn, byte[] hash) {
    return db.fetchExists(
        db.selectOne()
            .from(DEVICE)
            .join(ACCOUNT)
            .on(ACCOUNT.ID.eq(DEVICE.ACCOUNT_ID))
            .where(ACCOUNT.SIGN_IN.eq(signIn), DEVICE.TOKEN_HASH.eq(hash)));
  }

  public int forgetBefore(Instant time) {
    return db.deleteFrom(DEVICE).where(DEVICE.SEEN_AT.lt(time.atOffset(ZoneOffset.UTC))).execute();
  }

  /** Of more devices than so many, those seen longest ago are forgotten. */
  public void add(UUID account, byte[] hash, Instant now, int most) {
    db.insertInto(DEVICE)
        .set(DEVICE.ACCOUNT_ID, account)
        .set(DEVICE.TOKEN_HASH, hash)
        .set(DEVICE.SEEN_AT, now.atOffset(ZoneOffset.UTC))
        .execute();
    db.deleteFrom(DEVICE)
        .where(
            DEVICE.ACCOUNT_ID.eq(account),
            DEVICE.TOKEN_HASH.notIn(
                select(DEVICE.TOKEN_HASH)
                    .from(DEVICE)
                    .where(DEVICE.ACCOUNT_ID.eq(account))
                    .orderBy(DEVICE.SEEN_AT.desc())
                    .limit(most)))
        .execute();
  }
}
