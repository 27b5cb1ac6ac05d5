package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import java.io.IOException;
import java.net.Socket;
import java.net.SocketException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Requests that no page of ours makes, written by hand: told what is wrong, and done with soon. */
class StrangeRequestsTest {
  private static final String PART =
      "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a.obj\"\r\n\r\nv 0 0";

  private static Database database;
  private static Application app;
  private static Client rune;
  private static Client marit;
  private static String assignment;

  @BeforeAll
  static void start() {
    database = new Database();
    app =
        Application.on(
            database,
            0,
            "--fair-edge.limits.slow-after=500ms",
            "--fair-edge.limits.slowest=100KB",
            "--fair-edge.limits.day-of-student=10KB",
            "--fair-edge.limits.day-of-class=15KB");
    rune = Client.signedIn(app, "rune");
    marit = Client.signedIn(app, "marit");
    assignment = Bollard.assignment(rune, "Mooring bollard");
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  private static Socket open() throws IOException {
    Socket socket = new Socket("127.0.0.1", app.port());
    socket.setSoTimeout(30_000);
    return socket;
  }

  private static void write(Socket socket, String text) throws IOException {
    socket.getOutputStream().write(text.getBytes(StandardCharsets.ISO_8859_1));
    socket.getOutputStream().flush();
  }

  /** All that comes back until the line is closed. */
  private static String rest(Socket socket) throws IOException {
    return new String(socket.getInputStream().readAllBytes(), StandardCharsets.ISO_8859_1);
  }

  private static String answerTo(String request) throws IOException {
    try (Socket socket = open()) {
      write(socket, request);
      socket.shutdownOutput();
      return rest(socket);
    }
  }

  private static int statusOf(String answer) {
    return Integer.parseInt(answer.split(" ", 3)[1]);
  }

  private static String get(String path, String accept) {
    return "GET %s HTTP/1.1\r\nHost: localhost\r\n%sAccept: %s\r\nConnection: close\r\n\r\n"
        .formatted(path, rune.head(), accept);
  }

  private static String post(Client who, String path, String type, int length) {
    return "POST %s HTTP/1.1\r\nHost: localhost\r\n%sContent-Type: %s\r\nContent-Length: %d\r\n\r\n"
        .formatted(path, who.head(), type, length);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "GET / HTTP/1.1\r\n\r\n",
        "GET /\0 HTTP/1.1\r\nHost: x\r\n\r\n",
        "GET /{a} HTTP/1.1\r\nHost: x\r\n\r\n",
        "GET /%2e%2e/ HTTP/1.1\r\nHost: x\r\n\r\n",
        "GET /% HTTP/1.1\r\nHost: x\r\n\r\n",
        "GET /x/../y HTTP/1.1\r\nHost: x\r\n\r\n",
        "GET /api/;x HTTP/1.1\r\nHost: x\r\n\r\n",
        "FOO / HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n",
        "TRACE / HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n",
        "POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Length: x\r\n\r\n"
      })
  void whatTheContainerRefuses_forbidsToo_whatAPageDoesNotNeed(String request) throws IOException {
    String answer = answerTo(request);
    assertThat(statusOf(answer)).isBetween(400, 405);
    assertThat(answer.toLowerCase())
        .contains("x-content-type-options: nosniff", "x-frame-options: deny", "frame-ancestors")
        .doesNotContain("whitelabel", "exception");
  }

  @Test
  void whateverSortOfReplyIsAskedFor_noneIsAMistakeOfOurs() throws IOException {
    for (String path : List.of("/error", "/api/me", "/api/nothing", "/x/../y", "/desk")) {
      for (String accept : List.of("*/*", "text/html", "image/png", "nonsense", "a/b;q=x", "")) {
        assertThat(statusOf(answerTo(get(path, accept))))
            .as(path + " as " + accept)
            .isLessThan(500);
      }
    }
    assertThat(statusOf(answerTo(get("/error", "*/*")))).isEqualTo(404);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "; boundary=x",
        "",
        "; boundary=",
        "; boundary=\"",
        "; boundary=" + LONG,
        "; charset=nope; boundary=x"
      })
  void partsThatCantBeToldApart_areTold(String boundary) throws IOException {
    for (String body : List.of("", PART, PART + "\r\n--x--\r\n", "--x\r\nContent-Disp\u00FF")) {
      for (String path :
          List.of("/api/practice/files", "/api/assignments/" + assignment + "/uploads")) {
        String request = post(rune, path, "multipart/form-data" + boundary, body.length()) + body;
        String answer = answerTo(request);
        assertThat(statusOf(answer)).as(answer).isBetween(400, 499);
      }
      String bundle = "/api/assignments/" + assignment + "/bundles";
      String request = post(marit, bundle, "multipart/form-data" + boundary, body.length()) + body;
      assertThat(statusOf(answerTo(request))).isBetween(400, 499);
    }
  }

  private static final String LONG =
      "0123456789012345678901234567890123456789012345678901234567890123456789012345678901234567890";

  @ParameterizedTest
  @ValueSource(
      strings = {
        "*/*",
        "x",
        "multipart/",
        "Multipart/Form-Data",
        "multipart/mixed; boundary=x",
        "application/json; charset=nope",
        "text/plain",
        "application/*"
      })
  void bodiesOfNoType_orOfAny_areTold(String type) throws IOException {
    for (String path : List.of("/api/practice", "/api/practice/files", "/api/session")) {
      String answer = answerTo(post(rune, path, type, 2) + "{}");
      assertThat(statusOf(answer)).as(answer).isBetween(400, 499);
    }
  }

  /** Each drop in time: no line is still open for that at the end. */
  @Test
  void bodiesThatComeDropByDrop_areEnded() throws Exception {
    String file = "multipart/form-data; boundary=x";
    List<String> requests =
        List.of(
            post(rune, "/api/practice", "application/json", 100_000),
            post(rune, "/api/practice/files", file, 100_000) + PART,
            post(new Client(app), "/api/session", "application/json", 100_000),
            post(new Client(app), "/api/practice/files", file, 100_000),
            post(new Client(app), "/api/nothing", "application/json", 100_000));
    for (String request : requests) {
      try (Socket socket = open()) {
        write(socket, request);
        assertThat(dropsUntilClosed(socket)).as(request).isLessThan(500);
      }
    }
  }

  private static int dropsUntilClosed(Socket socket) throws InterruptedException {
    int drops = 0;
    try {
      while (drops < 500) {
        write(socket, " ");
        drops++;
        Thread.sleep(20);
      }
    } catch (IOException closed) {
      assertThat(closed).isInstanceOf(SocketException.class);
    }
    return drops;
  }

  @Test
  void nobodySendsMoreThanAFewFilesAtOnce() throws IOException {
    String request =
        post(rune, "/api/practice/files", "multipart/form-data; boundary=x", 100_000) + PART;
    List<Socket> sending = new ArrayList<>();
    try {
      for (int i = 0; i < 9; i++) {
        Socket socket = open();
        sending.add(socket);
        write(socket, request);
      }
      // Which of them comes last to the gate nobody knows.
      boolean isOneRefused = false;
      for (int tries = 0; !isOneRefused && tries < 3000; tries++) {
        for (Socket socket : sending) {
          isOneRefused |= socket.getInputStream().available() > 0 && answered(socket) == 429;
        }
        Thread.sleep(10);
      }
      assertThat(isOneRefused).isTrue();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } finally {
      for (Socket socket : sending) {
        socket.close();
      }
    }
    Client.signedIn(app, "ines")
        .sendFile("/api/practice/files", Map.of("clientKey", 1), "x.obj", new byte[10])
        .is(400);
  }

  private static int answered(Socket socket) throws IOException {
    byte[] head = socket.getInputStream().readNBytes(12);
    return statusOf(new String(head, StandardCharsets.US_ASCII) + " ");
  }

  @Test
  void databaseThatIsAway_isTold_andFoundAgainByItself() throws Exception {
    try (Database lost = new Database();
        Application without =
            Application.on(lost, 0, "--spring.datasource.hikari.connection-timeout=1000")) {
      Client ines = Client.signedIn(without, "ines");
      Client nobody = new Client(without);
      try (AutoCloseable away = lost.away()) {
        assertThat(ines.get("/api/my-work").is(503).detail()).contains("can't reach its database");
        nobody.post("/api/session", Map.of("signIn", "ines", "password", "x")).is(503);
        ines.get("/api/nothing").is(503);
      }
      // Those who look for it look less and less often while it is away.
      for (int i = 0; ines.get("/api/my-work").status() == 503; i++) {
        assertThat(i).isLessThan(60);
      }
      ines.get("/api/my-work").is(200);
    }
  }

  @Test
  void whatAStudent_andAClass_mayHandInWithinADay_isCounted() {
    byte[] file = ("v 0 0 0\n".repeat(875) + "f 1 2 3\n").getBytes(StandardCharsets.US_ASCII);
    rune.upload(assignment, "x.obj", file, UUID.randomUUID()).is(202);
    assertThat(rune.upload(assignment, "x.obj", file, UUID.randomUUID()).is(429).detail())
        .contains("You have handed in");
    Client tobias = Client.signedIn(app, "tobias");
    tobias.upload(assignment, "x.obj", file, UUID.randomUUID()).is(202);
    assertThat(
            Client.signedIn(app, "ines")
                .upload(assignment, "x.obj", file, UUID.randomUUID())
                .is(429)
                .detail())
        .contains("Your class has handed in");
    assertThat(database.value("select count(*) from upload")).isEqualTo("2");
  }
}
