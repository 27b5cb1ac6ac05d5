package fairedge.server.review;

import fairedge.core.credit.Judged;
import fairedge.core.geometry.Vec3;
import fairedge.core.step.Change;
import fairedge.core.step.Mending;
import fairedge.json.CheckView;
import fairedge.json.CreditsView;
import fairedge.json.FindingView;
import fairedge.server.account.Accounts;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.GivenView;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.submission.Crediting;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.time.Clock;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Answers as they are written. Notes name findings of one report; where a newer one is made, they
 * follow their findings into it, and of a finding that is gone they keep the place. What went out
 * is a {@link Saying}, and stays as it is.
 */
@Component
class Answers {
  /** So many places all lines of a note have: each is looked at whenever the model turns. */
  private static final int MOST_PLACES = 6000;

  /** So many changes a mend of a note has: each is made again whenever it is tried. */
  private static final int MOST_CHANGES = 1000;

  private final AnswerStore store;
  private final Submissions submissions;
  private final Crediting crediting;
  private final Leases leases;
  private final Accounts accounts;
  private final Clock clock;

  Answers(
      AnswerStore store,
      Submissions submissions,
      Crediting crediting,
      Leases leases,
      Accounts accounts,
      Clock clock) {
    this.store = store;
    this.submissions = submissions;
    this.crediting = crediting;
    this.leases = leases;
    this.accounts = accounts;
    this.clock = clock;
  }

  /** A report, and the answer whose notes name findings of this very report. */
  record Read(CheckView check, Answer answer) {}

  /** What is to be shown to whoever reviews; in a transaction that sees one moment. */
  Read read(Submission submission) {
    Answer answer = store.find(submission.id()).orElseGet(() -> Answer.empty(submission.newest()));
    int version = answer.isOut() ? submission.shown() : submission.newest();
    CheckView check = submissions.findReport(submission.id(), version).orElseThrow();
    return new Read(check, in(version, check, submission.id(), answer));
  }

  /** Its student reads it. */
  void markRead(UUID submission) {
    store.markRead(submission, clock.instant());
  }

  /** Whether its student has read it. */
  boolean isRead(UUID submission) {
    return store.isRead(submission);
  }

  /** Whether it is out, or on its way. */
  boolean isGiven(UUID submission) {
    return store.find(submission).filter(a -> a.returnedAt() != null).isPresent();
  }

  /** What the answer that is written would give. */
  Optional<CreditsView> proposed(Submission submission, Answer answer) {
    return crediting.propose(submission, answer.words().judged());
  }

  /** An answer as it is told. */
  AnswerView told(Answer answer) {
    Map<UUID, SignedIn> people =
        accounts.people(
            Stream.of(answer.returnedBy(), answer.writtenBy())
                .filter(Objects::nonNull)
                .distinct()
                .toList());
    Answer.Words words = answer.words();
    return new AnswerView(
        answer.revision(),
        words.word(),
        words.verdict(),
        words.notes(),
        words.judged().seen(),
        words.judged().byHand().entrySet().stream()
            .collect(
                Collectors.toMap(
                    Map.Entry::getKey,
                    e ->
                        new GivenView(
                            e.getValue().credits().doubleValue(), e.getValue().reason()))),
        answer.phase(),
        answer.said(),
        answer.returnedAt(),
        name(people, answer.returnedBy()),
        name(people, answer.writtenBy()));
  }

  static @Nullable String name(Map<UUID, SignedIn> people, @Nullable UUID id) {
    SignedIn known = id == null ? null : people.get(id);
    return known == null ? null : known.name();
  }

  /**
   * Keeps a draft; a stale one is told so and lost nothing, one that is sent again gets the first
   * answer. Its notes follow their findings where these were found anew since it was begun.
   *
   * @throws Problem also where somebody else has it open to write in
   */
  @Transactional
  public AnswerView keep(UUID id, SignedIn by, Reviewing.Draft draft) {
    // The submission first, as whoever adds a report does: neither waits for the other.
    Submission submission = submissions.lock(id);
    Answer now = store.lock(id, submission.newest());
    if (draft.clientKey() != null && draft.clientKey().equals(now.clientKey())) {
      return told(now);
    }
    leases.requireMine(id, by);
    requireOpen(now, draft.revision());
    List<FindingView> findings = submissions.newest(submission).findings();
    boolean isOfBefore = draft.report() != null && draft.report() != submission.newest();
    List<NoteView> notes =
        draft.notes().stream()
            .map(d -> isOfBefore ? followed(d, findings) : requireSound(d.note(), findings))
            .toList();
    requireOnce(notes);
    submissions.opened(submission);
    write(
        submission,
        now,
        draft.clientKey(),
        new Answer.Words(draft.word(), draft.verdict(), notes, judged(draft)),
        by);
    return told(store.find(id).orElseThrow());
  }

  private static Judged judged(Reviewing.Draft draft) {
    return Problem.unlessUnsound(() ->
        new Judged(
            draft.seen(),
            draft.byHand().entrySet().stream()
                .collect(
                    Collectors.toMap(
                        Map.Entry::getKey,
                        e ->
                            new Judged.ByHand(
                                Reviewing.amount(e.getValue().credits()),
                                e.getValue().reason())))));
  }

  private void write(
      Submission s, Answer now, @Nullable UUID clientKey, Answer.Words words, SignedIn by) {
    store.write(
        s.id(),
        new Answer(
            now.revision(),
            s.newest(),
            clientKey,
            words,
            false,
            by.id(),
            now.said(),
            null,
            null,
            false),
        by.id());
  }

  /** What is written next in a draft that nobody else has open. */
  interface Writing {
    Answer.Words next(Answer.Words words, CheckView newest);
  }

  /** Writes on in a draft, whatever its revision; in the transaction at hand. */
  void writeOn(UUID id, SignedIn by, Writing writing) {
    Submission submission = submissions.lock(id);
    follow(submission, lockAnyRevision(submission, by));
    Answer followed = store.find(id).orElseThrow();
    Answer.Words next = writing.next(followed.words(), submissions.newest(submission));
    submissions.opened(submission);
    write(submission, followed, null, next, by);
  }

  /** A draft that is held until the transaction at hand ends, and who asks may write in. */
  Answer lock(Submission submission, SignedIn by, long revision) {
    Answer draft = lockAnyRevision(submission, by);
    requireOpen(draft, revision);
    return draft;
  }

  /** The same whatever its revision. */
  Answer lockAnyRevision(Submission submission, SignedIn by) {
    Answer draft = store.lock(submission.id(), submission.newest());
    leases.requireNobodyElses(submission.id(), by);
    requireWritten(draft);
    return draft;
  }

  private static void requireWritten(Answer now) {
    if (now.returnedAt() != null) {
      throw Problem.of(
          Problem.Kind.STALE,
          now.isOut()
              ? "This answer was returned already."
              : "This answer is on its way out: take it back first.");
    }
  }

  private void requireOpen(Answer now, long revision) {
    requireWritten(now);
    if (now.revision() != revision) {
      throw Problem.of(
          Problem.Kind.STALE,
          "This answer was changed in another window meanwhile.",
          Map.of("answer", told(now)));
    }
  }

  /** After a report was added: the notes of a draft go over to it, and nobody reads older ones. */
  @Transactional
  public void follow(UUID id) {
    Submission submission = submissions.lock(id);
    store
        .findLocked(id)
        .filter(answer -> !answer.isOut())
        .ifPresent(answer -> follow(submission, answer));
    submissions.forgetOldReports(
        submission, store.sayings(id).stream().map(Saying::report).collect(Collectors.toSet()));
  }

  /** The notes of a draft at their findings in the newest report; in the transaction at hand. */
  void follow(Submission submission, Answer answer) {
    if (answer.report() != submission.newest()) {
      CheckView newest = submissions.newest(submission);
      store.writeNotes(submission.id(), in(submission.newest(), newest, submission.id(), answer));
    }
  }

  /** An answer with its notes at their findings in a report. */
  private Answer in(int version, CheckView report, UUID submission, Answer answer) {
    List<NoteView> written = answer.words().notes();
    if (answer.report() == version || written.isEmpty()) {
      return answer.in(version, written);
    }
    List<FindingView> then =
        submissions.findReport(submission, answer.report()).orElseThrow().findings();
    Map<String, Integer> numbers = numbers(report.findings());
    return answer.in(
        version,
        written.stream()
            .map(note -> {
              Integer finding = note.finding();
              return finding == null ? note : note.about(numbers.get(then.get(finding).key()));
            })
            .toList());
  }

  private static Map<String, Integer> numbers(List<FindingView> findings) {
    Map<String, Integer> numbers = new HashMap<>();
    for (int i = 0; i < findings.size(); i++) {
      numbers.putIfAbsent(findings.get(i).key(), i);
    }
    return numbers;
  }

  private static NoteView requireSound(NoteView note, List<FindingView> findings) {
    if (note.mend() != null
        && note.mend().change() instanceof Mending.MendChange(List<Change> changes, String says)
        && changes.size() > MOST_CHANGES) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "A mend of a note has %d changes at the most.".formatted(MOST_CHANGES));
    }
    Integer finding = note.finding();
    if (finding != null && (finding < 0 || finding >= findings.size())) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A note is about a finding that is not there.");
    }
    if (!note.place().isFinite()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A note is pinned to no place.");
    }
    if (note.strokes().stream().anyMatch(s -> s.size() < 2)
        || note.strokes().stream().mapToInt(List::size).sum() > MOST_PLACES) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "A line of a note has two places or more, and all lines of a note %d at the most."
              .formatted(MOST_PLACES));
    }
    if (!note.strokes().stream().flatMap(Collection::stream).allMatch(Vec3::isFinite)) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A line of a note goes nowhere.");
    }
    return note;
  }

  private static void requireOnce(List<NoteView> notes) {
    Set<UUID> known = new HashSet<>();
    if (!notes.stream().allMatch(n -> known.add(n.id()))) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Two notes have the same id.");
    }
  }

  /** The note in another report: about the same finding, or, if that is gone, about its place. */
  private static NoteView followed(Reviewing.Drafted drafted, List<FindingView> findings) {
    NoteView note = drafted.note();
    @Nullable Integer finding =
        note.finding() == null ? null : numbers(findings).get(drafted.key());
    return requireSound(note.about(finding), findings);
  }
}
