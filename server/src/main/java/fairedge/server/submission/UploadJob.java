package fairedge.server.submission;

import fairedge.core.format.BadFile;
import fairedge.core.format.LengthUnit;
import fairedge.core.format.Limits;
import fairedge.core.format.Meant;
import fairedge.core.format.MeshFormat;
import fairedge.core.format.ReadResult;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Exercise;
import fairedge.server.meshfile.FileLimits;
import fairedge.server.meshfile.SentFiles;
import fairedge.server.platform.PacedJob;
import fairedge.server.platform.Problem;
import fairedge.server.submission.UploadView.Stage;
import fairedge.server.submission.UploadView.UploadProblem;
import fairedge.server.submission.store.UploadStore;
import fairedge.server.submission.store.UploadStore.Upload;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Reads, inspects and draws a file that was handed in, and makes it a submission. One that takes
 * too long ends with words, and is kept for a look.
 */
@Component
class UploadJob extends PacedJob {
  static final String NAME = "upload";
  private static final Logger log = LoggerFactory.getLogger(UploadJob.class);

  private static final String AGAIN = " again";

  /** A file at which nodes died so often, it alone at work, is not tried again. */
  private static final int MOST_TRIES = 3;

  private final UploadStore store;
  private final Submissions submissions;
  private final Assignments assignments;
  private final SentFiles sent;
  private final Limits limits;
  private final Alone alone;

  UploadJob(
      UploadStore store,
      Submissions submissions,
      Assignments assignments,
      SentFiles sent,
      Pace pace,
      FileLimits limits) {
    super(pace);
    this.store = store;
    this.submissions = submissions;
    this.assignments = assignments;
    this.sent = sent;
    this.alone = new Alone(store::countTry, store::uncountTry);
    this.limits = limits.limits();
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
  protected boolean isOver(UUID id) {
    return store.isOver(id);
  }

  @Override
  protected boolean isLarge(UUID id) {
    return sent.isLarge(id);
  }

  @Override
  protected void work(UUID id) throws Exception {
    Upload upload = store.find(id).orElseThrow(Cancelled::new);
    if (store.tries(id) >= MOST_TRIES) {
      store.failAndKeep(
          id,
          ourMistake(
              "This file was too much for the server: it came to its end several times while it"
                  + " read this file and no other. The file is kept, so that somebody can see"
                  + " why."));
      return;
    }
    alone.begin(id);
    try {
      handIn(upload);
    } finally {
      alone.end(id);
    }
  }

  @Override
  protected void waits(UUID id) {
    store.goOn(id, Stage.waiting, 0);
  }

  @Override
  protected void tooLong(UUID id, Duration most) {
    store.failAndKeep(
        id,
        new UploadProblem(
            "Inspecting this file took longer than "
                + most.toSeconds()
                + " seconds and was given up: very much of it lies in one place. The file is kept,"
                + " so that somebody can have a look at it.",
            0,
            "a mesh that is too dear to inspect",
            "a mesh of which less lies in one vertex, edge, face or place"));
  }

  @Override
  protected void failed(UUID id, Throwable why) {
    switch (why) {
      case BadFile bad ->
          store.fail(
              id,
              new UploadProblem(
                  String.valueOf(bad.getMessage()), bad.line(), bad.found(), bad.expected()));
      case OutOfMemoryError tooLarge -> {
        log.error("upload {} took more memory than there is", id, tooLarge);
        store.failAndKeep(
            id,
            new UploadProblem(
                "This mesh takes more memory than this server has. The file is kept, so that"
                    + " somebody can have a look at it.",
                0,
                "a mesh that is too large",
                "a mesh of fewer faces"));
      }
      case Problem no ->
          store.fail(id, new UploadProblem(String.valueOf(no.getMessage()), 0, "", ""));
      case Cancelled cancelled -> log.info("upload {} was cancelled", id);
      default -> {
        log.error("upload {} failed", id, why);
        store.failAndKeep(
            id,
            ourMistake("Something went wrong on our side. Hand the file in again. Upload " + id));
      }
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
    Exercise exercise = assignments.require(upload.assignmentId()).exercise();
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
    submissions.keepFile(upload, submissions.ready(prepared));
  }

  private void goOnTo(Upload upload, Stage stage) {
    if (!store.goOn(upload.id(), stage, 0)) {
      throw new Cancelled();
    }
  }

  private ReadResult read(Upload upload) throws IOException, BadFile {
    if (!sent.has(upload.id())) {
      throw new Cancelled();
    }
    try (InputStream in =
        new Watched(
            sent.open(upload.id()),
            upload.size(),
            share -> {
              if (!store.goOn(upload.id(), Stage.reading, share)) {
                throw new Cancelled();
              }
            })) {
      return MeshFormat.read(in, limits);
    }
  }
}
