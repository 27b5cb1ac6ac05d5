package fairedge.server.platform;

import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationVersion;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** An application that is older than its database leaves it alone. */
@Configuration
class SchemaAge {
  @Bean
  FlywayMigrationStrategy onlyForward() {
    return flyway -> {
      MigrationVersion own = MigrationVersion.EMPTY;
      for (MigrationInfo info : flyway.info().all()) {
        if (!info.getState().isFailed()
            && info.getScript() != null
            && info.getState().isResolved()) {
          own = info.getVersion().compareTo(own) > 0 ? info.getVersion() : own;
        }
      }
      MigrationInfo current = flyway.info().current();
      if (current != null && current.getVersion().compareTo(own) > 0) {
        throw new IllegalStateException(
            "This database was last used by a newer Fair Edge (its layout is %s, this one knows %s)."
                    .formatted(current.getVersion(), own)
                + " Start the newer one; this one would not understand what is in it.");
      }
      flyway.migrate();
    };
  }
}
