package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.platform.Job;
import fairedge.server.platform.Round;
import fairedge.server.platform.SignedIn;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import fairedge.server.running.MailServer;
import fairedge.server.running.School;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Mail: each of it once, or not at all. */
class MailApiTest {
  private static final Pattern CODE = Pattern.compile("[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}");

  private static final String LAST =
      "select %s from letter where kind = 'slip' order by made_at desc limit 1";

  private static Database database;
  private static MailServer server;
  private static Application app;
  private static Client marit;
  private static String course;

  @BeforeAll
  static void start() {
    database = new Database();
    server = new MailServer();
    app =
        Application.on(
            database,
            0,
            "--fair-edge.public-address=https://edge.quay.example",
            "--fair-edge.mail-from=fair-edge@quay.example",
            "--spring.mail.host=127.0.0.1",
            "--spring.mail.port=" + server.port());
    SignedIn instructor = new School(app).person("runa", "Runa Delahaye");
    course = new School(app).classOf("Breakwater", instructor).toString();
    marit = Client.signedIn(app, "runa");
  }

  @AfterAll
  static void stop() {
    app.close();
    server.close();
    database.close();
  }

  @BeforeEach
  void quiet() {
    server.takeAll();
    server.taken().clear();
    // What the round of every minute would tell in between is none of these tests' business.
    database.run("delete from mail_news");
    database.run("update account set address = null");
    database.run("update letter set state = 'taken', ended_at = now()");
  }

  private static String student(String name, String address) {
    marit
        .post(
            "/api/classes/" + course + "/people",
            Map.of("name", name, "address", address, "role", "student"))
        .is(201);
    return database.value("select id from account where name = '%s'".formatted(name));
  }

  private static List<String> slips() {
    return server.taken().stream().filter(m -> m.contains("Subject: Sign-in slip")).toList();
  }

  private static void send(String... people) {
    marit.post("/api/classes/" + course + "/slips/mail", Map.of("people", List.of(people))).is(202);
  }

  private static String state() {
    return database.value(LAST.formatted("state"));
  }

  private static void await(String state) {
    database.await(LAST.formatted("state"), state);
  }

  private static String lastId() {
    return database.value(LAST.formatted("id"));
  }

  private static void tryAgain() {
    app.bean("letterJob", Job.class).run(lastId());
  }

  private static JsonNode troubled() {
    return marit.get("/api/classes/" + course + "/mail").is(200).json().path("troubled");
  }

  @Test
  void slip_goesToTheRostersAddress_andLetsIn() {
    String id = student("Ada Lunde", "ada@quay.example");
    database.run(
        "update account set address = 'elsewhere@quay.example' where id = '%s'".formatted(id));
    send(id);
    await("taken");
    assertThat(slips()).hasSize(1);
    String mail = slips().getFirst();
    assertThat(mail)
        .contains("To: ada@quay.example", "Breakwater", "https://edge.quay.example/slip")
        .doesNotContain("Ada Lunde", "elsewhere");
    Matcher code = CODE.matcher(mail);
    assertThat(code.find()).isTrue();
    new Client(app)
        .post("/api/slip/password", Map.of("code", code.group(), "password", "a quiet harbour"))
        .is(200);
    assertThat(troubled()).isEmpty();
  }

  @Test
  void slipsOfWhomTheRosterHasNoAddress_areNotSent_andNobodyIsLockedOut() {
    String with = student("Bo Vik", "bo@quay.example");
    marit
        .post(
            "/api/classes/" + course + "/people",
            Map.of("name", "Ivo Castellan", "role", "student"))
        .is(201);
    String without = database.value("select id from account where name = 'Ivo Castellan'");
    assertThat(
            marit
                .post(
                    "/api/classes/" + course + "/slips/mail",
                    Map.of("people", List.of(with, without)))
                .is(400)
                .detail())
        .contains("no address of Ivo Castellan");
    assertThat(
            database.value(
                "select count(*) from ticket where used_at is null and until > now()"
                    + " and account_id in ('%s', '%s')".formatted(with, without)))
        .isEqualTo("2");
    assertThat(slips()).isEmpty();
  }

  @Test
  void whatSurelyWasNotTaken_isTriedAgain() {
    String id = student("Juno Ashgrove", "juno@quay.example");
    server.answer("RCPT", "451 later");
    send(id);
    await("waiting");
    database.await("select tries > 0 from letter where id = '%s'".formatted(lastId()), "t");
    assertThat(troubled().path(0).path("state").asString()).isEqualTo("waiting");
    assertThat(troubled().path(0).path("name").asString()).isEqualTo("Juno Ashgrove");
    server.takeAll();
    tryAgain();
    assertThat(state()).isEqualTo("taken");
    tryAgain();
    assertThat(slips()).as("never twice").hasSize(1);
  }

  @Test
  void whatIsRefusedForGood_isNotTriedAgain_andTold() {
    String id = student("Cato Ferrey", "cato@quay.example");
    server.answer("RCPT", "550 nobody of that name");
    send(id);
    await("refused");
    server.takeAll();
    tryAgain();
    assertThat(slips()).isEmpty();
    assertThat(troubled().path(0).path("state").asString()).isEqualTo("refused");
  }

  @Test
  void whatMayHaveBeenTaken_isNeverSentAgain_andTold() {
    String id = student("Odile Marran", "odile@quay.example");
    server.answer(".", MailServer.SILENCE);
    send(id);
    await("unknown");
    server.takeAll();
    tryAgain();
    assertThat(slips()).hasSize(1);
    assertThat(troubled().path(0).path("state").asString()).isEqualTo("unknown");
  }

  @Test
  void mailThatANodeDiedWith_isNotSentAgain() {
    String id = student("Pelle Ockerby", "pelle@quay.example");
    database.run(
        ("insert into letter (id, account_id, kind, course_id, made_at, state, tries) values"
                + " (gen_random_uuid(), '%s', 'slip', '%s', now(), 'going', 1)")
            .formatted(id, course));
    tryAgain();
    assertThat(state()).isEqualTo("unknown");
    assertThat(slips()).isEmpty();
  }

  @Test
  void newsAreOneLetterAnHour_withoutNamesOrNotes_andSwitchedOff() {
    database.run("update account set address = sign_in || '@quay.example'");
    Client rune = Client.signedIn(app, "rune");
    Client ines = Client.signedIn(app, "ines");
    ines.put("/api/account/mail", Map.of("about", List.of("answer"))).is(204);
    assertThat(ines.get("/api/account/mail").json().path("about")).hasSize(1);
    database.run(
        "update assignment set due_at = date_trunc('day', now() at time zone 'Europe/Oslo' +"
            + " interval '1 day') at time zone 'Europe/Oslo' + interval '18 hours' where place ="
            + " 1");
    database.run("delete from mail_news");
    remind();
    boolean isAfternoon =
        "t"
            .equals(
                database.value("select extract(hour from now() at time zone 'Europe/Oslo') >= 12"));
    assertThat(database.value("select count(*) from mail_news where about = 'due'"))
        .as("five of six: one wants none")
        .isEqualTo(isAfternoon ? "5" : "0");
    database.run(
        "insert into mail_news (account_id, about, thing, made_at) select a.id, 'opened', s.id,"
            + " now() from account a, assignment s where a.sign_in = 'rune' and s.place < 3");
    database.run("update mail_news set made_at = made_at - interval '1 hour'");
    remind();
    database.await(
        "select l.state from letter l join account a on a.id = l.account_id where a.sign_in ="
            + " 'rune'",
        "taken");
    String mail =
        server.taken().stream().filter(m -> m.contains("To: rune@")).findFirst().orElseThrow();
    assertThat(mail)
        .contains("Hatch lid", "Mooring bollard", "https://edge.quay.example/my-work")
        .doesNotContain("Rune", "Osterholm");
    assertThat(rune.get("/api/account/mail").json().path("isSent").asBoolean()).isTrue();
    database.run(
        "insert into mail_news (account_id, about, thing, made_at) select a.id, 'opened', s.id,"
            + " now() - interval '20 minutes' from account a, assignment s where a.sign_in ="
            + " 'rune' and s.place = 3");
    remind();
    assertThat(database.value("select count(*) from mail_news where letter_id is null"))
        .as("the next letter is an hour after")
        .isEqualTo("1");
  }

  private static void remind() {
    app.bean("tidings", Round.class).go();
  }
}
