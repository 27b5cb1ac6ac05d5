package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Parts brought in, placed and met, over HTTP. */
class MeetApiTest {
  private static final Map<String, Object> ABOVE =
      Map.of("kind", "parallel", "direction", Map.of("x", 0, "y", 0, "z", -1));
  private static final String WEDGE =
      """
      v 0 0 0
      v 4 0 0
      v 0 4 0
      v 0 0 4
      f 1 3 2
      f 1 2 4
      f 2 3 4
      f 3 1 4
      """;

  private static Database database;
  private static Application app;

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database);
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  private static JsonNode bench(Client client, String form) {
    Map<String, Object> piece =
        Map.of("form", form, "profile", "All quads", "clientKey", UUID.randomUUID());
    String practice = client.post("/api/practice", piece).is(201).json().path("id").asString();
    return client.put("/api/practice/" + practice + "/workpiece", Map.of()).is(200).json();
  }

  private static String path(JsonNode open) {
    return "/api/workpieces/" + open.path("id").asString();
  }

  private static Map<String, Object> asked(long revision, String key, Object from) {
    return Map.of("revision", revision, "clientKey", UUID.randomUUID(), "view", ABOVE, key, from);
  }

  private static int parts(Client client, JsonNode open) {
    return client.get(path(open) + "/parts").is(200).json().path("parts").size();
  }

  private static JsonNode state(Client client, JsonNode open) {
    return client.get(path(open)).is(200).json();
  }

  @Test
  void aFormOffTheShelf_comesIn_isPlaced_andTakenAway() {
    Client amara = Client.signedIn(app, "amara");
    JsonNode open = bench(amara, "hatch-lid");
    amara.post(path(open) + "/parts", asked(0, "form", "porthole-ring")).is(200);
    JsonNode state = state(amara, open);
    assertThat(state.path("steps").get(0).path("tool").asString()).isEqualTo("Bring in");
    assertThat(state.path("steps").get(0).path("brief").asString()).isEqualTo("Porthole ring");
    assertThat(parts(amara, open)).isEqualTo(2);
    Map<String, Object> placed = new HashMap<>();
    placed.put("by", Map.of("x", 5, "y", 0, "z", 0));
    placed.put("along", 0);
    placed.put("axis", Map.of("x", 0, "y", 0, "z", 1));
    placed.put("degrees", 15);
    placed.put("scale", Map.of("x", 0.5, "y", 0.5, "z", 0.5));
    Map<String, Object> meet = new HashMap<>();
    meet.put("tool", "meet");
    meet.put("first", List.of());
    meet.put("second", List.of(state.path("chosen").get(0).asInt()));
    meet.put("placed", placed);
    meet.put("way", "join");
    meet.put("play", 0);
    meet.put("material", Map.of("whose", "named", "name", "brass"));
    Map<String, Object> tried = new HashMap<>(Bollard.step(1, meet));
    tried.remove("clientKey");
    tried.put("findings", false);
    JsonNode preview = amara.post(path(open) + "/previews", tried).is(200).json();
    assertThat(preview.path("refusal").isNull()).as("%s", preview.path("refusal")).isTrue();
    amara.post(path(open) + "/steps", Bollard.step(1, meet)).is(200);
    assertThat(parts(amara, open)).isEqualTo(1);
    amara.post(path(open) + "/undo", Bollard.move(2)).is(200);
    assertThat(parts(amara, open)).isEqualTo(2);
  }

  @Test
  void aFile_comesIn_inTheUnitOfTheWorkpiece() {
    Client amara = Client.signedIn(app, "amara");
    JsonNode open = bench(amara, "rope-locker");
    send(amara, open, WEDGE).is(200);
    assertThat(parts(amara, open)).isEqualTo(2);
    Reply bad = send(amara, open, "v 1 2\nf 1 2 3\n");
    assertThat(bad.status()).isGreaterThanOrEqualTo(400).isLessThan(500);
    assertThat(state(amara, open).path("revision").asLong()).isEqualTo(1);
  }

  private static Reply send(Client client, JsonNode open, String file) {
    long revision = state(client, open).path("revision").asLong();
    Map<String, Object> fields =
        Map.of("unit", "cm", "revision", revision, "clientKey", UUID.randomUUID());
    byte[] bytes = file.getBytes(StandardCharsets.UTF_8);
    return client.sendFile(path(open) + "/parts/file", fields, "wedge.obj", bytes);
  }

  @Test
  void aWorkpieceOfOnesOwn_comesIn_anothersDoesNot() {
    Client amara = Client.signedIn(app, "amara");
    Client rune = Client.signedIn(app, "rune");
    JsonNode own = bench(amara, "cleat");
    JsonNode other = bench(rune, "cleat");
    JsonNode open = bench(amara, "hatch-lid");
    String theirs = other.path("id").asString();
    assertThat(amara.post(path(open) + "/parts", asked(0, "workpiece", theirs)).status())
        .isEqualTo(404);
    amara.post(path(open) + "/parts", asked(0, "workpiece", own.path("id").asString())).is(200);
    assertThat(parts(amara, open)).isGreaterThan(1);
    assertThat(amara.post(path(open) + "/parts", asked(1, "form", "no-such")).status())
        .isEqualTo(404);
    Map<String, Object> none = Map.of("revision", 1, "clientKey", UUID.randomUUID(), "view", ABOVE);
    assertThat(amara.post(path(open) + "/parts", none).status()).isEqualTo(400);
  }
}
