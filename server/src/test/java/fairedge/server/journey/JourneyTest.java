package fairedge.server.journey;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.format.obj.ObjWriter;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.server.journey.Browser.Pixel;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.interactions.PointerInput.MouseButton;

/**
 * The whole way of an exercise with a real pointer on the real canvas; then the database is asked
 * what it holds.
 */
class JourneyTest {
  private static final Mesh LID = HarbourProps.hatchLid();
  private static final Mesh BOLLARD = HarbourProps.mooringBollard();

  private Database database;
  private Application app;
  private Browser student;
  private Browser instructor;
  @TempDir private Path folder;

  @BeforeEach
  void start() {
    database = new Database();
    app = Application.on(database);
    student = new Browser(app.address());
    instructor = new Browser(app.address());
  }

  @AfterEach
  void stop() {
    student.close();
    instructor.close();
    app.close();
    database.close();
  }

  /** A vertex of the lid's rim: those of the top are 16 to 31. */
  private static Vec3 rim(int i) {
    return LID.position(16 + i % 16);
  }

  @Test
  void exercise_goesRound() throws IOException {
    signInAndOpenTheBench();
    lookRound();
    traceAndTakeBack();
    outliveReloadAndRestart();
    loopThatStops();
    loopOnTheBollard();
    checkAndHandIn();
    handInAFile();
    review();
    readTheAnswer();
    secondAttempt();
    assertThat(student.complaints()).isEmpty();
    assertThat(instructor.complaints()).isEmpty();
  }

  private void signInAndOpenTheBench() {
    student.open("/");
    student.button("Sign in as Rune");
    student.picture("sign-in");
    student.press("Sign in as Rune");
    student.button("Open the bench");
    assertThat(student.path()).isEqualTo("/my-work");
    student.press("Open the bench");
    student.leaveDialog("To the bench");
    student.seeText("tally", "2 must");
    student.seeText("hint", "cuts from point to point");
  }

  private void lookRound() {
    Pixel before = student.find(rim(0));
    student.drag(MouseButton.LEFT, 120, 30);
    Pixel turned = student.find(rim(0));
    assertThat(turned).isNotEqualTo(before);
    student.drag(MouseButton.RIGHT, 60, 0);
    Pixel moved = student.find(rim(0));
    assertThat(moved.x() - turned.x()).isBetween(40, 80);
    student.wheel(240);
    assertThat(student.find(rim(0))).isNotEqualTo(moved);
    student.seeNo("slip");
    student.type("v");
    assertThat(student.find(rim(0))).isEqualTo(before);
  }

  private void traceAndTakeBack() {
    student.pointAt(rim(1));
    student.aimsAt("vertex");
    student.clickAt(rim(1));
    student.see("slip");
    Vec3 inside = rim(1).towards(rim(11), 0.3);
    student.pointAt(inside);
    student.aimsAt("face");
    student.clickAt(inside);
    student.seeText("slip", "go on to a vertex or an edge");
    student.chord(Keys.CONTROL, "z");
    student.seeText("slip", "1 point placed");
    student.clickAt(rim(11));
    student.seeText("effect", "Splits 1 face in front, none behind. Adds no vertex, uses 2.");
    Vec3 middle = rim(11).towards(rim(12), 0.5);
    student.pointAt(middle);
    student.aimsAt("edge");
    student.seeText("hint", "at the middle of the edge");
    student.press("Drop it");
    student.seeNo("slip");
    assertThat(database.value("select count(*) from step")).isEqualTo("0");

    trace(rim(1), rim(11));
    student.seeText("tally", "3 must");
    assertThat(database.rows("select change->>'tool', after->>'did' from step"))
        .containsExactly(
            List.of("trace", "Splits 1 face in front, none behind. Adds no vertex, uses 2."));
    student.chord(Keys.CONTROL, "z");
    student.seeText("tally", "2 must");
    assertThat(database.value("select head_step from workpiece")).isNull();
    student.chord(Keys.CONTROL, "y");
    student.seeText("tally", "3 must");
    trace(rim(2), rim(10));
    student.seeText("face-count", "17 of 20 faces are quads");
  }

  private void trace(Vec3... places) {
    student.clickAt(places[0]);
    var button = student.button("Make the cut").getRect();
    for (Vec3 place : List.of(places).subList(1, places.length)) {
      student.clickAt(place);
    }
    student.seeText("effect", "Splits");
    student.seeNone("[data-testid=slip] [aria-busy=true]");
    assertThat(student.button("Make the cut").getRect())
        .as("what is said comes and goes; the button stays under the hand")
        .isEqualTo(button);
    student.press("Make the cut");
    student.seeNo("slip");
  }

  private void outliveReloadAndRestart() {
    student.clickAt(rim(3));
    student.clickAt(rim(9));
    student.seeText("effect", "Splits 1 face");
    int port = app.port();
    app.close();
    student.type(Keys.ENTER);
    student.button("Try now");
    app = Application.on(database, port);
    student.press("Try now");
    student.seeText("slip", "2 points placed");
    student.reload();
    student.seeText("tally", "3 must");
    student.seeText("effect", "Splits 1 face in front");
    student.type(Keys.ENTER);
    student.seeText("face-count", "18 of 21 faces are quads");
    assertThat(database.value("select count(*) from step")).isEqualTo("3");
    student.clickAt(rim(5));
    student.clickAt(rim(15).towards(rim(0), 0.5));
    student.pointAt(rim(14).towards(rim(6), 0.3));
    student.seeText("effect", "Splits");
    student.picture("bench-trace");
    student.press("Drop it");
  }

  /** Across the row of the top and down both walls: the bottom stops it, at both ends. */
  private void loopThatStops() {
    student.type("3");
    student.clickAt(rim(2).towards(rim(3), 0.5));
    student.seeText("effect", "Splits 2 quads in front and 1 behind. Adds 4 vertices.");
    student.seeText("slip", "Stops at a face with 16 sides, which gains 2 sides");
    student.seeText("slip", "What was 16 sides, flat becomes 18 sides, 2 corners straight.");
    student.see(By.xpath("//*[.='Stops here: a face with 16 sides']"));
    student.see(By.xpath("//*[.='Stops behind: a face with 16 sides']"));
    student.picture("bench-stop");
    student.press("Drop it");
  }

  private void loopOnTheBollard() {
    student.press("My work");
    student.pressIn("Mooring bollard", "Open the bench");
    student.leaveDialog("To the bench");
    student.type("3");
    Vec3 low = BOLLARD.position(36 + 9);
    Vec3 high = BOLLARD.position(48 + 9);
    student.pointAt(low.towards(high, 0.4));
    student.seeText("hint", "lays a loop at the middle of this ring of 12 quads");
    student.see("cut-line");
    student.seeNo("slip");
    student.type("m");
    student.clickAt(low.towards(high, 0.4));
    student.seeText("effect", "Splits 5 quads in front and 7 behind. Adds 12 vertices.");
    student.write("Share of the edge in %", "50");
    student.type(Keys.ENTER);
    student.see(By.cssSelector("[role=radio][aria-checked=true]"));
    student.press("Make the cut");
    student.seeText("face-count", "117 faces, all quads");
    assertThat(
            database.rows(
                "select change->'places'->'fractions'->>0, after->>'did' from step where"
                    + " change->>'tool' = 'loops'"))
        .containsExactly(List.of("0.5", "Splits 5 quads in front and 7 behind. Adds 12 vertices."));
    student.press("My work");
  }

  private void checkAndHandIn() {
    student.pressIn("Hatch lid", "Open the bench");
    student.seeText("face-count", "18 of 21");
    student.type("n");
    student.see("chosen-place");
    student.click("[data-testid='findings'] li:nth-child(2) button");
    student.see("chosen-place");
    student.type("s");
    student.press("Hand in");
    student.press("Hand in the working copy");
    student.button("Good");
    student.leaveDialog("Good");
    assertThat(database.rows("select attempt, source, step_id is not null from submission"))
        .containsExactly(List.of("1", "bench", "t"));
  }

  /** Two others hand in files; one of them is no mesh. */
  private void handInAFile() throws IOException {
    try (Browser ines = new Browser(app.address())) {
      ines.open("/");
      ines.press("Sign in as Ines");
      ines.press("Hand in a file");
      Path none = Files.writeString(folder.resolve("lid.obj"), "o lid\nv 0 0 0\n");
      ines.choose(none);
      ines.press("Hand in the file");
      ines.see(By.cssSelector("[role=alert]"));
      ines.choose(messyLid());
      ines.press("Hand in the file");
      ines.leaveDialog("Good");
      ines.see(By.xpath("//*[contains(., 'waits for review')]"));
    }
    List<List<String>> handedIn =
        database.rows("select attempt, file_name from submission where source = 'file'");
    assertThat(handedIn).containsExactly(List.of("1", "lid, mine.obj"));
  }

  /** The lid as it may come from elsewhere: a pair of triangles, and vertices in one place. */
  private Path messyLid() throws IOException {
    StringBuilder text = new StringBuilder();
    ObjWriter.write(LID, text);
    String lid = text.toString().replace("f 1 2 18 17\n", "f 1 2 18\nf 1 18 17\n");
    lid = lid.replace("f 3 4 20 19\n", "v 0 0 0\nf 3 4 20 33\n");
    lid =
        lid.replace(
            "v 0 0 0\n", "v" + lid.lines().skip(18).findFirst().orElseThrow().substring(1) + "\n");
    return Files.writeString(folder.resolve("lid, mine.obj"), lid);
  }

  private void review() {
    instructor.open("/");
    instructor.press("Sign in as Marit");
    instructor.button("Review");
    assertThat(instructor.path()).isEqualTo("/desk");
    instructor.press("Review");
    instructor.seeText("review-tally", "3 must mend");
    // The worst is chosen already, and seen.
    instructor.see("chosen-place");
    instructor.type("n");
    instructor.type("Seven sides: run lines across, from side to side, until every face has four.");
    instructor.type(Keys.ESCAPE);
    instructor.clickAt(rim(2).towards(rim(10), 0.5).towards(rim(3).towards(rim(9), 0.5), 0.5));
    instructor.press("Note here");
    instructor.type("Good: this row is what all of the top should look like.");
    instructor.write("A word to Rune", "Three fair lines. Now the same across, then the bottom.");
    instructor.click("[aria-label=Verdict] [role=radio]:nth-child(2)");
    instructor.see(By.xpath("//*[@role='status'][.='Kept']"));
    instructor.picture("review");
    assertThat(database.rows("select number, finding, element_kind from note order by number"))
        .containsExactly(List.of("1", "0", "face"), Arrays.asList("2", null, "face"));
    assertThat(
            Client.signedIn(app, "rune").get("/api/submissions/" + reviewed() + "/answer").status())
        .isEqualTo(404);
    instructor.press("Return and open the next");
    instructor.await(() ->
        database.value("select count(*) from answer where returned_at is not null").equals("1"));
    instructor.seeText("review-tally", "must mend");
    assertThat(database.rows("select verdict, word from answer where returned_at is not null"))
        .containsExactly(
            List.of("try-again", "Three fair lines. Now the same across, then the bottom."));
  }

  private String reviewed() {
    return database.value(
        "select id from submission where source = 'bench' order by attempt limit 1");
  }

  private void readTheAnswer() {
    student.open("/my-work");
    student.press("Read the answer");
    student.seeText("verdict", "Try again");
    student.click("[data-note='1']");
    student.see("chosen-place");
    // The view is written behind it as soon as the model has turned.
    assertThat(student.path()).contains("?note=1");
    assertThat(student.count("[data-pin]")).isEqualTo(2);
    Client tobias = Client.signedIn(app, "tobias");
    assertThat(tobias.get("/api/submissions/" + reviewed() + "/answer").status()).isEqualTo(404);
    student.press("Start attempt 2");
  }

  private void secondAttempt() {
    student.seeText("face-count", "18 of 21");
    // Across the row that is quads, from side to side.
    trace(rim(1), rim(3));
    student.press("Hand in");
    student.press("Hand in the working copy");
    student.leaveDialog("Good");
    instructor.open("/desk");
    instructor.see(By.xpath("//*[contains(., 'attempt 2')]"));
    String second = database.value("select id from submission where attempt = 2");
    instructor.open("/review/" + second);
    instructor.seeText("since", "Since attempt 1:");
    instructor.seeText("since", "still there");
  }
}
