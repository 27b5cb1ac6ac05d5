package fairedge.server.review;

import fairedge.json.CheckView;
import fairedge.json.CreditsView;
import fairedge.server.course.Audit;
import fairedge.server.course.Deed;
import fairedge.server.exercise.Assignments;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Reach;
import fairedge.server.platform.Round;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.review.store.PhraseStore;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import fairedge.server.submission.Wavings;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Answers on their way to their students. One that is given back goes out a while later, so that it
 * can be called back until then; or at a time, or kept ready to go with others. Only when it is out
 * anything of it counts: the report that it quotes, its credits, what it waved through.
 */
@Component
class Outgoing implements Round {
  private static final Logger log = LoggerFactory.getLogger(Outgoing.class);
  private static final Duration EVERY = Duration.ofSeconds(1);

  private final AnswerStore store;
  private final PhraseStore phrases;
  private final Answers answers;
  private final Submissions submissions;
  private final Wavings wavings;
  private final Assignments assignments;
  private final Audit audit;
  private final ApplicationEventPublisher events;
  private final TransactionTemplate transactions;
  private final Duration callBack;
  private final Clock clock;

  Outgoing(
      AnswerStore store,
      PhraseStore phrases,
      Answers answers,
      Submissions submissions,
      Wavings wavings,
      Assignments assignments,
      Audit audit,
      ApplicationEventPublisher events,
      TransactionTemplate transactions,
      @Value("${fair-edge.call-back}") Duration callBack,
      Clock clock) {
    this.store = store;
    this.phrases = phrases;
    this.answers = answers;
    this.submissions = submissions;
    this.wavings = wavings;
    this.assignments = assignments;
    this.audit = audit;
    this.events = events;
    this.transactions = transactions;
    this.callBack = callBack;
    this.clock = clock;
  }

  /**
   * Lets an answer go out, soon or at a time; until then it can be called back.
   *
   * @param at null: as soon as it can't be called back any more
   */
  AnswerView giveBack(UUID id, SignedIn by, long revision, @Nullable Instant at) {
    return within(() -> {
      Submission submission = submissions.lock(id);
      Answer draft = answers.lock(submission, by, revision);
      send(submission, draft, by, at);
      return told(id);
    });
  }

  /** Lets an answer go out here and now, as whoever prepares a class needs it. */
  AnswerView giveBackAtOnce(UUID id, SignedIn by, long revision) {
    return within(() -> {
      Submission submission = submissions.lock(id);
      send(submission, answers.lock(submission, by, revision), by.id(), clock.instant());
      return told(id);
    });
  }

  private AnswerView within(Supplier<AnswerView> work) {
    return Objects.requireNonNull(transactions.execute(status -> work.get()));
  }

  private AnswerView told(UUID id) {
    return answers.told(store.find(id).orElseThrow());
  }

  /** The same of a draft that is held already; in the transaction at hand. */
  void send(Submission submission, Answer draft, SignedIn by, @Nullable Instant at) {
    Instant soon = clock.instant().plus(callBack);
    send(submission, draft, by.id(), at == null || at.isBefore(soon) ? soon : at);
  }

  private void send(Submission submission, Answer draft, UUID by, Instant out) {
    requireVerdict(draft);
    Reach.require(LocalDateTime.ofInstant(out, ZoneOffset.UTC));
    store.setGoing(submission.id(), by, out);
    // Where its time has come already, nobody waits for the next round.
    goOut(submission.id());
  }

  private static void requireVerdict(Answer draft) {
    if (draft.words().verdict() == null) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Give a verdict first: accepted, or try again.");
    }
  }

  /** Keeps it ready to go out with others, or takes it from those. */
  AnswerView keepReady(UUID id, SignedIn by, long revision, boolean ready) {
    return within(() -> {
      Submission submission = submissions.lock(id);
      Answer draft = answers.lock(submission, by, revision);
      if (ready) {
        requireVerdict(draft);
      }
      store.setReady(id, ready ? clock.instant() : null);
      return told(id);
    });
  }

  /** Calls back what is not out yet. */
  AnswerView callBack(UUID id) {
    return within(() -> {
      Submission submission = submissions.lock(id);
      Answer answer = store.lock(id, submission.newest());
      if (answer.isOut()) {
        throw Problem.of(
            Problem.Kind.STALE, "It is out already: amend it, and both can read what was said.");
      }
      if (answer.returnedAt() != null) {
        store.setWritten(id);
      }
      return told(id);
    });
  }

  /** Opens what is out to be written again; until it goes out anew, what was said holds. */
  AnswerView amend(UUID id) {
    return within(() -> {
      Submission submission = submissions.lock(id);
      Answer answer = store.lock(id, submission.newest());
      if (!answer.isOut()) {
        throw Problem.of(Problem.Kind.STALE, "This answer is being written already.");
      }
      store.setWritten(id);
      answers.follow(submission, answer);
      return told(id);
    });
  }

  /** Leaves what is out as it is, and lets go of what was written since. */
  AnswerView leaveAsItWas(UUID id, SignedIn by) {
    return within(() -> {
      Submission submission = submissions.lock(id);
      Answer answer = store.lock(id, submission.newest());
      List<Saying> said = store.sayings(id);
      if (said.isEmpty() || answer.isOut()) {
        throw Problem.of(Problem.Kind.STALE, "This answer is not being amended.");
      }
      Saying last = said.getLast();
      store.write(
          id,
          new Answer(
              answer.revision(),
              last.report(),
              null,
              last.words(),
              false,
              by.id(),
              answer.said(),
              null,
              null,
              false),
          by.id());
      store.setGoing(id, last.by(), last.outAt());
      store.setOut(id, last.number());
      return told(id);
    });
  }

  @Override
  public String name() {
    return "answers-go-out";
  }

  @Override
  public Duration every() {
    return EVERY;
  }

  @Override
  public void go() {
    for (UUID id : store.due(clock.instant())) {
      try {
        transactions.executeWithoutResult(status -> goOut(id));
      } catch (RuntimeException e) {
        // The others are not to wait for it; it is tried again in a second.
        log.error("the answer to {} can't go out", id, e);
      }
    }
  }

  /** From now on it is out; in the transaction at hand. */
  private void goOut(UUID id) {
    Submission submission = submissions.lock(id);
    Answer going = store.findLocked(id).orElseThrow();
    Instant at = going.returnedAt();
    if (at == null || going.isOut() || at.isAfter(clock.instant())) {
      return;
    }
    answers.follow(submission, going);
    Answer answer = store.find(id).orElseThrow();
    CheckView check = submissions.newest(submission);
    Answer.Words words = answer.words();
    int number = answer.said() + 1;
    Saying before = store.lastSayings(List.of(id)).get(id);
    CreditsView credits = answers.proposed(submission, answer).orElse(null);
    store.say(
        id,
        new Saying(
            number,
            at,
            Objects.requireNonNull(answer.returnedBy()),
            submission.newest(),
            words,
            credits,
            wavings.of(submission, check).entrySet().stream()
                .map(e -> new Saying.WavedNote(e.getKey(), e.getValue().reason()))
                .toList()));
    store.setOut(id, number);
    writeAudit(submission, answer, number);
    phrases.count(usedAnew(words.notes(), before));
    submissions.answered(
        submission,
        at,
        words.verdict() == Verdict.accepted,
        credits == null ? null : credits.total());
    events.publishEvent(new AnswerReturned(id));
  }

  /** The phrases of notes that were not said before. */
  private static List<UUID> usedAnew(List<NoteView> notes, @Nullable Saying before) {
    Set<UUID> known =
        before == null
            ? Set.of()
            : before.words().notes().stream().map(NoteView::id).collect(Collectors.toSet());
    return notes.stream()
        .filter(note -> !known.contains(note.id()))
        .map(NoteView::phrase)
        .filter(Objects::nonNull)
        .toList();
  }

  private void writeAudit(Submission s, Answer answer, int number) {
    UUID course = assignments.require(s.assignmentId()).courseId();
    UUID by = Objects.requireNonNull(answer.returnedBy());
    Deed verdict = answer.words().verdict() == Verdict.accepted ? Deed.ACCEPTED : Deed.ASKED_AGAIN;
    audit.write(course, by, number > 1 ? Deed.AMENDED : verdict, s.studentId());
    if (!answer.words().judged().byHand().isEmpty()) {
      audit.write(course, by, Deed.GAVE_BY_HAND, s.studentId());
    }
  }
}
