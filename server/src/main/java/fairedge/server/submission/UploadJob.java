package fairedge.server.submission;

import fairedge.core.format.BadFile;
import fairedge.core.format.LengthUnit;
import fairedge.core.format.Limits;
import fairedge.core.format.Meant;
import fairedge.core.format.MeshFormat;
import fairedge.core.format.ReadResult;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Exercises;
import fairedge.server.platform.Job;
import fairedge.server.submission.UploadView.Stage;
import fairedge.server.submission.UploadView.UploadProblem;
import fairedge.server.submission.store.UploadStore;
import fairedge.server.submission.store.UploadStore.Upload;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Reads, inspects and draws a file that was handed in, and makes it a submission. */
@Component
class UploadJob implements Job {
  static final String NAME = "upload";
  private static final Logger log = LoggerFactory.getLogger(UploadJob.class);

  private static final String AGAIN = " again";

  /** A file at which nodes died so often is not tried again. */
  private static final int MOST_TRIES = 3;

  private final UploadStore store;
  private final Submissions submissions;
  private final Exercises exercises;
  private final Limits limits;

  UploadJob(
      UploadStore store,
      Submissions submissions,
      Exercises exercises,
      @Value("${fair-edge.limits.faces}") int mostFaces) {
    this.store = store;
    this.submissions = submissions;
    this.exercises = exercises;
    this.limits = Limits.ofFaces(mostFaces);
  }

  /** The student does not want it any more. */
  private static final class Cancelled extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Cancelled() {
      super(null, null, false, false);
    }
  }

  @Override
  public String name() {
    return NAME;
  }

  @Override
  public void run(String id) {
    UUID upload = UUID.fromString(id.replace(AGAIN, ""));
    Upload kept = store.find(upload).orElse(null);
    if (kept == null || kept.stage().isOver()) {
      return;
    }
    if (store.countTry(upload) > MOST_TRIES) {
      store.fail(upload, ourMistake("This file was too much for the server several times."));
      return;
    }
    try {
      handIn(kept);
    } catch (BadFile bad) {
      String words = String.valueOf(bad.getMessage());
      store.fail(upload, new UploadProblem(words, bad.line(), bad.found(), bad.expected()));
    } catch (Cancelled cancelled) {
      log.info("upload {} was cancelled", upload);
    } catch (IOException | RuntimeException | OutOfMemoryError broken) {
      log.error("upload {} failed", upload, broken);
      store.fail(
          upload,
          ourMistake("Something went wrong on our side. Hand the file in again. Upload " + upload));
    }
  }

  /** A run for a file that has had one, which may not have ended yet. */
  static String again(UUID upload) {
    return upload + AGAIN;
  }

  private static UploadProblem ourMistake(String detail) {
    return new UploadProblem(detail, 0, "", "");
  }

  private void handIn(Upload upload) throws IOException, BadFile {
    Exercise exercise = exercises.require(upload.exerciseId());
    goOnTo(upload, Stage.reading);
    ReadResult read = read(upload);
    LengthUnit unit = LengthUnit.named(exercise.unit()).orElse(null);
    if (unit != null) {
      Sized sized = new Sized(read.mesh().bounds(), submissions.starterBox(exercise), unit);
      Meant meant = upload.meant() != null ? upload.meant() : sized.guess();
      if (upload.meant() == null && upload.asks() && !sized.isAsTheStarter()) {
        store.ask(upload.id(), sized.question());
        return;
      }
      read = sized.as(meant, read);
    }
    goOnTo(upload, Stage.inspecting);
    Submissions.Prepared prepared = submissions.prepareFile(exercise, upload.fileName(), read);
    goOnTo(upload, Stage.drawing);
    submissions.keepFile(upload, prepared, submissions.draw(prepared));
  }

  private void goOnTo(Upload upload, Stage stage) {
    if (!store.goOn(upload.id(), stage, 0)) {
      throw new Cancelled();
    }
  }

  private ReadResult read(Upload upload) throws IOException, BadFile {
    byte[] bytes = store.bytes(upload.id()).orElseThrow(Cancelled::new);
    try (InputStream in =
        new Watched(
            new ByteArrayInputStream(bytes),
            bytes.length,
            share -> {
              if (!store.goOn(upload.id(), Stage.reading, share)) {
                throw new Cancelled();
              }
            })) {
      return MeshFormat.read(in, limits);
    }
  }
}
