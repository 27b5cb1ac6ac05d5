package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.account.Accounts;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import fairedge.server.running.Running;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpHeaders;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

@ExtendWith(Running.class)
class SessionApiTest {
  @Test
  void rightPassword_opensASession_thatTheDatabaseKeeps(Application app, Database database) {
    Client rune = Client.signedIn(app, "rune");
    assertThat(rune.get("/api/me").is(200).json().path("name").asString())
        .isEqualTo("Rune Osterholm");
    assertThat(rune.get("/api/session").json().path("name").asString()).isEqualTo("Rune Osterholm");
    assertThat(database.value("select count(*) from spring_session")).isNotEqualTo("0");
    rune.delete("/api/session").is(204);
    rune.get("/api/me").is(401);
  }

  @Test
  void wrongPassword_orSignIn_isToldAlike(Application app) {
    Client nobody = new Client(app);
    Reply wrong = nobody.post("/api/session", Map.of("signIn", "rune", "password", "rope")).is(403);
    Reply unknown =
        nobody.post("/api/session", Map.of("signIn", "no one", "password", "rope")).is(403);
    assertThat(wrong.detail()).isEqualTo(unknown.detail()).contains("don't belong together");
    assertThat(wrong.type()).isEqualTo("application/problem+json");
    nobody.get("/api/me").is(401);
  }

  @Test
  void guessing_isSlowedDown_butKeepsNobodyOut_whoSignedInHereBefore(Application app) {
    Client own = Client.signedIn(app, "tobias");
    Client guesser = new Client(app);
    Map<String, Object> guess = Map.of("signIn", "tobias", "password", "rope");
    for (int i = 0; i < 8; i++) {
      guesser.post("/api/session", guess).is(403);
    }
    Reply slowed = guesser.post("/api/session", guess).is(429);
    assertThat(slowed.detail()).contains("Try again in");
    Map<String, Object> right = Map.of("signIn", "Tobias ", "password", "harbour-props");
    guesser.post("/api/session", right).is(429);
    // From the same address: a device that he has signed in from before.
    own.delete("/api/session").is(204);
    own.post("/api/session", guess).is(403);
    own.post("/api/session", right).is(200);
    Client.signedIn(app, "ines").get("/api/me").is(200);
  }

  @Test
  void manyGuessesAtOnce_countAsMany(Application app) {
    Client guesser = new Client(app);
    Map<String, Object> guess = Map.of("signIn", "amara", "password", "rope");
    long began = System.nanoTime();
    List<Integer> statuses =
        IntStream.range(0, 60)
            .parallel()
            .mapToObj(i -> guesser.post("/api/session", guess).status())
            .toList();
    // Where that takes long, one more is let in after a second, two more, four more.
    double seconds = (System.nanoTime() - began) / 1e9;
    int later = (int) Math.floor(Math.log(seconds + 1) / Math.log(2));
    assertThat(statuses.stream().filter(s -> s == 403).count()).isBetween(8L, 8L + later);
    assertThat(statuses).containsOnly(403, 429);
  }

  @Test
  void otherPassword_endsAllSessions(Application app, Database database) {
    Client solveig = Client.signedIn(app, "solveig");
    Client elsewhere = Client.signedIn(app, "solveig");
    UUID id = UUID.fromString(database.value("select id from account where sign_in = 'solveig'"));
    app.bean(Accounts.class).setPassword(id, "harbour-props");
    solveig.get("/api/me").is(401);
    elsewhere.get("/api/me").is(401);
    Client.signedIn(app, "solveig").get("/api/me").is(200);
  }

  @Test
  void sessionThatBeganLongAgo_ends_howeverOftenItIsUsed(Application app, Database database) {
    Client bastian = Client.signedIn(app, "bastian");
    database.run(
        "update spring_session set creation_time = creation_time - 8 * 86400000::bigint where"
            + " principal_name = (select id::text from account where sign_in = 'bastian')");
    bastian.get("/api/me").is(401);
  }

  /** A body of a stranger: refused before it is read, and so before it is written anywhere. */
  @Test
  void filesOfStrangers_areRefusedUnread(Application app) throws Exception {
    try (Socket socket = new Socket("127.0.0.1", app.port())) {
      socket.setSoTimeout(20_000);
      String head =
          "POST /api/practice/files HTTP/1.1\r\nHost: localhost\r\nContent-Length: 150000000\r\n"
              + "Content-Type: multipart/form-data; boundary=b\r\n\r\n--b\r\n";
      socket.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
      byte[] reply = new byte[12];
      assertThat(socket.getInputStream().readNBytes(reply, 0, 12)).isEqualTo(12);
      assertThat(new String(reply, StandardCharsets.US_ASCII)).isEqualTo("HTTP/1.1 401");
    }
    Client rune = Client.signedIn(app, "rune");
    String path = "/api/exercises/" + UUID.randomUUID() + "/uploads";
    rune.sendFile(path, Map.of("clientKey", UUID.randomUUID()), "x.obj", new byte[10]).is(404);
  }

  @Test
  void whoLeftAClass_hasLostItsWorkpieces(Application app, Database database) {
    Client ines = Client.signedIn(app, "ines");
    String path = "/api/workpieces/" + Bollard.open(ines, "Mooring bollard").path("id").asString();
    ines.get(path).is(200);
    String whose = "account_id = (select id from account where sign_in = 'ines')";
    String kept = database.value("select course_id from membership where " + whose);
    database.run("delete from membership where " + whose);
    ines.get(path).is(404);
    ines.post(path + "/undo", Bollard.move(0)).is(404);
    database.run(
        "insert into membership (course_id, account_id, role) select '%s', id, 'student' from"
                .formatted(kept)
            + " account where sign_in = 'ines'");
    ines.get(path).is(200);
  }

  @Test
  void replies_forbidWhatAPageDoesNotNeed(Application app) {
    Map<String, List<String>> headers = new Client(app).headers("/sign-in");
    assertThat(headers.get("content-security-policy").getFirst())
        .contains("default-src 'self'", "object-src 'none'", "frame-ancestors 'none'");
    assertThat(headers.get("x-content-type-options")).containsExactly("nosniff");
    assertThat(headers.get("x-frame-options")).containsExactly("DENY");
    assertThat(headers.get("referrer-policy")).containsExactly("same-origin");
  }

  @Test
  void cookies_areForThisSiteAlone_andBehindTlsForThisHostAlone(Database database)
      throws Exception {
    try (Application behind = Application.on(database, 0, "--spring.profiles.active=public");
        HttpClient http = HttpClient.newHttpClient()) {
      URI session = URI.create(behind.address() + "/api/session");
      HttpRequest plain = HttpRequest.newBuilder(session).build();
      assertThat(http.send(plain, BodyHandlers.discarding()).headers().allValues("set-cookie"))
          .anySatisfy(c -> assertThat(c).contains("XSRF-TOKEN", "SameSite=Lax"));
      HttpRequest secured =
          HttpRequest.newBuilder(session).header("X-Forwarded-Proto", "https").build();
      HttpHeaders headers = http.send(secured, BodyHandlers.discarding()).headers();
      assertThat(headers.firstValue("strict-transport-security")).isPresent();
      assertThat(headers.allValues("set-cookie"))
          .anySatisfy(c -> assertThat(c).contains("XSRF-TOKEN", "Secure"));
      assertThat(new Client(behind).signIn("rune", "X-Forwarded-Proto", "https"))
          .anySatisfy(c -> assertThat(c).startsWith("__Host-SESSION=").contains("Secure"));
    }
  }

  @Test
  void signInIsNotCaseSensitive_passwordsAreNotStored(Application app, Database database) {
    new Client(app)
        .post("/api/session", Map.of("signIn", " RUNE ", "password", "harbour-props"))
        .is(200);
    assertThat(database.rows("select password_hash from account"))
        .allSatisfy(row -> assertThat(row.getFirst()).startsWith("$argon2id$"));
  }

  @Test
  void requestWithoutTheToken_isNotAllowed(Application app) {
    Client rune = Client.signedIn(app, "rune");
    Reply reply = rune.raw("DELETE", "/api/session", "", false).is(403);
    assertThat(reply.type()).startsWith("application/problem+json");
    rune.get("/api/me").is(200);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "{",
        "[]",
        "null",
        "{\"signIn\":\"rune\"}",
        "{\"signIn\":\"\",\"password\":\"x\"}",
        "{\"signIn\":{\"a\":1},\"password\":\"x\"}",
        "{\"signIn\":\"ru\\u0000ne\",\"password\":\"x\"}",
        "{\"signIn\":\"rune\",\"password\":\"x\",\"role\":\"instructor\"}"
      })
  void senselessBodies_areBadInput(String body, Application app) {
    Reply reply = new Client(app).raw("POST", "/api/session", body, true).is(400);
    assertThat(reply.detail()).contains("could not be understood");
    assertThat(new String(reply.bytes())).doesNotContain("fairedge.", "Exception");
  }

  @Test
  void placesOfTheFrontEnd_haveAddresses(Application app) {
    Client nobody = new Client(app);
    for (String place : new String[] {"/", "/sign-in", "/my-work", "/desk", "/bench/x"}) {
      Reply reply = nobody.get(place).is(200);
      assertThat(new String(reply.bytes())).contains("<title>Fair Edge</title>");
    }
    nobody.get("/nowhere").is(404);
    nobody.get("/api/nowhere").is(401);
    Client.signedIn(app, "rune").get("/api/nowhere").is(404);
  }

  @Test
  void healthAndMetrics_areToldOnLoopbackOnly(Application app) throws Exception {
    Client nobody = new Client(app);
    nobody.get("/actuator/health").is(404);
    nobody.get("/actuator/metrics").is(404);
    String health = "http://127.0.0.1:" + app.managementPort() + "/actuator/health";
    try (HttpClient http = HttpClient.newHttpClient()) {
      HttpRequest ask = HttpRequest.newBuilder(URI.create(health)).build();
      assertThat(http.send(ask, BodyHandlers.ofString()).body()).contains("\"status\":\"UP\"");
      HttpRequest metrics =
          HttpRequest.newBuilder(URI.create(health.replace("health", "metrics"))).build();
      assertThat(http.send(metrics, BodyHandlers.ofString()).body()).contains("jvm.memory.used");
    }
  }

  @Test
  void replies_carryAnId_andAPageItsOwnStyleToken(Application app) {
    Client nobody = new Client(app);
    List<String> first = nobody.headers("/api/session").get("x-request-id");
    assertThat(first).hasSize(1).isNotEqualTo(nobody.headers("/api/session").get("x-request-id"));
    assertThat(nobody.headers("/api/session").get("content-security-policy").getFirst())
        .contains("style-src 'self';")
        .doesNotContain("unsafe");
    assertThat(nobody.headers("/desk").get("content-security-policy").getFirst())
        .containsPattern("style-src 'self' 'nonce-[\\w-]{24}';");
    assertThat(new String(nobody.get("/desk").bytes())).doesNotContain("__STYLE_TOKEN__");
  }
}
