package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.server.course.Role;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import fairedge.server.running.School;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Board and insight over a large term, against figures that are reckoned plainly, one by one. */
class InsightApiTest {
  private static final Set<String> OF_SIDES = Set.of("ngon", "triangle");

  private static Database database;
  private static Application app;
  private static Breakwater quay;
  private static Client runa;
  private static final List<Plain> ATTEMPTS = new ArrayList<>();

  /** An attempt as it lies in the database. */
  private record Plain(
      String id,
      String assignment,
      String student,
      int attempt,
      Instant at,
      boolean isAnswered,
      boolean isAccepted,
      Double credits,
      double quads,
      Double lines,
      Double held,
      Map<String, Integer> must,
      Map<String, Integer> should) {}

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database);
    quay = new Breakwater(app, "-insight");
    runa = quay.runa;
    String exercise = quay.ready("=Cleat, \"the first\"");
    quay.keep(exercise, Map.of("rule", rule())).is(200);
    quay.makeReady(exercise).is(200);
    String assignment = quay.set(exercise, Map.of("heading", "Week 1"));
    new TermOfMany(database, quay.course, assignment, 30, 20, 70);
    readPlain();
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  private static Map<String, Object> rule() {
    Map<String, Object> criterion = new HashMap<>();
    criterion.put("name", "Clean");
    criterion.put("credits", 10);
    criterion.put("by", "findings");
    criterion.put("offMust", 1);
    criterion.put("offShould", 0);
    criterion.put("families", List.of("Sides"));
    criterion.put("words", List.of());
    return Map.of("criteria", List.of(criterion), "step", 0.5, "offADay", 0, "counts", "best");
  }

  private static void readPlain() {
    Map<String, Map<String, Integer>> must = new HashMap<>();
    Map<String, Map<String, Integer>> should = new HashMap<>();
    for (List<String> r :
        database.rows("select submission_id, kind, severity, count - waved from report_kind")) {
      int count = Integer.parseInt(r.get(3));
      if (count > 0 && !r.get(2).equals("remark")) {
        (r.get(2).equals("must") ? must : should)
            .computeIfAbsent(r.get(0), id -> new TreeMap<>())
            .put(r.get(1), count);
      }
    }
    for (List<String> r :
        database.rows(
            """
            select s.id, assignment_id, student_id, attempt, extract(epoch from handed_in_at),
                answered_at is not null, is_accepted, credits, (figures ->> 'quads')::int / 100.0,
                met ->> 'lines', held_edges / 40.0
              from submission s join submission_report r on r.submission_id = s.id
              order by attempt
            """)) {
      ATTEMPTS.add(
          new Plain(
              r.get(0),
              r.get(1),
              r.get(2),
              Integer.parseInt(r.get(3)),
              Instant.ofEpochMilli((long) (1000 * Double.parseDouble(r.get(4)))),
              r.get(5).equals("t"),
              r.get(6).equals("t"),
              number(r.get(7)),
              Double.parseDouble(r.get(8)),
              number(r.get(9)),
              number(r.get(10)),
              must.getOrDefault(r.get(0), Map.of()),
              should.getOrDefault(r.get(0), Map.of())));
    }
  }

  private static Double number(String text) {
    return text == null ? null : Double.valueOf(text);
  }

  private static List<Plain> of(String assignment, String student) {
    return ATTEMPTS.stream()
        .filter(a -> a.assignment.equals(assignment) && a.student.equals(student))
        .toList();
  }

  /** The answered one with most credits, of equals the later. */
  private static List<Plain> counting(String assignment, String student) {
    return of(assignment, student).stream()
        .filter(Plain::isAnswered)
        .max(Comparator.comparing(Plain::credits).thenComparing(Plain::attempt))
        .stream()
        .toList();
  }

  private static String path(String what) {
    return "/api/classes/" + quay.course + what;
  }

  @Test
  void everyCell_isWhatPlainReckoningSays() {
    assertThat(ATTEMPTS).as("a term of many").hasSizeGreaterThan(20_000);
    JsonNode board = runa.get(path("/board")).is(200).json();
    assertThat(board.path("columns").size()).isEqualTo(21);
    assertThat(board.path("rows").size()).isEqualTo(31);
    Instant now = Instant.now();
    int cells = 0;
    for (JsonNode row : board.path("rows")) {
      String student = row.path("student").asString();
      for (int c = 0; c < board.path("columns").size(); c++) {
        JsonNode column = board.path("columns").path(c);
        requirePlain(row.path("cells").path(c), column, student, now);
        cells++;
      }
    }
    assertThat(cells).isEqualTo(31 * 21);
  }

  private static void requirePlain(JsonNode cell, JsonNode column, String student, Instant now) {
    String assignment = column.path("assignment").asString();
    List<Plain> all = of(assignment, student);
    JsonNode dueAt = column.path("dueAt");
    Instant due = dueAt.isNull() ? null : Instant.parse(dueAt.asString());
    String where = column.path("title").asString() + " of " + student;
    assertThat(cell.path("attempts").asInt()).as(where).isEqualTo(all.size());
    if (all.isEmpty()) {
      boolean isOver = due != null && now.isAfter(due);
      assertThat(cell.path("state").asString()).as(where).isEqualTo(isOver ? "late" : "notBegun");
      assertThat(cell.path("credits").isNull()).isTrue();
      return;
    }
    Plain last = all.getLast();
    String state = !last.isAnswered ? "handedIn" : last.isAccepted ? "accepted" : "tryAgain";
    assertThat(cell.path("state").asString()).as(where).isEqualTo(state);
    assertThat(cell.path("isLate").asBoolean())
        .as(where)
        .isEqualTo(due != null && last.at.isAfter(due));
    Map<String, Integer> must = new TreeMap<>();
    cell.path("must").forEach(k -> must.put(k.path("kind").asString(), k.path("count").asInt()));
    assertThat(must).as(where).isEqualTo(state.equals("accepted") ? Map.of() : last.must);
    if (state.equals("handedIn")) {
      int off =
          last.must.entrySet().stream()
              .filter(e -> OF_SIDES.contains(e.getKey()))
              .mapToInt(Map.Entry::getValue)
              .sum();
      assertThat(cell.path("credits").asDouble()).as(where).isEqualTo(Math.max(0, 10 - off));
    } else {
      assertThat(cell.path("credits").asDouble())
          .as(where)
          .isEqualTo(counting(assignment, student).getFirst().credits);
    }
    assertThat(cell.path("before").size())
        .isEqualTo((int) Math.min(6, all.stream().filter(Plain::isAnswered).count()));
  }

  /** The last of each student in each exercise of those that were handed in by then. */
  private static List<Plain> last(Instant by) {
    Map<String, Plain> last = new HashMap<>();
    ATTEMPTS.stream()
        .filter(a -> !a.at.isAfter(by))
        .forEach(a -> last.put(a.assignment + a.student, a));
    return List.copyOf(last.values());
  }

  private static long students(List<Plain> of, String kind) {
    return of.stream()
        .filter(a -> a.must.containsKey(kind) || a.should.containsKey(kind))
        .map(Plain::student)
        .distinct()
        .count();
  }

  @Test
  void feetAndTrips_areCountedOverLastAttempts_nowAndAWeekAgo() {
    JsonNode board = runa.get(path("/board")).is(200).json();
    List<Plain> now = last(Instant.now());
    List<Plain> then = last(Instant.now().minusSeconds(7 * 86_400));
    List<String> kinds = new ArrayList<>();
    for (JsonNode trip : board.path("trips")) {
      String kind = trip.path("kind").asString();
      kinds.add(kind);
      assertThat(trip.path("now").asLong()).as(kind).isEqualTo(students(now, kind));
      assertThat(trip.path("weekAgo").asLong()).as(kind).isEqualTo(students(then, kind));
    }
    assertThat(kinds).containsExactlyInAnyOrder("ngon", "triangle", "double");
    for (JsonNode column : board.path("columns")) {
      List<Plain> here =
          now.stream()
              .filter(a -> a.assignment.equals(column.path("assignment").asString()))
              .filter(a -> !a.isAccepted)
              .toList();
      for (JsonNode common : column.path("common")) {
        String kind = common.path("kind").asString();
        assertThat(common.path("count").asLong())
            .isEqualTo(here.stream().filter(a -> a.must.containsKey(kind)).count());
      }
    }
  }

  @Test
  void skills_areMeansOfTheAttemptsThatCount() {
    JsonNode insight = runa.get(path("/insight")).is(200).json();
    Set<String> everybody = new HashSet<>();
    ATTEMPTS.forEach(a -> everybody.add(a.student));
    for (int c = 1; c <= 20; c++) {
      String assignment = insight.path("exercises").path(c).path("assignment").asString();
      List<Plain> counted =
          everybody.stream().flatMap(s -> counting(assignment, s).stream()).toList();
      double quads = counted.stream().mapToDouble(Plain::quads).average().orElseThrow();
      JsonNode point = insight.path("skills").path(0).path("points").path(c);
      assertThat(point.path("count").asInt()).isEqualTo(counted.size());
      assertThat(point.path("mean").asDouble()).isCloseTo(quads, within(1e-9));
      List<Double> lines = counted.stream().map(Plain::lines).filter(Objects::nonNull).toList();
      JsonNode ofLines = insight.path("skills").path(2).path("points").path(c);
      assertThat(ofLines.path("count").asInt()).isEqualTo(lines.size());
      List<Double> held = counted.stream().map(Plain::held).filter(Objects::nonNull).toList();
      JsonNode ofHeld = insight.path("skills").path(3).path("points").path(c);
      assertThat(ofHeld.path("mean").asDouble())
          .isCloseTo(
              held.stream().mapToDouble(Double::doubleValue).average().orElse(0), within(1e-9));
    }
    assertThat(insight.path("skills").path(0).path("points").path(0).isNull())
        .as("nobody has done it")
        .isTrue();
    List<Plain> now = last(Instant.now());
    for (JsonNode kind : insight.path("kinds")) {
      for (int c = 0; c <= 20; c++) {
        String assignment = insight.path("exercises").path(c).path("assignment").asString();
        String name = kind.path("kind").asString();
        assertThat(kind.path("counts").path(c).asLong())
            .isEqualTo(
                students(now.stream().filter(a -> a.assignment.equals(assignment)).toList(), name));
      }
    }
  }

  @Test
  void studentsPage_hasTheirOwnFigures_andNothingOfWhatWaits() {
    String student = database.value("select id from many_student where number = 3");
    JsonNode page = runa.get(path("/students/" + student + "/insight")).is(200).json();
    for (JsonNode line : page.path("lines")) {
      List<Plain> all = of(line.path("assignment").asString(), student);
      List<Plain> answered = all.stream().filter(Plain::isAnswered).toList();
      List<Plain> counted = counting(line.path("assignment").asString(), student);
      assertThat(line.path("credits").isNull()).isEqualTo(counted.isEmpty());
      if (!counted.isEmpty()) {
        assertThat(line.path("credits").asDouble()).isEqualTo(counted.getFirst().credits);
      }
      Map<String, Integer> found = new TreeMap<>();
      for (String how : List.of("must", "should")) {
        line.path(how)
            .forEach(k -> found.put(how + k.path("kind").asString(), k.path("count").asInt()));
      }
      Map<String, Integer> expected = new TreeMap<>();
      if (!answered.isEmpty()) {
        answered.getLast().must.forEach((k, n) -> expected.put("must" + k, n));
        answered.getLast().should.forEach((k, n) -> expected.put("should" + k, n));
      }
      assertThat(found).isEqualTo(expected);
    }
    // Ada may read her own page, and nobody else's.
    String ada = quay.ada.get("/api/me").json().path("id").asString();
    quay.ada.get(path("/students/" + ada + "/insight")).is(200);
    quay.ada.get(path("/students/" + student + "/insight")).is(404);
    quay.ada.get(path("/board")).is(404);
    quay.ada.get(path("/insight")).is(404);
    runa.get(path("/students/" + UUID.randomUUID() + "/insight")).is(404);
  }

  private static List<CSVRecord> table(String path) throws IOException {
    String text = new String(runa.get(path).is(200).bytes(), StandardCharsets.UTF_8);
    return CSVFormat.RFC4180
        .builder()
        .setHeader()
        .setSkipHeaderRecord(true)
        .get()
        .parse(new StringReader(text))
        .getRecords();
  }

  @Test
  void tables_areReadByALibrary_andHoldNoFormulas() throws IOException {
    List<CSVRecord> board = table(path("/tables/board"));
    assertThat(board).hasSize(31 * 21);
    assertThat(board.getFirst().get("exercise")).isEqualTo("'=Cleat, \"the first\"");
    assertThat(board.getFirst().get("heading")).isEqualTo("Week 1");
    assertThat(board.stream().filter(r -> r.get("state").equals("accepted")))
        .isNotEmpty()
        .allSatisfy(r -> assertThat(r.get("credits are")).isEqualTo("given"));
    assertThat(table(path("/tables/kinds"))).isNotEmpty();
    assertThat(table(path("/tables/skills")).stream().map(r -> r.get("skill")).distinct())
        .containsExactly("quads", "complete loops", "lines met", "held edges");
    assertThat(table(path("/tables/phrases"))).isEmpty();
    String student = database.value("select id from many_student where number = 3");
    assertThat(table(path("/students/" + student + "/tables/credits"))).hasSize(21);
    assertThat(table(path("/students/" + student + "/tables/skills"))).isNotEmpty();
    byte[] marked = runa.get(path("/tables/board?bom=true")).is(200).bytes();
    assertThat(marked).startsWith(0xEF, 0xBB, 0xBF);
    runa.get(path("/tables/nothing")).is(400);
  }

  private static String handIn(Client student, String assignment, List<Map<String, Object>> cuts) {
    JsonNode open =
        student.put("/api/assignments/" + assignment + "/workpiece", Map.of()).is(200).json();
    String path = "/api/workpieces/" + open.path("id").asString();
    long revision = open.path("revision").asLong();
    for (Map<String, Object> cut : cuts) {
      student.post(path + "/steps", Bollard.step(revision++, cut)).is(200);
    }
    return student
        .post(path + "/submissions", Bollard.move(revision))
        .is(201)
        .json()
        .path("id")
        .asString();
  }

  /** All that the top of a lid needs: three lines each way. */
  private static List<Map<String, Object>> wholeTop() {
    List<Map<String, Object>> cuts = new ArrayList<>();
    for (int k = 1; k <= 3; k++) {
      cuts.add(Bollard.trace(16 + k, 28 - k));
      cuts.add(Bollard.trace(20 + k, 16 + (16 - k) % 16));
    }
    return cuts;
  }

  /** A note about the n-gon at the top, made of a phrase. */
  private static void answer(Client instructor, String submission, String phrase) {
    String path = "/api/submissions/" + submission;
    JsonNode findings =
        instructor.get(path + "/review").is(200).json().path("check").path("findings");
    int ngon = 0;
    while (!findings.path(ngon).path("kind").asString().equals("ngon")
        || findings.path(ngon).at("/place/z").asDouble() < 50) {
      ngon++;
    }
    Map<String, Object> note = new HashMap<>();
    note.put("id", UUID.randomUUID());
    note.put("kind", "mend");
    note.put("text", "Go on until each has four.");
    note.put("finding", ngon);
    note.put("phrase", phrase);
    note.put("element", Map.of("kind", "face", "id", 0));
    note.put("place", findings.path(ngon).path("place"));
    Map<String, Object> draft =
        Map.of("revision", 0, "word", "", "verdict", "tryAgain", "notes", List.of(note));
    long revision = instructor.put(path + "/draft", draft).is(200).json().path("revision").asLong();
    instructor.post(path + "/return", Map.of("revision", revision)).is(200);
  }

  @Test
  void phrase_isFollowedByACure_whereItsFindingIsGoneInTheNextAttempt() {
    Breakwater mole = new Breakwater(app, "-cures");
    School school = new School(app);
    String exercise = mole.begun();
    mole.runa.put("/api/exercises/" + exercise + "/starter", Map.of("form", "hatch-lid")).is(200);
    mole.keep(exercise, Map.of("title", "Lid", "summary", "Cut it", "brief", "Cut it.")).is(200);
    mole.makeReady(exercise).is(200);
    String assignment = mole.set(exercise, Map.of());
    String phrase =
        mole.runa
            .post(
                "/api/phrases",
                Map.of("text", "Go on.", "noteKind", "mend", "kind", "ngon", "putAway", false))
            .is(201)
            .json()
            .path("id")
            .asString();
    String insight = "/api/classes/" + mole.course + "/insight";
    for (int i = 0; i < 5; i++) {
      school.enrol(
          UUID.fromString(mole.course), school.person("cured-" + i, "Cured " + i), Role.STUDENT);
      Client student = Client.signedIn(app, "cured-" + i);
      answer(mole.runa, handIn(student, assignment, List.of()), phrase);
      assertThat(mole.runa.get(insight).json().path("phrases").size())
          .as("fewer than five uses say nothing")
          .isZero();
      handIn(student, assignment, i < 3 ? wholeTop() : List.of());
    }
    JsonNode told = mole.runa.get(insight).is(200).json().path("phrases").path(0);
    assertThat(told.path("text").asString()).isEqualTo("Go on.");
    assertThat(told.path("cured").asInt()).isEqualTo(3);
    assertThat(told.at("/share/count").asInt()).isEqualTo(5);
    assertThat(told.at("/share/mean").asDouble()).isCloseTo(0.6, within(1e-12));
  }
}
