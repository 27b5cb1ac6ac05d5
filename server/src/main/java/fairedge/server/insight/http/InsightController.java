package fairedge.server.insight.http;

import fairedge.server.insight.BoardView;
import fairedge.server.insight.Boards;
import fairedge.server.insight.InsightTables;
import fairedge.server.insight.InsightView;
import fairedge.server.insight.Insights;
import fairedge.server.insight.TermView;
import fairedge.server.platform.Csv;
import fairedge.server.platform.SignedIn;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The board and what a class has learnt, over HTTP; each also as a table. */
@RestController
@RequestMapping("/api/classes/{course}")
class InsightController {
  private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

  private final Boards boards;
  private final Insights insights;

  InsightController(Boards boards, Insights insights) {
    this.boards = boards;
    this.insights = insights;
  }

  @GetMapping("/board")
  BoardView board(
      @PathVariable UUID course,
      @RequestParam(required = false) @Nullable UUID group,
      @AuthenticationPrincipal SignedIn account) {
    return boards.view(course, group, account);
  }

  @GetMapping("/insight")
  InsightView insight(
      @PathVariable UUID course,
      @RequestParam(required = false) @Nullable UUID group,
      @AuthenticationPrincipal SignedIn account) {
    return insights.ofClass(course, group, account);
  }

  /** A student's page, for those who review and for the student. */
  @GetMapping("/students/{student}/insight")
  TermView student(
      @PathVariable UUID course,
      @PathVariable UUID student,
      @AuthenticationPrincipal SignedIn account) {
    return insights.ofStudent(course, student, account);
  }

  /** What of a class is a table. */
  enum ClassTable {
    board,
    kinds,
    skills,
    phrases
  }

  /**
   * @param bom whether the file begins with the mark by which some spreadsheets know UTF-8
   */
  @GetMapping(value = "/tables/{table}", produces = "text/csv")
  ResponseEntity<byte[]> table(
      @PathVariable UUID course,
      @PathVariable ClassTable table,
      @RequestParam(required = false) @Nullable UUID group,
      @RequestParam(defaultValue = "false") boolean bom,
      @AuthenticationPrincipal SignedIn account) {
    Csv csv =
        switch (table) {
          case board -> InsightTables.board(boards.view(course, group, account));
          case kinds -> InsightTables.kinds(insights.ofClass(course, group, account));
          case skills -> InsightTables.skills(insights.ofClass(course, group, account));
          case phrases -> InsightTables.phrases(insights.ofClass(course, group, account));
        };
    return file(table.name(), csv, bom);
  }

  /** What of a student is a table. */
  enum StudentTable {
    credits,
    skills
  }

  @GetMapping(value = "/students/{student}/tables/{table}", produces = "text/csv")
  ResponseEntity<byte[]> table(
      @PathVariable UUID course,
      @PathVariable UUID student,
      @PathVariable StudentTable table,
      @RequestParam(defaultValue = "false") boolean bom,
      @AuthenticationPrincipal SignedIn account) {
    TermView view = insights.ofStudent(course, student, account);
    Csv csv =
        switch (table) {
          case credits -> InsightTables.student(view);
          case skills -> InsightTables.skills(view);
        };
    return file(table.name(), csv, bom);
  }

  private static ResponseEntity<byte[]> file(String name, Csv csv, boolean bom) {
    String disposition = ContentDisposition.attachment().filename(name + ".csv").build().toString();
    return ResponseEntity.ok()
        .contentType(CSV)
        .header(HttpHeaders.CONTENT_DISPOSITION, disposition)
        .body(csv.bytes(bom));
  }
}
