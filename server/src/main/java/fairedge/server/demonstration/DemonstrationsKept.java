package fairedge.server.demonstration;

import fairedge.server.course.Belongings;
import fairedge.server.demonstration.store.DemonstrationStore;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Demonstrations of somebody's own go with the account, and what they tried of others'. */
@Component
@Order(0)
class DemonstrationsKept implements Belongings {
  private final DemonstrationStore store;

  DemonstrationsKept(DemonstrationStore store) {
    this.store = store;
  }

  /** What was tried is a practice piece, which its module packs. */
  @Override
  public void pack(Of whose, Box box) {}

  @Override
  public void erase(Of whose) {}

  @Override
  public void eraseAccount(UUID account) {
    store.forgetOf(account);
  }
}
