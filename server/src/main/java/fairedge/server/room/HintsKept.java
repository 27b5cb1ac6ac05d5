package fairedge.server.room;

import fairedge.server.course.Belongings;
import fairedge.server.room.store.RoomStore;
import fairedge.server.room.store.ShowStore;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Hints go with the workpiece that they were pinned to, and with the account. */
@Component
@Order(0)
class HintsKept implements Belongings {
  private final RoomStore store;
  private final ShowStore shows;

  HintsKept(RoomStore store, ShowStore shows) {
    this.store = store;
    this.shows = shows;
  }

  @Override
  public void pack(Of whose, Box box) {}

  /** Workpieces take theirs along when they go. */
  @Override
  public void erase(Of whose) {}

  @Override
  public void eraseAccount(UUID account) {
    store.forgetOf(account);
    shows.forgetOf(account);
  }
}
