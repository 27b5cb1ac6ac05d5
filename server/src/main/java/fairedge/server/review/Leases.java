package fairedge.server.review;

import fairedge.server.account.Accounts;
import fairedge.server.platform.Cleaning;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.store.LeaseStore;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/**
 * Who has a hand-in open to write in: one at a time, on whichever node. A lease lasts a minute and
 * is renewed while its holder has it open; whoever dies with it is out of the way by themselves.
 */
@Component
class Leases implements Cleaning {
  static final Duration LASTS = Duration.ofSeconds(60);

  private final LeaseStore store;
  private final Accounts accounts;
  private final Clock clock;

  Leases(LeaseStore store, Accounts accounts, Clock clock) {
    this.store = store;
    this.accounts = accounts;
    this.clock = clock;
  }

  /**
   * Holds it for another while, if nobody else does.
   *
   * @param takeOver also if somebody else does
   * @return who holds it now
   */
  UUID hold(UUID submission, SignedIn by, boolean takeOver) {
    Instant now = clock.instant();
    return store.hold(submission, by.id(), now, now.plus(LASTS), takeOver);
  }

  /** Whether somebody holds it already. */
  boolean isMine(UUID submission, SignedIn by) {
    return by.id().equals(store.held(List.of(submission), clock.instant()).get(submission));
  }

  void letGo(UUID submission, SignedIn by) {
    store.letGo(submission, by.id());
  }

  /** Whoever writes holds it from then on. */
  void requireMine(UUID submission, SignedIn by) {
    if (!hold(submission, by, false).equals(by.id())) {
      throw held(submission, by);
    }
  }

  /** That nobody else has it open. */
  void requireNobodyElses(UUID submission, SignedIn by) {
    if (holder(submission, by).isPresent()) {
      throw held(submission, by);
    }
  }

  private Problem held(UUID submission, SignedIn by) {
    String name = holder(submission, by).orElse("Somebody else");
    return Problem.of(
        Problem.Kind.STALE,
        "%s has this answer open. What you wrote waits on this machine.".formatted(name),
        Map.of("holder", name));
  }

  /** Who else has it open, by name. */
  Optional<String> holder(UUID submission, SignedIn but) {
    return Optional.ofNullable(holders(List.of(submission), but).get(submission));
  }

  /** Who else has which of several open, by name. */
  Map<UUID, String> holders(Collection<UUID> submissions, SignedIn but) {
    Map<UUID, UUID> held = store.held(submissions, clock.instant());
    held.values().removeIf(but.id()::equals);
    Map<UUID, SignedIn> people = accounts.people(held.values().stream().distinct().toList());
    Map<UUID, String> names = new HashMap<>();
    held.forEach((submission, account) -> {
      String name = Answers.name(people, account);
      if (name != null) {
        names.put(submission, name);
      }
    });
    return names;
  }

  @Override
  public String what() {
    return "leases that ended";
  }

  @Override
  public int clean(Instant now) {
    return store.clean(now.minus(Duration.ofHours(1)));
  }
}
