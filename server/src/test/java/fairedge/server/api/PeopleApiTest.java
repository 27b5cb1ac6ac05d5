package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.account.SetUp;
import fairedge.server.course.Role;
import fairedge.server.platform.Cleaning;
import fairedge.server.platform.SignedIn;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import fairedge.server.running.School;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** From an empty database to a class whose students are signed in. */
class PeopleApiTest {
  private static final Map<String, Object> CLASS =
      Map.of("name", "Harbour Props", "zone", "Europe/Oslo", "unit", "mm", "up", "Z");

  private static Database database;
  private static Application app;
  private static School school;
  private static Client marit;
  private static SignedIn instructor;

  @BeforeAll
  static void start() {
    database = Database.empty();
    app = Application.on(database, 0, "--fair-edge.demo=false");
    school = new School(app);
    String code = app.bean(SetUp.class).code().orElseThrow();
    Client first = new Client(app);
    assertThat(first.get("/api/session").json().path("setUp").asBoolean()).isTrue();
    Map<String, Object> wrong =
        Map.of("code", "WRNG-WRNG-WRNG", "name", "X", "signIn", "xx", "password", "long enough");
    assertThat(first.post("/api/setup", wrong).is(403).detail()).contains("set-up code");
    first
        .post(
            "/api/setup",
            Map.of(
                "code",
                code.toLowerCase(java.util.Locale.ROOT).replace('-', ' '),
                "name",
                "Marit Tangen",
                "signIn",
                "Marit",
                "password",
                "harbour-props"))
        .is(200);
    marit = first;
    instructor =
        new SignedIn(
            UUID.fromString(database.value("select id from account where sign_in = 'marit'")),
            "marit",
            "Marit Tangen");
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  private static String newClass() {
    return marit.post("/api/classes", CLASS).is(201).json().path("id").asString();
  }

  private static String path(String course, String what) {
    return "/api/classes/" + course + what;
  }

  private static JsonNode people(String course) {
    return marit.get(path(course, "/people")).is(200).json();
  }

  private static JsonNode person(String course, String name) {
    return people(course)
        .path("people")
        .valueStream()
        .filter(p -> p.path("name").asString().equals(name))
        .findFirst()
        .orElseThrow();
  }

  private static Map<String, Object> roster(String text, Map<Integer, String> answers) {
    return roster(text.getBytes(StandardCharsets.UTF_8), answers);
  }

  private static Map<String, Object> roster(byte[] file, Map<Integer, String> answers) {
    Map<String, Object> asked = new HashMap<>();
    asked.put("file", Base64.getEncoder().encodeToString(file));
    asked.put("columns", null);
    asked.put("answers", answers);
    return asked;
  }

  @Test
  void setUp_isOverOnceThereIsAnInstructor() {
    assertThat(app.bean(SetUp.class).code()).isEmpty();
    assertThat(new Client(app).get("/api/session").json().path("setUp").asBoolean()).isFalse();
    JsonNode me = marit.get("/api/me").is(200).json();
    assertThat(me.path("mayTeach").asBoolean()).isTrue();
  }

  @Test
  void joinCode_letsNewcomersIn_whoAreMarkedUntilLookedAt() {
    String course = newClass();
    JsonNode code = marit.put(path(course, "/join-code"), Map.of("most", 2)).is(200).json();
    String words = code.path("words").asString();
    assertThat(words.split(" ")).hasSize(3);
    Client newcomer = new Client(app);
    JsonNode invitation =
        newcomer.post("/api/join", Map.of("words", words.replace(" ", "-"))).is(200).json();
    assertThat(invitation.path("course").asString()).isEqualTo("Harbour Props");
    assertThat(invitation.path("instructors").get(0).asString()).isEqualTo("Marit Tangen");
    newcomer.post("/api/join/newcomer", newcomer(words, "Lea Brandvik", "lea" + salt())).is(204);
    assertThat(newcomer.get("/api/my-work").is(200).json().path("items")).isEmpty();
    assertThat(person(course, "Lea Brandvik").path("isNew").asBoolean()).isTrue();
    assertThat(person(course, "Lea Brandvik").path("cameBy").asString()).isEqualTo("join-code");
    marit.post(path(course, "/people/looked-at"), Map.of()).is(204);
    assertThat(person(course, "Lea Brandvik").path("isNew").asBoolean()).isFalse();

    // Whoever has an account joins with that, once.
    SignedIn nils = school.person("nils" + salt(), "Nils Ravn");
    Client known = Client.signedIn(app, nils.signIn());
    known.post("/api/join/me", Map.of("words", words)).is(204);
    known.post("/api/join/me", Map.of("words", words)).is(400);
    assertThat(
            new Client(app)
                .post("/api/join/newcomer", newcomer(words, "Third", "third" + salt()))
                .is(400)
                .detail())
        .contains("full");
    // A new code ends the old one.
    marit.put(path(course, "/join-code"), Map.of()).is(200);
    assertThat(new Client(app).post("/api/join", Map.of("words", words)).is(404).detail())
        .contains("three words");
    marit.delete(path(course, "/join-code")).is(204);
    assertThat(people(course).path("join").isNull()).isTrue();
  }

  private static int salt = 0;

  private static synchronized int salt() {
    return ++salt;
  }

  private static Map<String, Object> newcomer(String words, String name, String signIn) {
    return Map.of("words", words, "name", name, "signIn", signIn, "password", "long enough");
  }

  @Test
  void codesThatEnd_endByTheClockOfTheClass() {
    String course = newClass();
    Map<String, Object> yesterday =
        Map.of(
            "until",
            java.time.LocalDate.now(java.time.ZoneId.of("Europe/Oslo")).minusDays(1).toString());
    String words =
        marit.put(path(course, "/join-code"), yesterday).is(200).json().path("words").asString();
    assertThat(new Client(app).post("/api/join", Map.of("words", words)).is(400).detail())
        .contains("has ended");
    // The database has no such day.
    for (String day : List.of("+5881580-07-11", "1999-12-31", "2200-01-01")) {
      Map<String, Object> beyond = Map.of("until", day);
      assertThat(marit.put(path(course, "/join-code"), beyond).is(400).detail())
          .contains("between 2000 and 2199");
    }
  }

  @Test
  void codes_areNotGuessedAtSpeed() {
    Client guesser = new Client(app);
    int slowed = 0;
    for (int i = 0; i < 12; i++) {
      Reply reply = guesser.post("/api/slip", Map.of("code", "AAAA-BBBB-CC" + (10 + i)));
      slowed += reply.status() == 429 ? 1 : 0;
    }
    assertThat(slowed).isPositive();
  }

  @Test
  void slip_letsAPasswordBeChosen_once_andANewOneSignsOut() throws IOException {
    String course = newClass();
    JsonNode slip =
        marit
            .post(path(course, "/people"), Map.of("name", "Søren Pike", "role", "student"))
            .is(201)
            .json();
    assertThat(slip.path("signIn").asString()).startsWith("soren.pike");
    String code = slip.path("code").asString();
    assertThat(code).matches("[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}");
    assertThat(
            database.value(
                "select count(*) from ticket where encode(code_hash, 'escape') like '%"
                    + code
                    + "%'"))
        .isEqualTo("0");
    Client soren = new Client(app);
    assertThat(soren.post("/api/slip", Map.of("code", code)).is(200).json().path("name").asString())
        .isEqualTo("Søren Pike");
    assertThat(
            soren
                .post("/api/slip/password", Map.of("code", code, "password", "short"))
                .is(400)
                .detail())
        .contains("at least 10 letters");
    soren.post("/api/slip/password", Map.of("code", code, "password", "a good long one")).is(200);
    soren.get("/api/me").is(200);
    new Client(app)
        .post("/api/slip/password", Map.of("code", code, "password", "another long one"))
        .is(403);

    String id = slip.path("account").asString();
    byte[] sheet =
        marit.post(path(course, "/slips"), Map.of("people", List.of(id))).is(200).bytes();
    soren.get("/api/me").is(401);
    try (PDDocument pdf = Loader.loadPDF(sheet)) {
      String text = new PDFTextStripper().getText(pdf);
      assertThat(text)
          .contains("Søren Pike", "Harbour Props", slip.path("signIn").asString(), "/slip");
      assertThat(pdf.getDocumentCatalog().getMarkInfo().isMarked()).isTrue();
      assertThat(pdf.getDocumentCatalog().getLanguage()).isEqualTo("en");
      assertThat(pdf.getDocumentCatalog().getStructureTreeRoot().getKids()).hasSize(1);
      for (var font : pdf.getPage(0).getResources().getFontNames()) {
        assertThat(pdf.getPage(0).getResources().getFont(font).isEmbedded()).isTrue();
      }
      String second =
          text.lines()
              .map(String::strip)
              .filter(l -> l.matches("[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}"))
              .findFirst()
              .orElseThrow();
      Client anew = new Client(app);
      anew.post("/api/slip/password", Map.of("code", second, "password", "once more, long"))
          .is(200);
    }
  }

  @Test
  void sheetOfThirtySlips_hasEightToAPage() throws IOException {
    String course = newClass();
    String file =
        "Full name\n"
            + IntStream.rangeClosed(1, 30)
                .mapToObj(i -> "Student Number%d".formatted(i))
                .collect(Collectors.joining("\n"));
    JsonNode in = marit.post(path(course, "/roster"), roster(file, Map.of())).is(201).json();
    List<String> ids = in.path("needSlips").valueStream().map(JsonNode::asString).toList();
    assertThat(ids).hasSize(30);
    byte[] sheet = marit.post(path(course, "/slips"), Map.of("people", ids)).is(200).bytes();
    try (PDDocument pdf = Loader.loadPDF(sheet)) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(4);
    }
  }

  @Test
  void roster_isSeenLineByLine_beforeAnybodyIsWritten() {
    String course = newClass();
    Map<String, Object> rune = new HashMap<>(Map.of("name", "Rune Osterholm", "role", "student"));
    marit.post(path(course, "/people"), rune).is(201);
    marit
        .post(
            path(course, "/people"),
            Map.of("name", "Jonah Estey", "role", "student", "address", "jonah@quay.example"))
        .is(201);
    marit.post(path(course, "/groups"), Map.of("name", "Tuesday")).is(201);
    marit.post(path(course, "/groups"), Map.of("name", "Thursday")).is(201);
    assertThat(marit.post(path(course, "/groups"), Map.of("name", "tuesday ")).is(400).detail())
        .contains("already");
    String file =
        """
        Full name;E-post;Evening;Remarks
        Maren Tollak;maren@quay.example;Tuesday;left handed
        Jonah Estey;jonah@quay.example;Thursday;
        R. Osterholm;;Tuesday;
        ;nobody@quay.example;Thursday;
        Ilja Brookfeldt;ilja@quay.example;Tue/Thu;
        Odile Marran;odile@@quay;Thursday;
        Søren Pike;;Friday;
        =HYPERLINK("x");;Friday;
        Tilde Rasmussen;%s@quay.example;Friday;
        """
            .formatted("t".repeat(250));
    byte[] old = file.getBytes(Charset.forName("windows-1252"));
    JsonNode seen =
        marit.post(path(course, "/roster/preview"), roster(old, Map.of())).is(200).json();
    assertThat(seen.path("how").asString())
        .isEqualTo("semicolons, Windows-1252, 9 lines after the header");
    assertThat(seen.path("columns").valueStream().map(c -> c.path("meaning").asString()))
        .containsExactly("name", "address", "group", "out");
    assertThat(
            seen.path("rows")
                .valueStream()
                .map(r ->
                    "%d %s %s"
                        .formatted(
                            r.path("line").asInt(),
                            r.path("state").asString(),
                            r.path("words").asString())))
        .containsExactly(
            "2 fresh a slip on paper",
            "3 here same address",
            "4 unclear Rune Osterholm, or somebody else?",
            "5 wrong no name in this line",
            "6 unclear Which group?",
            "7 wrong address with two @: odile@@quay",
            "8 fresh a slip on paper",
            "9 wrong this name begins like a formula",
            "10 wrong this address is longer than 254 letters");
    assertThat(seen.path("rows").get(6).path("name").asString()).isEqualTo("Søren Pike");
    assertThat(people(course).path("people")).hasSize(3);

    Reply refused = marit.post(path(course, "/roster"), roster(old, Map.of())).is(400);
    assertThat(refused.detail()).contains("Nothing was written: line 4");
    assertThat(people(course).path("people")).hasSize(3);
    String isRune = seen.path("rows").get(2).path("choices").get(0).path("key").asString();
    Map<Integer, String> answers =
        Map.of(4, isRune, 5, "out", 6, "group:Thursday", 7, "out", 9, "out", 10, "out");
    marit.post(path(course, "/roster"), roster(old, answers)).is(201);
    JsonNode now = people(course);
    assertThat(now.path("people").valueStream().map(p -> p.path("name").asString()))
        .containsExactly(
            "Ilja Brookfeldt",
            "Jonah Estey",
            "Maren Tollak",
            "Marit Tangen",
            "Rune Osterholm",
            "Søren Pike");
    assertThat(now.path("groups").valueStream().map(g -> g.path("name").asString()))
        .containsExactly("Friday", "Thursday", "Tuesday");
    // The same file again finds all of them here.
    JsonNode again =
        marit.post(path(course, "/roster/preview"), roster(old, answers)).is(200).json();
    assertThat(
            again
                .path("rows")
                .valueStream()
                .filter(r -> r.path("state").asString().equals("fresh")))
        .isEmpty();
  }

  @Test
  void rosterOfFiveThousandRows_isRead_andALongerOneRefused() {
    String course = newClass();
    String rows =
        IntStream.range(0, 5000)
            .mapToObj(i -> "Student%d Of-%d,s%d@quay.example".formatted(i, i, i))
            .collect(Collectors.joining("\n"));
    JsonNode seen =
        marit
            .post(path(course, "/roster/preview"), roster("name,mail\n" + rows, Map.of()))
            .is(200)
            .json();
    assertThat(seen.path("rows")).hasSize(5000);
    assertThat(
            marit
                .post(
                    path(course, "/roster/preview"),
                    roster("name,mail\n" + rows + "\nOne More,", Map.of()))
                .is(422)
                .detail())
        .contains("more than 5,000 rows");
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "\n\n", "name\n\"broken", "\0\0\0", "PK\3\4\0\0zip"})
  void whatIsNoTable_isRefusedInWords(String file) {
    String course = newClass();
    Reply reply = marit.post(path(course, "/roster/preview"), roster(file, Map.of()));
    assertThat(reply.is(422).detail()).contains("This roster could not be read");
  }

  @Test
  void doubledNames_areAskedAbout_andDoubledAddressesRefused() {
    String course = newClass();
    String file =
        "name,mail\nAda Lunde,\nAda Lunde,\nBo Vik,bo@quay.example\nBo Wik,bo@quay.example\n";
    JsonNode rows =
        marit
            .post(path(course, "/roster/preview"), roster(file, Map.of()))
            .is(200)
            .json()
            .path("rows");
    assertThat(rows.get(1).path("words").asString())
        .isEqualTo("The same as in line 2, or another?");
    assertThat(rows.get(3).path("words").asString()).isEqualTo("the same address as in line 4");
    JsonNode in =
        marit
            .post(path(course, "/roster"), roster(file, Map.of(3, "new", 5, "out")))
            .is(201)
            .json();
    assertThat(in.path("needSlips")).hasSize(3);
  }

  @Test
  void assistantsSeeAll_andGiveSlipsToStudents_butKeepNoRoster() {
    String course = newClass();
    SignedIn ottoline = school.person("ottoline" + salt(), "Ottoline Brandt");
    school.enrol(UUID.fromString(course), ottoline, Role.ASSISTANT);
    SignedIn lea = school.person("lea" + salt(), "Lea Brandvik");
    school.enrol(UUID.fromString(course), lea, Role.STUDENT);
    Client assistant = Client.signedIn(app, ottoline.signIn());
    JsonNode seen = assistant.get(path(course, "/people")).is(200).json();
    assertThat(seen.path("mayKeep").asBoolean()).isFalse();
    assistant.post(path(course, "/slips"), Map.of("people", List.of(lea.id()))).is(200);
    assistant.post(path(course, "/slips"), Map.of("people", List.of(ottoline.id()))).is(404);
    marit.post(path(course, "/slips"), Map.of("people", List.of(instructor.id()))).is(404);
    marit.post(path(course, "/slips"), Map.of("people", List.of(ottoline.id()))).is(200);
  }

  @Test
  void slipForSomebodyWithAClassElsewhere_isRefused() {
    String course = newClass();
    SignedIn olga = school.person("olga" + salt(), "Olga Brandt");
    UUID other = school.classOf("Breakwater", olga);
    SignedIn nils = school.person("nils" + salt(), "Nils Ravn");
    school.enrol(other, nils, Role.STUDENT);
    school.enrol(UUID.fromString(course), nils, Role.STUDENT);
    assertThat(
            marit
                .post(path(course, "/slips"), Map.of("people", List.of(nils.id())))
                .is(400)
                .detail())
        .contains("a class that is not yours");
  }

  @Test
  void lastInstructor_staysOne() {
    String course = newClass();
    assertThat(marit.delete(path(course, "/me")).is(400).detail()).contains("last instructor");
    String own = path(course, "/people/" + instructor.id());
    assertThat(marit.put(own + "/role", Map.of("role", "student")).is(400).detail())
        .contains("last instructor");
    SignedIn olga = school.person("olga" + salt(), "Olga Brandt");
    school.enrol(UUID.fromString(course), olga, Role.STUDENT);
    marit.put(path(course, "/people/" + olga.id() + "/role"), Map.of("role", "instructor")).is(204);
    marit.delete(path(course, "/me")).is(204);
    marit.get(path(course, "/people")).is(404);
    Client.signedIn(app, olga.signIn()).get(path(course, "/people")).is(200);
  }

  @Test
  void classThatIsPutAway_isReadOnly() {
    String course = newClass();
    String words =
        marit.put(path(course, "/join-code"), Map.of()).is(200).json().path("words").asString();
    marit.put(path(course, "/away"), Map.of("away", true)).is(204);
    marit.get(path(course, "/people")).is(200);
    marit.post(path(course, "/groups"), Map.of("name", "Tuesday")).is(404);
    new Client(app).post("/api/join", Map.of("words", words)).is(404);
    marit.put(path(course, "/away"), Map.of("away", false)).is(204);
    marit.post(path(course, "/groups"), Map.of("name", "Tuesday")).is(201);
    assertThat(
            marit
                .get(path(course, "/audit"))
                .is(200)
                .json()
                .valueStream()
                .map(l -> l.path("deed").asString()))
        .containsExactly("brought-class-back", "put-class-away", "renewed-join-code", "made-class");
  }

  @Test
  void ownAccount_isChangedByItsOwner() {
    SignedIn nils = school.person("nils" + salt(), "Nils Ravn");
    Client here = Client.signedIn(app, nils.signIn());
    Client there = Client.signedIn(app, nils.signIn());
    here.put(
            "/api/account",
            Map.of("name", "Nils Ravn-Berg", "address", "nils@quay.example", "zone", "Asia/Tokyo"))
        .is(200);
    assertThat(here.get("/api/me").json().path("name").asString()).isEqualTo("Nils Ravn-Berg");
    assertThat(
            here.put("/api/account", Map.of("name", "N", "address", "no address")).is(400).detail())
        .contains("no mail address");
    assertThat(here.put("/api/account", Map.of("name", "N", "zone", "Mars/Base")).is(400).detail())
        .contains("time zone");
    assertThat(
            here.put("/api/account/password", Map.of("old", "wrong", "password", "long enough"))
                .is(400)
                .detail())
        .contains("old password");
    here.put(
            "/api/account/password", Map.of("old", "harbour-props", "password", "another long one"))
        .is(204);
    here.get("/api/me").is(200);
    there.get("/api/me").is(401);
    Client again = Client.signedIn(app, nils.signIn(), "another long one");
    here.delete("/api/account/sessions").is(204);
    here.get("/api/me").is(200);
    again.get("/api/me").is(401);
  }

  /** All the work of a student can be taken along, and goes for good when it is erased. */
  @Test
  void everythingOfAStudent_isAZip_andIsErased() throws IOException {
    try (Database full = new Database();
        Application demo = Application.on(full, 0, "--fair-edge.demo-work=false")) {
      Client teacher = Client.signedIn(demo, "marit");
      Client rune = Client.signedIn(demo, "rune");
      JsonNode open = Bollard.open(rune, "Mooring bollard");
      String workpiece = "/api/workpieces/" + open.path("id").asString();
      rune.post(workpiece + "/steps", Bollard.step(0, Bollard.waistLoop(0.5))).is(200);
      String submission =
          rune.post(workpiece + "/submissions", Bollard.move(1))
              .is(201)
              .json()
              .path("id")
              .asString();
      Map<String, Object> draft = new HashMap<>();
      draft.put("revision", 0);
      draft.put("word", "Well done.");
      draft.put("verdict", "accepted");
      draft.put("notes", List.of());
      teacher.put("/api/submissions/" + submission + "/draft", draft).is(200);
      teacher.post("/api/submissions/" + submission + "/return", Map.of("revision", 1)).is(200);
      rune.post(
              "/api/practice",
              Map.of("form", "cleat", "profile", "All quads", "clientKey", UUID.randomUUID()))
          .is(201);
      String course = full.value("select id from course");
      String id = full.value("select id from account where sign_in = 'rune'");
      String person = "/api/classes/" + course + "/people/" + id;
      List<String> names = names(teacher.get(person + "/everything").is(200).bytes());
      assertThat(names)
          .contains("handed-in.csv", "meshes/" + submission + ".obj")
          .contains("answers/" + submission + "-1.pdf", "reports/" + submission + ".csv")
          .anyMatch(n -> n.startsWith("bench/") && n.endsWith("-steps.json"));
      assertThat(names(rune.get("/api/account/everything").is(200).bytes()))
          .contains("handed-in.csv");

      assertThat(teacher.post(person + "/erase", Map.of("name", "rune")).is(400).detail())
          .contains("Nothing was erased");
      teacher.post(person + "/erase", Map.of("name", "Rune Osterholm")).is(204);
      rune.get("/api/me").is(401);
      for (String table : List.of("workpiece", "step", "submission", "answer", "practice")) {
        assertThat(full.value("select count(*) from " + table)).as(table).isEqualTo("0");
      }
      assertThat(
              full.rows("select name, address, password_hash from account where id = '" + id + "'"))
          .containsExactly(java.util.Arrays.asList("Somebody who was erased", null, null));
      assertThat(teacher.get("/api/desk").is(200).json().path("rows")).isEmpty();

      // The meshes, too: a day later, and only those that nobody else has.
      Cleaning meshes = demo.bean("oldMeshes", Cleaning.class);
      assertThat(meshes.clean(Instant.now())).isZero();
      assertThat(meshes.clean(Instant.now().plus(Duration.ofDays(2)))).isPositive();
      assertThat(
              full.value(
                  "select count(*) from mesh_content where sha256 not in (select starter from"
                      + " exercise union select mesh from exercise_reference union select starter"
                      + " from demonstration union select mesh from demonstration_mesh)"))
          .isEqualTo("0");
      Bollard.open(Client.signedIn(demo, "ines"), "Mooring bollard");
    }
  }

  private static List<String> names(byte[] zip) throws IOException {
    List<String> names = new ArrayList<>();
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
        names.add(e.getName());
      }
    }
    return names;
  }

  @Test
  void studentWhoIsPutAway_readsTheirOwn_andNothingElse() {
    try (Database full = new Database();
        Application demo = Application.on(full)) {
      Client teacher = Client.signedIn(demo, "marit");
      Client rune = Client.signedIn(demo, "rune");
      JsonNode open = Bollard.open(rune, "Mooring bollard");
      String workpiece = "/api/workpieces/" + open.path("id").asString();
      String submission =
          rune.post(workpiece + "/submissions", Bollard.move(0))
              .is(201)
              .json()
              .path("id")
              .asString();
      String course = full.value("select id from course");
      String id = full.value("select id from account where sign_in = 'rune'");
      assertThat(teacher.get("/api/desk").json().path("rows")).hasSize(1);
      teacher
          .put("/api/classes/" + course + "/people/" + id + "/away", Map.of("away", true))
          .is(204);
      assertThat(teacher.get("/api/desk").json().path("rows")).isEmpty();
      rune.get("/api/submissions/" + submission + "/mesh").is(200);
      rune.get(workpiece).is(404);
      assertThat(rune.get("/api/my-work").is(200).json().path("items")).isEmpty();
      teacher
          .put("/api/classes/" + course + "/people/" + id + "/away", Map.of("away", false))
          .is(204);
      rune.get(workpiece).is(200);
    }
  }
}
