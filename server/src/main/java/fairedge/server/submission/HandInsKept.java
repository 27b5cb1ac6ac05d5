package fairedge.server.submission;

import fairedge.core.format.obj.ObjWriter;
import fairedge.json.FindingView;
import fairedge.server.course.Belongings;
import fairedge.server.exercise.Assignments;
import fairedge.server.platform.Csv;
import fairedge.server.submission.store.PictureStore;
import fairedge.server.submission.store.SubmissionStore;
import fairedge.server.submission.store.UploadStore;
import fairedge.server.submission.store.WavingStore;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What somebody handed in: meshes as OBJ, reports as tables. */
@Component
@Order(2)
class HandInsKept implements Belongings {
  private final Submissions submissions;
  private final Assignments assignments;
  private final SubmissionStore store;
  private final UploadStore uploads;
  private final PictureStore pictures;
  private final WavingStore wavings;

  HandInsKept(
      Submissions submissions,
      Assignments assignments,
      SubmissionStore store,
      UploadStore uploads,
      PictureStore pictures,
      WavingStore wavings) {
    this.wavings = wavings;
    this.submissions = submissions;
    this.assignments = assignments;
    this.store = store;
    this.uploads = uploads;
    this.pictures = pictures;
  }

  @Override
  public void pack(Of whose, Box box) throws IOException {
    List<Submission> all = submissions.of(whose.account(), whose.courses());
    List<List<?>> rows = new ArrayList<>();
    for (Submission s : all) {
      rows.add(
          List.of(
              assignments.require(s.assignmentId()).exercise().title(),
              s.attempt(),
              s.handedInAt(),
              s.fileName() == null ? "from the bench" : s.fileName(),
              mesh(s)));
    }
    List<String> head = List.of("exercise", "attempt", "handed in", "file", "mesh");
    box.put("handed-in.csv", new Csv(head, rows).bytes(false));
    for (Submission s : all) {
      StringBuilder obj = new StringBuilder();
      ObjWriter.write(submissions.mesh(s), obj);
      box.put(mesh(s), obj.toString().getBytes(StandardCharsets.UTF_8));
      if (s.quoted() != null) {
        box.put(
            "reports/%s.csv".formatted(s.id()),
            report(submissions.findReport(s.id(), s.quoted()).orElseThrow().findings())
                .bytes(false));
      }
    }
  }

  private static String mesh(Submission s) {
    return "meshes/%s.obj".formatted(s.id());
  }

  private static Csv report(List<FindingView> findings) {
    List<List<?>> rows = new ArrayList<>();
    for (FindingView f : findings) {
      rows.add(
          List.of(
              f.kind(),
              f.severity().name(),
              f.title(),
              f.sentence(),
              f.place().x(),
              f.place().y(),
              f.place().z()));
    }
    return new Csv(List.of("kind", "severity", "finding", "sentence", "x", "y", "z"), rows);
  }

  @Override
  public void erase(Of whose) {
    List<UUID> set = assignments.idsOfCourses(whose.courses());
    List<UUID> ids =
        submissions.of(whose.account(), whose.courses()).stream().map(Submission::id).toList();
    uploads.forget(whose.account(), set);
    pictures.forget(ids);
    store.forget(ids);
    wavings.forget(whose.account(), set);
  }
}
