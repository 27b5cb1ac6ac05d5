package fairedge.server.running;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Someone who speaks HTTP with the application, cookies and all. */
public final class Client {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();
  private final String address;

  public Client(Application application) {
    this.address = application.address();
    get("/api/session");
  }

  /** Someone of the demo class. */
  public static Client signedIn(Application application, String signIn) {
    return signedIn(application, signIn, "harbour-props");
  }

  public static Client signedIn(Application application, String signIn, String password) {
    Client client = new Client(application);
    client.post("/api/session", Map.of("signIn", signIn, "password", password)).is(200);
    return client;
  }

  /** What came back. */
  public record Reply(int status, String type, byte[] bytes) {
    public Reply is(int expected) {
      assertThat(status).as(new String(bytes, StandardCharsets.UTF_8)).isEqualTo(expected);
      return this;
    }

    public JsonNode json() {
      return JSON.readTree(bytes);
    }

    public String text() {
      return new String(bytes, StandardCharsets.UTF_8);
    }

    /** The state in the reply to a step. */
    public JsonNode state() {
      int length = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).getInt();
      return JSON.readTree(Arrays.copyOfRange(bytes, 4, 4 + length));
    }

    public String detail() {
      return json().path("detail").asString();
    }
  }

  public Reply get(String path) {
    return send("GET", path, BodyPublishers.noBody(), "application/json", true);
  }

  public Reply post(String path, Object body) {
    return send("POST", path, json(body), "application/json", true);
  }

  public Reply put(String path, Object body) {
    return send("PUT", path, json(body), "application/json", true);
  }

  public Reply delete(String path) {
    return send("DELETE", path, BodyPublishers.noBody(), "application/json", true);
  }

  /** Any request, its body as it is. */
  public Reply raw(String method, String path, String body, boolean withToken) {
    return send(method, path, BodyPublishers.ofString(body), "application/json", withToken);
  }

  /** Hands in a file and waits until it is through; the upload as it ended. */
  public JsonNode handIn(String assignment, String name, byte[] file, UUID key) {
    JsonNode upload = upload(assignment, name, file, key).is(202).json();
    return awaitOver(upload.path("id").asString());
  }

  /** Waits until an upload is through; the upload as it ended. */
  public JsonNode awaitOver(String id) {
    JsonNode upload = get("/api/uploads/" + id).is(200).json();
    long patience = System.nanoTime() + 60_000_000_000L;
    while (!List.of("done", "failed", "cancelled").contains(upload.path("stage").asString())) {
      assertThat(System.nanoTime()).as("upload stays at " + upload).isLessThan(patience);
      pause();
      upload = get("/api/uploads/" + id).is(200).json();
    }
    return upload;
  }

  private static void pause() {
    try {
      Thread.sleep(50);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** Sends a file that is to be handed in as it is. */
  public Reply upload(String assignment, String name, byte[] file, UUID key) {
    return sendFile(
        "/api/assignments/" + assignment + "/uploads",
        Map.of("clientKey", key, "unit", "mm", "up", "z"),
        name,
        file);
  }

  /** Sends a file with some fields before it. */
  public Reply sendFile(String path, Map<String, ?> fields, String name, byte[] file) {
    return sendFiles(path, fields, List.of(Map.entry(name, file)));
  }

  /** Sends files, each with its path, and some fields before them. */
  public Reply sendFiles(
      String path, Map<String, ?> fields, List<Map.Entry<String, byte[]>> files) {
    String border = "border" + UUID.randomUUID();
    StringBuilder head = new StringBuilder();
    fields.forEach((field, value) ->
        head.append(
            "--%s\r\nContent-Disposition: form-data; name=\"%s\"\r\n\r\n%s\r\n"
                .formatted(border, field, value)));
    ByteArrayOutputStream body = new ByteArrayOutputStream();
    body.writeBytes(head.toString().getBytes(StandardCharsets.UTF_8));
    for (Map.Entry<String, byte[]> file : files) {
      body.writeBytes(
          ("--%s\r\nContent-Disposition: form-data; name=\"file\"; filename=\"%s\"\r\n"
                  + "Content-Type: application/octet-stream\r\n\r\n")
              .formatted(border, file.getKey())
              .getBytes(StandardCharsets.UTF_8));
      body.writeBytes(file.getValue());
      body.writeBytes("\r\n".getBytes(StandardCharsets.UTF_8));
    }
    body.writeBytes(("--" + border + "--\r\n").getBytes(StandardCharsets.UTF_8));
    return send(
        "POST",
        path,
        BodyPublishers.ofByteArray(body.toByteArray()),
        "multipart/form-data; boundary=" + border,
        true);
  }

  /** The headers of a reply, by their names in lower case. */
  public Map<String, List<String>> headers(String path) {
    return headers(HttpRequest.newBuilder(URI.create(address + path)));
  }

  /**
   * Opens a line of events and keeps what comes on it.
   *
   * @param last the last number that is known; null for none
   */
  public Line line(String path, @Nullable String last) {
    HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path));
    if (last != null) {
      request.header("Last-Event-ID", last);
    }
    try {
      return new Line(http.send(request.build(), BodyHandlers.ofInputStream()));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** An event as it came. */
  public record Told(String id, String kind, String content) {
    public JsonNode json() {
      return JSON.readTree(content);
    }
  }

  /** An open line of events. */
  public static final class Line implements AutoCloseable {
    private final HttpResponse<InputStream> response;
    private final BlockingQueue<Told> told = new LinkedBlockingQueue<>();

    private Line(HttpResponse<InputStream> response) {
      this.response = response;
      if (response.statusCode() == 200) {
        Thread.ofVirtual().start(this::read);
      }
    }

    public Reply reply() {
      String type = response.headers().firstValue("Content-Type").orElse("");
      try {
        byte[] body = response.statusCode() == 200 ? new byte[0] : response.body().readAllBytes();
        return new Reply(response.statusCode(), type, body);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }

    private void read() {
      Map<String, String> fields = new HashMap<>();
      try (BufferedReader lines =
          new BufferedReader(new InputStreamReader(response.body(), StandardCharsets.UTF_8))) {
        for (String line = lines.readLine(); line != null; line = lines.readLine()) {
          int colon = line.indexOf(':');
          if (line.isEmpty() && fields.containsKey("data")) {
            told.add(
                new Told(
                    fields.getOrDefault("id", ""),
                    fields.getOrDefault("event", ""),
                    fields.getOrDefault("data", "")));
            fields.clear();
          } else if (colon > 0) {
            fields.put(line.substring(0, colon), line.substring(colon + 1).strip());
          }
        }
      } catch (IOException gone) {
        // As when a browser goes away: what came is kept.
        assertThat(gone).isNotNull();
      }
    }

    /** The next event of a kind; those before it are gone by. */
    public Told next(String kind) {
      try {
        while (true) {
          Told next = told.poll(20, TimeUnit.SECONDS);
          assertThat(next).as("an event of kind %s within 20 s", kind).isNotNull();
          if (next.kind().equals(kind)) {
            return next;
          }
        }
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new IllegalStateException(e);
      }
    }

    @Override
    public void close() {
      try {
        response.body().close();
      } catch (IOException gone) {
        throw new UncheckedIOException(gone);
      }
    }
  }

  /** The cookies with which somebody of the demo class is signed in. */
  public List<String> signIn(String signIn, String... own) {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(address + "/api/session"))
            .POST(json(Map.of("signIn", signIn, "password", "harbour-props")))
            .header("Content-Type", "application/json")
            .header("X-XSRF-TOKEN", token());
    return headers(request.headers(own)).getOrDefault("set-cookie", List.of());
  }

  private Map<String, List<String>> headers(HttpRequest.Builder request) {
    try {
      return http.send(request.build(), BodyHandlers.discarding()).headers().map();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  private static BodyPublisher json(Object body) {
    return BodyPublishers.ofByteArray(JSON.writeValueAsBytes(body));
  }

  private Reply send(
      String method, String path, BodyPublisher body, String type, boolean withToken) {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(address + path))
            .method(method, body)
            .header("Content-Type", type);
    if (withToken) {
      request.header("X-XSRF-TOKEN", token());
    }
    try {
      HttpResponse<byte[]> response = http.send(request.build(), BodyHandlers.ofByteArray());
      String replied = response.headers().firstValue("Content-Type").orElse("");
      return new Reply(response.statusCode(), replied, response.body());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** What a request of this client has to say of who makes it, for one that is written by hand. */
  public String head() {
    String all =
        cookies.getCookieStore().getCookies().stream()
            .map(c -> c.getName() + "=" + c.getValue())
            .collect(Collectors.joining("; "));
    return "Cookie: " + all + "\r\nX-XSRF-TOKEN: " + token() + "\r\n";
  }

  private String token() {
    return cookies.getCookieStore().getCookies().stream()
        .filter(c -> c.getName().equals("XSRF-TOKEN"))
        .map(HttpCookie::getValue)
        .findFirst()
        .orElse("");
  }
}
