package fairedge.server.review;

import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.NoteView.ThreadView;
import fairedge.server.review.ReviewView.ReplyView;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.review.store.ThreadStore;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What students make of notes that are out: seen, and one reply to each. */
@Service
public class Threads {
  private final ThreadStore store;
  private final AnswerStore answers;
  private final Submissions submissions;
  private final Clock clock;

  Threads(ThreadStore store, AnswerStore answers, Submissions submissions, Clock clock) {
    this.store = store;
    this.answers = answers;
    this.submissions = submissions;
    this.clock = clock;
  }

  /** Ticks a note as seen, or not. */
  @Transactional
  public void see(UUID submission, SignedIn student, UUID note, boolean seen) {
    requireSaid(submission, student, note);
    store.setSeen(submission, note, seen ? clock.instant() : null);
  }

  /** The one reply to a note. */
  @Transactional
  public void reply(UUID submission, SignedIn student, UUID note, String text) {
    requireSaid(submission, student, note);
    if (text.isBlank()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A reply has some words.");
    }
    if (!store.reply(submission, note, text.strip(), clock.instant())) {
      throw Problem.of(
          Problem.Kind.STALE, "You replied to this note already: there is one reply to each.");
    }
  }

  /** A note that somebody was told, and is told still. */
  private void requireSaid(UUID id, SignedIn student, UUID note) {
    submissions.requireOf(student, id);
    Saying last = answers.lastSayings(List.of(id)).get(id);
    if (last == null || last.words().notes().stream().noneMatch(n -> n.id().equals(note))) {
      throw Problem.notFound("note");
    }
  }

  /** Notes with their threads. */
  List<NoteView> threaded(UUID submission, List<NoteView> notes) {
    Map<UUID, ThreadView> threads = store.of(submission);
    return notes.stream().map(n -> n.with(threads.get(n.id()))).toList();
  }

  /** What a student replied to answers of several attempts; the first first. */
  List<ReplyView> replies(Collection<Submission> attempts) {
    Map<UUID, Saying> said = answers.lastSayings(attempts.stream().map(Submission::id).toList());
    List<ReplyView> replies = new ArrayList<>();
    for (Submission s : attempts) {
      Saying saying = said.get(s.id());
      List<NoteView> notes = saying == null ? List.of() : threaded(s.id(), saying.words().notes());
      for (int i = 0; i < notes.size(); i++) {
        NoteView note = notes.get(i);
        ThreadView thread = note.thread();
        if (thread != null && thread.reply() != null) {
          replies.add(
              new ReplyView(
                  s.id(),
                  s.attempt(),
                  i + 1,
                  note.text(),
                  thread.reply(),
                  Objects.requireNonNull(thread.repliedAt())));
        }
      }
    }
    return replies;
  }

  /** Whoever reviews has read the replies to several. */
  void markRead(Collection<UUID> submissions) {
    store.markRead(submissions, clock.instant());
  }

  /** How many replies nobody has read yet, by the submission whose answer they are to. */
  Map<UUID, Integer> unread() {
    return store.unread();
  }
}
