package fairedge.server.print;

import fairedge.core.mesh.Mesh;
import fairedge.server.platform.Paper;
import fairedge.server.review.SaidAnswers;
import fairedge.server.review.SaidAnswers.Said;
import fairedge.server.submission.Submissions;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.function.IntPredicate;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Component;

/** Makes documents of answers. */
@Component
class Press {
  static final String LANGUAGE = "en";

  private final SaidAnswers answers;
  private final Submissions submissions;

  Press(SaidAnswers answers, Submissions submissions) {
    this.answers = answers;
    this.submissions = submissions;
  }

  /** A document of one answer. */
  byte[] one(Said said, Sheet sheet) {
    try (Paper paper = new Paper(AnswerPrint.title(said), LANGUAGE)) {
      write(paper, sheet, said);
      return paper.bytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void write(Paper paper, Sheet sheet, Said said) throws IOException {
    Mesh mesh = submissions.mesh(said.submission());
    AnswerPrint.write(paper, sheet, said, AnswerPictures.of(said, mesh));
  }

  /**
   * One document of many answers, each on pages of its own; those that are gone meanwhile are left
   * out.
   *
   * @param goesOn told how many are done, after each
   * @return false where it was not to go on
   */
  boolean together(String title, List<UUID> all, Sheet sheet, OutputStream out, IntPredicate goesOn)
      throws IOException {
    try (Paper paper = Paper.large(title, LANGUAGE)) {
      int done = 0;
      boolean hasAny = false;
      for (UUID id : all) {
        Optional<Said> said = answers.find(id);
        if (said.isPresent()) {
          write(paper, sheet, said.get());
          hasAny = true;
        }
        if (!goesOn.test(++done)) {
          return false;
        }
      }
      if (!hasAny) {
        paper.newPage(sheet.size());
      }
      paper.writeTo(out);
      return true;
    }
  }

  /** The same as a document for each, in one archive. */
  boolean apart(List<UUID> all, Sheet sheet, OutputStream out, IntPredicate goesOn)
      throws IOException {
    ZipOutputStream zip = new ZipOutputStream(out);
    int done = 0;
    for (UUID id : all) {
      Optional<Said> said = answers.find(id);
      if (said.isPresent()) {
        zip.putNextEntry(new ZipEntry(fileName(done + 1, said.get())));
        zip.write(one(said.get(), sheet));
        zip.closeEntry();
      }
      if (!goesOn.test(++done)) {
        return false;
      }
    }
    zip.finish();
    return true;
  }

  /** Numbered, since two people may have one name. */
  private static String fileName(int number, Said said) {
    return "%03d %s, %s.pdf"
        .formatted(number, plain(said.student()), plain(AnswerPrint.title(said)));
  }

  /** Without what a file's name can't have anywhere. */
  private static String plain(String name) {
    String plain = name.replaceAll("[^\\p{L}\\p{N} ,.'-]", "_").strip();
    return plain.isEmpty() ? "answer" : plain;
  }

  /** The name of a file for one answer. */
  static String fileName(Said said) {
    return plain(AnswerPrint.title(said)).toLowerCase(Locale.ROOT).replace(' ', '-') + ".pdf";
  }
}
