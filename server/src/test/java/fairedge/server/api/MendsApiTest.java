package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What would mend a finding, over HTTP. */
class MendsApiTest {
  private static final Map<String, Object> ABOVE =
      Map.of("kind", "parallel", "direction", Map.of("x", 0, "y", 0, "z", -1));

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

  private static JsonNode practice(Client client, String form) {
    Map<String, Object> piece =
        Map.of("form", form, "profile", "All quads", "clientKey", UUID.randomUUID());
    String id = client.post("/api/practice", piece).is(201).json().path("id").asString();
    return client.put("/api/practice/" + id + "/workpiece", Map.of()).is(200).json();
  }

  private static String path(JsonNode open) {
    return "/api/workpieces/" + open.path("id").asString();
  }

  private static Map<String, Object> step(long revision, JsonNode change) {
    return Map.of(
        "revision", revision, "clientKey", UUID.randomUUID(), "view", ABOVE, "change", change);
  }

  @Test
  void aMend_isOffered_made_andTakenBack() {
    Client amara = Client.signedIn(app, "amara");
    JsonNode open = practice(amara, "hatch-lid");
    String ngon = open.path("check").path("findings").get(0).path("key").asString();
    JsonNode offer =
        amara.post(path(open) + "/mends", Map.of("revision", 0, "finding", ngon)).is(200).json();
    assertThat(offer.path("reason").asString()).isEmpty();
    JsonNode first = offer.path("mends").get(0);
    assertThat(first.path("does").asString()).isEqualTo("Fill it with 4 by 4 quads.");
    assertThat(first.path("cost").path("faces").asInt()).isEqualTo(15);
    amara.post(path(open) + "/steps", step(0, first.path("change"))).is(200);
    JsonNode after = amara.get(path(open)).is(200).json();
    assertThat(after.path("check").path("must").asInt()).isEqualTo(1);
    amara.post(path(open) + "/undo", Map.of("revision", 1, "clientKey", UUID.randomUUID())).is(200);
    assertThat(amara.get(path(open)).is(200).json().path("check").path("must").asInt())
        .isEqualTo(2);
    amara.post(path(open) + "/mends", Map.of("revision", 0, "finding", ngon)).is(409);
    amara.post(path(open) + "/mends", Map.of("revision", 2, "finding", "ngon face 9")).is(404);
  }

  @Test
  void allOfAKind_isOneStep() {
    Client amara = Client.signedIn(app, "amara");
    JsonNode open = practice(amara, "hatch-lid");
    JsonNode all =
        amara.post(path(open) + "/mends/all", Map.of("revision", 0, "kind", "ngon")).is(200).json();
    assertThat(all.path("mended").asInt()).isEqualTo(2);
    assertThat(all.path("left").asInt()).isZero();
    amara.post(path(open) + "/steps", step(0, all.path("change"))).is(200);
    JsonNode after = amara.get(path(open)).is(200).json();
    assertThat(after.path("steps").size()).isEqualTo(1);
    assertThat(after.path("steps").get(0).path("tool").asString()).isEqualTo("Mend");
    assertThat(after.path("check").path("must").asInt()).isZero();
    JsonNode none =
        amara
            .post(path(open) + "/mends/all", Map.of("revision", 1, "kind", "border"))
            .is(200)
            .json();
    assertThat(none.path("change").isNull()).isTrue();
  }

  /** By default an exercise shows none, whoever asks. */
  @Test
  void anExercise_showsNoMends_untilItSaysSo() {
    Client rune = Client.signedIn(app, "rune");
    JsonNode open = Bollard.open(rune, "Mooring bollard");
    assertThat(open.path("task").path("mends").asBoolean()).isFalse();
    List<JsonNode> findings = open.path("check").path("findings").valueStream().toList();
    String key = findings.isEmpty() ? "ngon face 0" : findings.getFirst().path("key").asString();
    long revision = open.path("revision").asLong();
    assertThat(
            rune.post(path(open) + "/mends", Map.of("revision", revision, "finding", key))
                .is(403)
                .json()
                .path("detail")
                .asString())
        .contains("in practice");
    rune.post(path(open) + "/mends/all", Map.of("revision", revision, "kind", "ngon")).is(403);
  }
}
