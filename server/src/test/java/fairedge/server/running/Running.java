package fairedge.server.running;

import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/** Gives tests one application and its database, started once for all of them. */
public final class Running implements ParameterResolver {
  private record Both(Database database, Application application) implements AutoCloseable {
    static Both start() {
      Database database = new Database();
      return new Both(database, Application.on(database));
    }

    @Override
    public void close() {
      application.close();
      database.close();
    }
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext test) {
    Class<?> type = parameter.getParameter().getType();
    return type == Application.class || type == Database.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext test) {
    ExtensionContext.Store store = test.getRoot().getStore(Namespace.create(Running.class));
    Both both = store.getOrComputeIfAbsent("running", key -> Both.start(), Both.class);
    return parameter.getParameter().getType() == Database.class
        ? both.database()
        : both.application();
  }
}
