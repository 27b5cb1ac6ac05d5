package fairedge.server.review;

import fairedge.server.submission.Rechecked;
import org.springframework.modulith.events.ApplicationModuleListener;
import org.springframework.stereotype.Component;

/** Lets notes follow their findings into a new report. */
@Component
class NotesFollow {
  private final Answers answers;

  NotesFollow(Answers answers) {
    this.answers = answers;
  }

  @ApplicationModuleListener
  void onRechecked(Rechecked rechecked) {
    answers.follow(rechecked.submission());
  }
}
