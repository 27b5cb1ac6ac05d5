package fairedge.server.review;

import fairedge.core.credit.Judged;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.server.account.Accounts;
import fairedge.server.course.Right;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.NoteView.NoteKind;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import fairedge.server.submission.Wavings;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * One thing done to several hand-ins at once: each in a transaction of its own, and those that
 * can't be done now are named and stay as they are.
 */
@Service
public class Together {
  private final Submissions submissions;
  private final Answers answers;
  private final AnswerStore store;
  private final Outgoing outgoing;
  private final Wavings wavings;
  private final Desk desk;
  private final Accounts accounts;
  private final TransactionTemplate transactions;

  Together(
      Submissions submissions,
      Answers answers,
      AnswerStore store,
      Outgoing outgoing,
      Wavings wavings,
      Desk desk,
      Accounts accounts,
      TransactionTemplate transactions) {
    this.submissions = submissions;
    this.answers = answers;
    this.store = store;
    this.outgoing = outgoing;
    this.wavings = wavings;
    this.desk = desk;
    this.accounts = accounts;
    this.transactions = transactions;
  }

  /**
   * What came of it.
   *
   * @param done which were done
   * @param left who was left out, and why
   */
  public record Came(List<UUID> done, List<Left> left) {}

  /** Somebody who was left out. */
  public record Left(UUID id, String student, String why) {}

  /** What is done to one of them. */
  private interface One {
    void to(Submission submission);
  }

  private Came each(Collection<UUID> ids, SignedIn by, One one) {
    List<Submission> all =
        ids.stream().distinct().map(id -> submissions.requireTo(Right.REVIEW, id, by)).toList();
    Map<UUID, SignedIn> people =
        accounts.people(all.stream().map(Submission::studentId).distinct().toList());
    List<UUID> done = new ArrayList<>();
    List<Left> left = new ArrayList<>();
    for (Submission s : all) {
      try {
        transactions.executeWithoutResult(status -> one.to(s));
        done.add(s.id());
      } catch (Problem problem) {
        String name = Objects.requireNonNullElse(Answers.name(people, s.studentId()), "A student");
        left.add(new Left(s.id(), name, Objects.requireNonNull(problem.getMessage())));
      }
    }
    return new Came(done, left);
  }

  /**
   * Accepts hand-ins that are clean.
   *
   * @param word to each
   * @param seen by the hand-ins the words of criteria by eye, by name
   * @param ready to keep them ready only
   */
  public Came accept(
      Collection<UUID> ids,
      SignedIn by,
      String word,
      Map<UUID, Map<String, String>> seen,
      boolean ready) {
    Map<UUID, Set<UUID>> clean = new HashMap<>();
    return each(
        ids,
        by,
        s -> {
          if (!clean.computeIfAbsent(s.assignmentId(), a -> desk.clean(a, by)).contains(s.id())) {
            throw Problem.of(Problem.Kind.STALE, "It is not clean any more: look at it by itself.");
          }
          answers.writeOn(
              s.id(),
              by,
              (words, check) ->
                  new Answer.Words(
                      words.word().isBlank() ? word : words.word(),
                      Verdict.accepted,
                      words.notes(),
                      judged(words.judged(), seen.getOrDefault(s.id(), Map.of()))));
          finish(s.id(), by, ready);
        });
  }

  private static Judged judged(Judged before, Map<String, String> more) {
    Map<String, String> seen = new HashMap<>(before.seen());
    seen.putAll(more);
    return new Judged(seen, before.byHand());
  }

  private void finish(UUID id, SignedIn by, boolean ready) {
    Submission s = submissions.lock(id);
    Answer draft = store.findLocked(id).orElseThrow();
    if (ready) {
      outgoing.keepReady(id, by, draft.revision(), true);
    } else {
      outgoing.send(s, draft, by, null);
    }
  }

  /**
   * Says the same of the same fault in several drafts, each at the worst of its own places.
   *
   * @param kind of finding
   */
  public Came say(Collection<UUID> ids, SignedIn by, String kind, String text, NoteKind noteKind) {
    if (text.isBlank()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Write the remark first.");
    }
    return each(
        ids,
        by,
        s ->
            answers.writeOn(
                s.id(),
                by,
                (words, check) -> {
                  int at = worst(s, check, kind);
                  if (at < 0) {
                    throw Problem.of(Problem.Kind.STALE, "It does not have this fault any more.");
                  }
                  List<NoteView> notes = new ArrayList<>(words.notes());
                  notes.add(note(check.findings().get(at), at, text.strip(), noteKind));
                  return words.with(notes);
                }));
  }

  /** Of the findings of a kind that count the one that counts most; -1: there is none. */
  private int worst(Submission s, CheckView check, String kind) {
    Set<Integer> waved = wavings.of(s, check).keySet();
    return IntStream.range(0, check.findings().size())
        .filter(i -> check.findings().get(i).kind().equals(kind) && !waved.contains(i))
        .boxed()
        .min(Comparator.comparing(i -> check.findings().get(i).severity()))
        .orElse(-1);
  }

  private static NoteView note(FindingView f, int at, String text, NoteKind kind) {
    FindingView.ElementView element =
        f.elements().isEmpty()
            ? new FindingView.ElementView(FindingView.ElementView.Kind.face, 0, null)
            : f.elements().getFirst();
    return new NoteView(
        UUID.randomUUID(), kind, text, at, element, f.place(), null, List.of(), null, null, null);
  }

  /**
   * Lets answers go out together.
   *
   * @param at null: as soon as they can't be called back any more
   */
  public Came giveBack(Collection<UUID> ids, SignedIn by, @Nullable Instant at) {
    return each(
        ids,
        by,
        s -> {
          Submission locked = submissions.lock(s.id());
          Answer draft = answers.lockAnyRevision(locked, by);
          outgoing.send(locked, draft, by, at);
        });
  }

  /** Calls back what is not out yet. */
  public Came callBack(Collection<UUID> ids, SignedIn by) {
    return each(ids, by, s -> outgoing.callBack(s.id()));
  }
}
