package fairedge.server.bench;

import fairedge.server.exercise.Draft;
import fairedge.server.exercise.Editor;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Told;
import fairedge.server.platform.SignedIn;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** An exercise as it is written, tried by its instructor as a student would. */
@Component
class ForRehearsals implements Purpose {
  private final Editor editor;

  ForRehearsals(Editor editor) {
    this.editor = editor;
  }

  @Override
  public Owner.Type type() {
    return Owner.Type.rehearsal;
  }

  @Override
  public Task task(UUID owner, UUID account) {
    Editor.Rehearsed written = editor.rehearsed(owner);
    Draft draft = written.draft();
    return new Task(
        new TaskView(
            Owner.rehearsal(owner),
            draft.title(),
            "As a student would: nothing of it is kept",
            draft.brief(),
            written.unit(),
            draft.profile().name(),
            null,
            null,
            draft.tells(),
            TaskView.isMarked(draft.wanted(), draft.showsLines()),
            draft.sheet(),
            draft.mends() == Exercise.Mends.always),
        written.terms(),
        new Told(draft.tells()),
        draft.showsLines());
  }

  @Override
  public void requireToOpen(UUID owner, SignedIn account) {
    editor.requireToRehearse(owner, account);
  }

  @Override
  public void requireToCut(UUID owner, SignedIn account) {
    editor.requireToRehearse(owner, account);
  }
}
