package fairedge.server.meshfile;

import fairedge.server.meshfile.store.MeshContentStore;
import fairedge.server.platform.Cleaning;
import java.nio.ByteBuffer;
import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/**
 * A mesh is kept once, whoever has it; so it goes only when nobody has it any more, and not on the
 * day on which it was kept: whoever keeps one needs a moment to write down that it is theirs.
 */
@Component
class OldMeshes implements Cleaning {
  private static final Duration KEPT = Duration.ofDays(1);
  private static final int AT_ONCE = 500;

  private final MeshContentStore store;
  private final List<MeshHolder> holders;

  OldMeshes(MeshContentStore store, List<MeshHolder> holders) {
    this.store = store;
    this.holders = holders;
  }

  @Override
  public String what() {
    return "meshes that nobody needs";
  }

  @Override
  public int clean(Instant now) {
    Instant before = now.minus(KEPT);
    int gone = 0;
    byte[] last = {};
    while (true) {
      List<byte[]> some = store.keptBefore(before, last, AT_ONCE);
      if (some.isEmpty()) {
        return gone;
      }
      last = some.getLast();
      gone += store.forget(unneeded(some), before);
    }
  }

  private List<byte[]> unneeded(List<byte[]> hashes) {
    Set<ByteBuffer> needed = new HashSet<>();
    holders.forEach(h -> h.needed(hashes).forEach(hash -> needed.add(ByteBuffer.wrap(hash))));
    return hashes.stream().filter(hash -> !needed.contains(ByteBuffer.wrap(hash))).toList();
  }
}
