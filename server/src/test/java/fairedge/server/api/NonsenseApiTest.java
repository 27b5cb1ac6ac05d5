package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.platform.SignedIn;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import fairedge.server.running.School;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Every request of the application's own description, with nothing, null or another type in the
 * place of each thing that it names: told what is wrong, and never a mistake of ours.
 */
class NonsenseApiTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final int DEEPEST = 7;

  /** Of all that could be sent one in so many is, lest verify wait for it. */
  private static final int ONE_IN = Integer.getInteger("fair-edge.nonsense", 5);

  /** So many are asked at the most, spread evenly. */
  private static final int MOST = Integer.getInteger("fair-edge.nonsense-most", 3000);

  private static final List<JsonNode> NONSENSE =
      List.of(
          MAKE.nullNode(),
          MAKE.stringNode("rope"),
          MAKE.numberNode(-1),
          MAKE.numberNode(Integer.MAX_VALUE),
          MAKE.numberNode(1e308),
          MAKE.arrayNode(),
          MAKE.arrayNode().add(MAKE.nullNode()),
          MAKE.objectNode().set("ngon", MAKE.nullNode()));

  private static Database database;
  private static Application app;
  private static Client rune;
  private static Client marit;
  private static Client wanda;
  private static JsonNode description;
  private static Map<String, String> ids;

  /** Hash of a mesh of a demonstration. */
  private static String state;

  private static String course;

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database);
    rune = Client.signedIn(app, "rune");
    marit = Client.signedIn(app, "marit");
    description = rune.get("/api/openapi").is(200).json();
    JsonNode open = Bollard.open(rune, "Mooring bollard");
    String workpiece = open.path("id").asString();
    String submission =
        rune.post("/api/workpieces/" + workpiece + "/submissions", Bollard.move(0))
            .is(201)
            .json()
            .path("id")
            .asString();
    String practice =
        rune.post(
                "/api/practice",
                Map.of("form", "cleat", "profile", "All quads", "clientKey", UUID.randomUUID()))
            .is(201)
            .json()
            .path("id")
            .asString();
    School school = new School(app);
    wanda = Client.signedIn(app, school.person("wanda", "Wanda Kestrel").signIn());
    // A class of its own: it may be put away, and everybody taken out.
    SignedIn teacher =
        new SignedIn(
            UUID.fromString(database.value("select id from account where sign_in = 'marit'")),
            "marit",
            "Marit Tangen");
    course = school.classOf("Nonsense", teacher).toString();
    JsonNode shown = marit.get("/api/demonstrations").is(200).json().path("demonstrations").get(0);
    ids =
        Map.of(
            "workpieces",
            workpiece,
            "submissions",
            submission,
            "practice",
            practice,
            "assignments",
            Bollard.assignment(rune, "Mooring bollard"),
            "exercises",
            Bollard.exercise(rune, "Mooring bollard"),
            "uploads",
            UUID.randomUUID().toString(),
            "bundles",
            UUID.randomUUID().toString(),
            "demonstrations",
            shown.path("id").asString());
    state = shown.path("mesh").asString();
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  private static JsonNode resolved(JsonNode schema) {
    String ref = schema.path("$ref").asString("");
    return ref.isEmpty() ? schema : description.at(ref.substring(1));
  }

  /** All the ways in which a thing may look, one of each kind: those of a choice each by itself. */
  private static List<JsonNode> examples(String name, JsonNode asked, int depth) {
    JsonNode schema = resolved(asked);
    if (schema.has("oneOf")) {
      List<JsonNode> all = new ArrayList<>();
      schema
          .path("oneOf")
          .forEach(one -> {
            if (!one.path("type").asString("").equals("null")) {
              all.addAll(examples(name, one, depth));
            }
          });
      return all;
    }
    if (schema.has("enum")) {
      return List.of(schema.path("enum").get(0));
    }
    return switch (schema.path("type").asString("object")) {
      case "string" ->
          List.of(
              MAKE.stringNode(
                  schema.path("format").asString("").equals("uuid")
                      ? UUID.randomUUID().toString()
                      : name.equals("profile") ? "All quads" : "x"));
      case "integer" -> List.of(MAKE.numberNode(name.equals("revision") ? 0 : 3));
      case "number" -> List.of(MAKE.numberNode(0.5));
      case "boolean" -> List.of(MAKE.booleanNode(false));
      case "array" -> arrays(name, schema, depth);
      default -> objects(schema, depth);
    };
  }

  private static List<JsonNode> arrays(String name, JsonNode schema, int depth) {
    List<JsonNode> all = new ArrayList<>();
    if (depth > DEEPEST) {
      return List.of(MAKE.arrayNode());
    }
    for (JsonNode item : examples(name, schema.path("items"), depth + 1)) {
      all.add(MAKE.arrayNode().add(item).add(item.deepCopy()));
    }
    return all;
  }

  /** One object for each way in which one of its properties may look. */
  private static List<JsonNode> objects(JsonNode schema, int depth) {
    Map<String, List<JsonNode>> properties = new LinkedHashMap<>();
    if (depth <= DEEPEST) {
      schema
          .path("properties")
          .properties()
          .forEach(p -> properties.put(p.getKey(), examples(p.getKey(), p.getValue(), depth + 1)));
    }
    ObjectNode first = MAKE.objectNode();
    properties.forEach((name, ways) -> first.set(name, ways.getFirst()));
    List<JsonNode> all = new ArrayList<>(List.of(first));
    properties.forEach((name, ways) -> {
      for (JsonNode way : ways.subList(1, ways.size())) {
        ObjectNode other = first.deepCopy();
        other.set(name, way);
        all.add(other);
      }
    });
    return all;
  }

  /** Tells the whole again and again, each time with nonsense in another place. */
  private static void spoil(JsonNode whole, JsonNode at, Consumer<JsonNode> told) {
    if (at instanceof ObjectNode object) {
      for (String name : List.copyOf(object.propertyNames())) {
        JsonNode sound = object.get(name);
        for (JsonNode nonsense : NONSENSE) {
          object.set(name, nonsense);
          told.accept(whole);
        }
        object.remove(name);
        told.accept(whole);
        object.set(name, sound);
        spoil(whole, sound, told);
      }
    } else if (at instanceof ArrayNode array && !array.isEmpty()) {
      JsonNode sound = array.get(0);
      for (JsonNode nonsense : NONSENSE) {
        array.set(0, nonsense);
        told.accept(whole);
      }
      array.set(0, sound);
      spoil(whole, sound, told);
    }
  }

  private static String withIds(String path) {
    String kind = path.split("/")[2];
    String filled = path;
    for (String name : List.of("id", "exercise", "assignment")) {
      filled = filled.replace("{" + name + "}", ids.getOrDefault(kind, "x"));
    }
    return filled
        .replace("{course}", course)
        .replace("{person}", UUID.randomUUID().toString())
        .replace("{group}", UUID.randomUUID().toString())
        .replace("{student}", UUID.randomUUID().toString())
        .replace("{print}", UUID.randomUUID().toString())
        .replace("{table}", "credits")
        .replace("{edge}", "3")
        .replace("{lens}", "flow")
        .replace("{form}", "cleat")
        .replace("{revision}", "0")
        .replace("{step}", "1")
        .replace("{hash}", "00")
        .replace("{mesh}", state)
        .replace("{bench}", ids.getOrDefault("workpieces", "x"))
        .replace("{hint}", UUID.randomUUID().toString())
        .replace("{name}", "00")
        .replace("{sort}", "attempt")
        .replace("{which}", "1")
        .replace("{note}", UUID.randomUUID().toString())
        .replace("{waving}", UUID.randomUUID().toString());
  }

  /** What is told as a mistake of ours. */
  private static final List<String> OURS = new CopyOnWriteArrayList<>();

  private static void send(Client client, String method, String path, String body) {
    Reply reply = client.raw(method, path, body, true);
    if (reply.status() >= 500) {
      OURS.add("%s %s %s: %s".formatted(method, path, body, reply.text()));
    }
  }

  private record Asked(String method, String address, String body) {
    void send() {
      boolean isInstructors =
          Stream.of(
                  "draft",
                  "exercises",
                  "assignments",
                  "classes",
                  "desk",
                  "phrases",
                  "return",
                  "ready",
                  "wavings",
                  "lease")
              .anyMatch(address::contains);
      // Whoever changes an account is let in anew: another than those on whom the rest counts.
      Client who = address.contains("/account") ? wanda : isInstructors ? marit : rune;
      NonsenseApiTest.send(who, method, address, body);
    }
  }

  @Test
  void nonsenseInBodies_isTold() {
    Set<Asked> asked = new LinkedHashSet<>();
    description
        .path("paths")
        .properties()
        .forEach(path ->
            path.getValue()
                .properties()
                .forEach(method -> {
                  JsonNode schema =
                      method.getValue().at("/requestBody/content/application~1json/schema");
                  if (schema.isMissingNode() || path.getKey().equals("/api/session")) {
                    return;
                  }
                  String address = withIds(path.getKey());
                  String verb = method.getKey().toUpperCase(Locale.ROOT);
                  for (JsonNode example : examples("", schema, 0)) {
                    JsonNode body = example.deepCopy();
                    Consumer<JsonNode> note =
                        spoiled ->
                            asked.add(new Asked(verb, address, JSON.writeValueAsString(spoiled)));
                    note.accept(body);
                    spoil(body, body, note);
                  }
                }));
    // By their order, which is the same at each run: no nonsense is met by luck.
    List<Asked> all = List.copyOf(asked);
    // What has a change in it has as many forms as there are changes, each spoiled in all places.
    int oneIn = Math.max(ONE_IN, all.size() / MOST);
    List<Asked> some =
        IntStream.range(0, all.size()).filter(i -> i % oneIn == 0).mapToObj(all::get).toList();
    some.parallelStream().forEach(Asked::send);
    assertThat(OURS).isEmpty();
    assertThat(some).hasSizeGreaterThan(2500 / ONE_IN);
    rune.get("/api/workpieces/" + ids.get("workpieces")).is(200);
  }

  @Test
  void nonsenseInAddresses_isTold() {
    List<Asked> all = new ArrayList<>();
    for (Map.Entry<String, JsonNode> path : description.path("paths").properties()) {
      for (Map.Entry<String, JsonNode> method : path.getValue().properties()) {
        for (JsonNode parameter : method.getValue().path("parameters")) {
          String name = parameter.path("name").asString();
          for (String nonsense :
              List.of("", "x", "-1", "2147483647", "9e999", "null", "\0", "..")) {
            String value = URLEncoder.encode(nonsense, StandardCharsets.UTF_8);
            String address =
                parameter.path("in").asString().equals("path")
                    ? withIds(path.getKey().replace("{" + name + "}", value))
                    : withIds(path.getKey()) + "?" + name + "=" + value;
            all.add(new Asked(method.getKey().toUpperCase(Locale.ROOT), address, "{}"));
          }
        }
      }
    }
    all.parallelStream()
        .forEach(asked -> {
          send(rune, asked.method(), asked.address(), asked.body());
          send(marit, asked.method(), asked.address(), asked.body());
        });
    assertThat(OURS).isEmpty();
    assertThat(all).hasSizeGreaterThan(300);
  }
}
