package fairedge.server.review;

import fairedge.core.inspect.finding.Kind;
import fairedge.server.course.Courses;
import fairedge.server.course.Right;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.NoteView.NoteKind;
import fairedge.server.review.store.OutcomeStore;
import fairedge.server.review.store.PhraseStore;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The remarks that somebody keeps, and those that colleagues share in their classes. */
@Service
public class Phrases {
  private static final int MOST = 1000;

  private final PhraseStore store;
  private final OutcomeStore outcomes;
  private final Courses courses;
  private final Clock clock;

  Phrases(PhraseStore store, OutcomeStore outcomes, Courses courses, Clock clock) {
    this.store = store;
    this.outcomes = outcomes;
    this.courses = courses;
    this.clock = clock;
  }

  /** Those at hand, those that are used most first. */
  public List<Phrase> of(SignedIn account) {
    return store.of(account.id(), courses.where(account, Right.READ_ALL));
  }

  /** What a phrase is to be. */
  public record Asked(
      String text,
      NoteKind noteKind,
      @Nullable String kind,
      @Nullable UUID course,
      boolean putAway) {}

  @Transactional
  public Phrase keep(SignedIn account, Asked asked) {
    requireSound(account, asked);
    if (store.count(account.id()) >= MOST) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "You keep %d phrases: merge some, or take some away.".formatted(MOST));
    }
    Phrase phrase = phrase(UUID.randomUUID(), asked, 0);
    store.insert(phrase, account.id(), clock.instant());
    return phrase;
  }

  @Transactional
  public Phrase change(UUID id, SignedIn account, Asked asked) {
    Phrase before = mine(id, account);
    requireSound(account, asked);
    Phrase phrase = phrase(id, asked, before.uses());
    store.update(phrase, asked.putAway() ? clock.instant() : null);
    return phrase;
  }

  /** Two that say the same become one, used as often as both. */
  @Transactional
  public Phrase merge(UUID id, SignedIn account, UUID into) {
    if (id.equals(into)) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A phrase merges with another one.");
    }
    // In one order, whoever merges what with what.
    Phrase lower = mine(id.compareTo(into) < 0 ? id : into, account);
    Phrase upper = mine(id.compareTo(into) < 0 ? into : id, account);
    Phrase kept = lower.id().equals(into) ? lower : upper;
    Phrase sum =
        new Phrase(
            into,
            kept.course(),
            kept.kind(),
            kept.noteKind(),
            kept.text(),
            lower.uses() + upper.uses(),
            true,
            kept.isPutAway());
    store.update(sum, kept.isPutAway() ? clock.instant() : null);
    outcomes.merge(id, into);
    store.delete(id);
    return sum;
  }

  /** Takes one away for good; notes that were made of it stay. */
  @Transactional
  public void takeAway(UUID id, SignedIn account) {
    mine(id, account);
    store.delete(id);
  }

  private Phrase mine(UUID id, SignedIn account) {
    return store.lockMine(id, account.id()).orElseThrow(() -> Problem.notFound("phrase"));
  }

  private static Phrase phrase(UUID id, Asked asked, int uses) {
    return new Phrase(
        id,
        asked.course(),
        asked.kind(),
        asked.noteKind(),
        asked.text().strip(),
        uses,
        true,
        asked.putAway());
  }

  private void requireSound(SignedIn account, Asked asked) {
    if (asked.text().isBlank()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A phrase has some words.");
    }
    String kind = asked.kind();
    if (kind != null && Kind.find(kind).isEmpty()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "There are no findings of this kind.");
    }
    UUID course = asked.course();
    if (course != null) {
      courses.require(account, course, Right.REVIEW);
    } else if (courses.where(account, Right.REVIEW).isEmpty()) {
      throw Problem.notFound("class");
    }
  }
}
