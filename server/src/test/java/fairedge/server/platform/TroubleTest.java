package fairedge.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.transaction.TransactionSystemException;

/** What is wrong with the machine is told from our mistakes. */
class TroubleTest {
  @ParameterizedTest
  @CsvSource({"53100, 507", "53200, 507", "08006, 503", "57P01, 503", "57P03, 503"})
  void whatTheDatabaseSays_isKnown_howeverDeepItLies(String state, int status) {
    Trouble trouble = Trouble.of(new IllegalStateException(new SQLException("no", state)));
    assertThat(trouble).isNotNull();
    assertThat(trouble.status().value()).isEqualTo(status);
    assertThat(trouble.words()).contains("Nothing that was confirmed is lost");
  }

  /** A connection that is lost within a transaction can't roll it back. */
  @Test
  void whatCouldNotBeRolledBack_isWhatWentWrongBefore() {
    TransactionSystemException both =
        new TransactionSystemException("no rollback", new SQLException("Connection is closed"));
    both.initApplicationException(new IllegalStateException(new SQLException("no", "57P01")));
    assertThat(Trouble.of(both)).isEqualTo(Trouble.DATABASE_AWAY);
  }

  @Test
  void otherMistakes_areOurs() {
    assertThat(Trouble.of(new SQLException("no", "42601"))).isNull();
    assertThat(Trouble.of(new SQLException("too many", "53300"))).isNull();
    assertThat(Trouble.of(new IOException("No space left on device"))).isEqualTo(Trouble.DISK_FULL);
    assertThat(Trouble.of(new RuntimeException(new SQLTransientConnectionException("away"))))
        .isEqualTo(Trouble.DATABASE_AWAY);
  }
}
