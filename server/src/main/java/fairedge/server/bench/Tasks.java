package fairedge.server.bench;

import fairedge.server.platform.SignedIn;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Finds what workpieces are cut for, and who may cut for it, whatever its type. */
@Component
class Tasks {
  private final Map<Owner.Type, Purpose> purposes = new EnumMap<>(Owner.Type.class);

  Tasks(List<Purpose> purposes) {
    purposes.forEach(p -> this.purposes.put(p.type(), p));
  }

  private Purpose of(Owner.Type type) {
    return Objects.requireNonNull(purposes.get(type));
  }

  /**
   * @param account whose workpiece it is
   */
  Task of(Owner owner, UUID account) {
    return of(owner.type()).task(owner.id(), account);
  }

  void requireToOpen(Owner owner, SignedIn account) {
    of(owner.type()).requireToOpen(owner.id(), account);
  }

  void requireToCut(Owner owner, SignedIn account) {
    of(owner.type()).requireToCut(owner.id(), account);
  }
}
