package fairedge.server.practice;

import fairedge.core.format.BadFile;
import fairedge.core.format.LengthUnit;
import fairedge.core.format.Limits;
import fairedge.core.format.Meant;
import fairedge.core.format.MeshFormat;
import fairedge.server.meshfile.FileLimits;
import fairedge.server.meshfile.SentFiles;
import fairedge.server.platform.PacedJob;
import fairedge.server.practice.PracticeView.PieceStage;
import fairedge.server.practice.PracticeView.PracticeProblem;
import fairedge.server.practice.store.PracticeStore;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Reads and draws a file that somebody wants to practise on. */
@Component
class PracticeJob extends PacedJob {
  static final String NAME = "practice";
  private static final Logger log = LoggerFactory.getLogger(PracticeJob.class);

  private final PracticeStore store;
  private final Practices practices;
  private final SentFiles sent;
  private final Limits limits;

  PracticeJob(
      PracticeStore store, Practices practices, SentFiles sent, Pace pace, FileLimits limits) {
    super(pace);
    this.store = store;
    this.practices = practices;
    this.sent = sent;
    this.limits = limits.limits();
  }

  @Override
  public String name() {
    return NAME;
  }

  /** Put away, it is not wanted for now; brought back it is read still. */
  @Override
  protected boolean isOver(UUID id) {
    return store.piece(id).filter(p -> p.stage() == PieceStage.reading).isEmpty();
  }

  @Override
  protected boolean isLarge(UUID id) {
    return sent.isLarge(id);
  }

  @Override
  protected void work(UUID id) throws BadFile, IOException {
    PracticeStore.File file = store.file(id).orElseThrow();
    LengthUnit unit = LengthUnit.named(file.unit()).orElseThrow();
    Meant meant = new Meant(unit, file.up());
    try (InputStream bytes = sent.open(id)) {
      store.makeReady(id, practices.ready(meant.mesh(MeshFormat.read(bytes, limits).mesh(), unit)));
    }
  }

  @Override
  protected void waits(UUID id) {
    log.info("the practice file {} waits among the slow ones", id);
  }

  @Override
  protected void tooLong(UUID id, Duration most) {
    store.fail(
        id,
        new PracticeProblem(
            "Reading this file took longer than " + most.toSeconds() + " seconds.",
            0,
            "a mesh that is too dear to read",
            "a smaller mesh"));
  }

  @Override
  protected void failed(UUID id, Throwable why) {
    if (why instanceof BadFile bad) {
      store.fail(
          id,
          new PracticeProblem(
              String.valueOf(bad.getMessage()), bad.line(), bad.found(), bad.expected()));
    } else if (why instanceof OutOfMemoryError) {
      log.error("the practice file {} took more memory than there is", id, why);
      store.fail(
          id,
          new PracticeProblem(
              "This mesh takes more memory than this server has.",
              0,
              "a mesh that is too large",
              "a mesh of fewer faces"));
    } else {
      log.error("the practice file {} failed", id, why);
      store.fail(
          id, new PracticeProblem("Something went wrong on our side. File " + id, 0, "", ""));
    }
  }
}
