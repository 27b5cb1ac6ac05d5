package fairedge.server.review;

import fairedge.json.CheckView;
import fairedge.json.CreditsView;
import fairedge.json.FindingView;
import fairedge.server.account.Accounts;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.NoteView;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.submission.Crediting;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Answers: drafts until they go out. Notes name findings of one report; where a newer one is made,
 * they follow their findings into it, and of a finding that is gone they keep the place. An answer
 * that is out keeps the report that it quotes.
 */
@Component
class Answers {
  private final AnswerStore store;
  private final Submissions submissions;
  private final Crediting crediting;
  private final Accounts accounts;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Answers(
      AnswerStore store,
      Submissions submissions,
      Crediting crediting,
      Accounts accounts,
      ApplicationEventPublisher events,
      Clock clock) {
    this.events = events;
    this.crediting = crediting;
    this.store = store;
    this.submissions = submissions;
    this.accounts = accounts;
    this.clock = clock;
  }

  /** A report, and the answer whose notes name findings of this very report. */
  record Read(CheckView check, Answer answer) {}

  /** What is to be shown of a submission; in a transaction that sees one moment. */
  Read read(Submission submission) {
    CheckView check = submissions.findReport(submission.id(), submission.shown()).orElseThrow();
    Answer answer = store.find(submission.id()).orElseGet(() -> Answer.empty(submission.shown()));
    return new Read(check, in(submission.shown(), check, submission.id(), answer));
  }

  Optional<Answer> find(UUID submission) {
    return store.find(submission);
  }

  /** Its student reads it. */
  void markRead(UUID submission) {
    store.markRead(submission, clock.instant());
  }

  /** Whether its student has read it. */
  boolean isRead(UUID submission) {
    return store.isRead(submission);
  }

  /** What an answer gives: while it is a draft what the rule that holds proposes. */
  Optional<CreditsView> credits(Submission submission) {
    return submission.quoted() != null
        ? store.credits(submission.id())
        : crediting.propose(submission);
  }

  /** An answer as it is told. */
  AnswerView told(Answer answer) {
    UUID by = answer.returnedBy();
    SignedIn returner = by == null ? null : accounts.people(List.of(by)).get(by);
    return new AnswerView(
        answer.revision(),
        answer.word(),
        answer.verdict(),
        answer.notes(),
        answer.returnedAt(),
        returner == null ? null : returner.name());
  }

  /**
   * Keeps a draft; a stale one is told so and lost nothing, one that is sent again gets the first
   * answer. Its notes follow their findings where these were found anew since it was begun.
   */
  @Transactional
  public AnswerView keep(UUID id, Reviews.Draft draft) {
    // The submission first, as whoever adds a report does: neither waits for the other.
    Submission submission = submissions.lock(id);
    Answer now = store.lock(id, submission.newest());
    if (draft.clientKey() != null && draft.clientKey().equals(now.clientKey())) {
      return told(now);
    }
    requireOpen(now, draft.revision());
    List<FindingView> findings = submissions.newest(submission).findings();
    boolean isOfBefore = draft.report() != null && draft.report() != submission.newest();
    List<NoteView> notes =
        draft.notes().stream()
            .map(d -> isOfBefore ? followed(d, findings) : requireSound(d.note(), findings))
            .toList();
    store.write(
        id,
        new Answer(
            now.revision(),
            submission.newest(),
            draft.clientKey(),
            draft.word(),
            draft.verdict(),
            notes,
            null,
            null));
    return told(store.find(id).orElseThrow());
  }

  /** Lets an answer go out to its student. Needs a verdict; can't be taken back. */
  @Transactional
  public AnswerView giveBack(UUID id, SignedIn by, long revision) {
    Submission submission = submissions.lock(id);
    Answer draft = store.lock(id, submission.newest());
    requireOpen(draft, revision);
    if (draft.verdict() == null) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Give a verdict first: accepted, or try again.");
    }
    follow(submission, draft);
    Instant now = clock.instant();
    store.markReturned(id, by.id(), now, crediting.propose(submission).orElse(null));
    submissions.answered(submission, now, draft.verdict() == AnswerView.Verdict.accepted);
    events.publishEvent(new AnswerReturned(id));
    return told(store.find(id).orElseThrow());
  }

  private void requireOpen(Answer now, long revision) {
    if (now.returnedAt() != null) {
      throw Problem.of(Problem.Kind.STALE, "This answer was returned already.");
    }
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
        .filter(answer -> answer.returnedAt() == null)
        .ifPresent(answer -> follow(submission, answer));
    submissions.forgetOldReports(submission);
  }

  private void follow(Submission submission, Answer answer) {
    if (answer.report() != submission.newest()) {
      CheckView newest = submissions.newest(submission);
      store.writeNotes(submission.id(), in(submission.newest(), newest, submission.id(), answer));
    }
  }

  /** An answer with its notes at their findings in a report. */
  private Answer in(int version, CheckView report, UUID submission, Answer answer) {
    if (answer.report() == version || answer.notes().isEmpty()) {
      return answer.in(version, answer.notes());
    }
    List<FindingView> then =
        submissions.findReport(submission, answer.report()).orElseThrow().findings();
    Map<String, Integer> numbers = numbers(report.findings());
    return answer.in(
        version,
        answer.notes().stream()
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
    Integer finding = note.finding();
    if (finding != null && (finding < 0 || finding >= findings.size())) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A note is about a finding that is not there.");
    }
    if (!note.place().isFinite()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A note is pinned to no place.");
    }
    return note;
  }

  /** The note in another report: about the same finding, or, if that is gone, about its place. */
  private static NoteView followed(Reviews.Drafted drafted, List<FindingView> findings) {
    NoteView note = drafted.note();
    @Nullable Integer finding =
        note.finding() == null ? null : numbers(findings).get(drafted.key());
    return requireSound(note.about(finding), findings);
  }
}
