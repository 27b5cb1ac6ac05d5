package fairedge.server.journey;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tools.jackson.databind.JsonNode;

/** The tools of the bench in a real hand: pointer on the canvas, fields, keys. */
class ToolsTest {
  private static final Mesh LID = HarbourProps.hatchLid();
  private static final Mesh BOLLARD = HarbourProps.mooringBollard();
  private static Database database;
  private static Application app;
  private Browser browser;
  @TempDir private Path folder;

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

  @BeforeEach
  void open() {
    browser = new Browser(app.address());
  }

  @AfterEach
  void close() {
    assertThat(browser.complaints()).isEmpty();
    browser.close();
  }

  private void openBench(String who, String title) {
    browser.open("/");
    browser.press("Sign in as " + who);
    browser.button("Open the bench");
    Client client = Client.signedIn(app, who.toLowerCase(Locale.ROOT));
    for (JsonNode item : client.get("/api/my-work").json().path("items")) {
      if (item.path("exercise").path("title").asString().equals(title)) {
        browser.open("/bench/" + item.path("exercise").path("id").asString());
      }
    }
    browser.leaveDialog("To the bench");
    browser.see("face-count");
  }

  /** A vertex of the lid's rim: those of the top are 16 to 31. */
  private static Vec3 rim(int i) {
    return LID.position(16 + i % 16);
  }

  @Test
  void straight_isDrawnByTwoClicks_movedByNumber_andCutsTheBackToo() {
    openBench("Rune", "Hatch lid");
    browser.type("2");
    browser.seeText("hint", "click where it begins");
    browser.clickAt(rim(0).towards(rim(1), 0.5).times(1.2));
    browser.clickAt(rim(8).towards(rim(9), 0.5).times(1.2));
    browser.seeText("effect", "in front and");
    browser.write("Turned in °", "3");
    browser.type(Keys.ENTER);
    browser.seeText("effect", "in front and");
    browser.picture("bench-straight");
    browser.press("Make the cut");
    browser.seeText("face-count", "of 24 faces");
    assertThat(
            database.rows(
                "select change->>'tool', change->>'turn' from step where change->>'tool' ="
                    + " 'straight'"))
        .containsExactly(List.of("straight", "3.0"));
  }

  @Test
  void outline_isPlacedByAClick_andWhatIsInsideComesBackChosen() {
    openBench("Ines", "Hatch lid");
    browser.type("4");
    browser.clickAt(new Vec3(0, 0, 80));
    browser.seeText("effect", "Splits");
    browser.write("Radius in mm", "60");
    browser.type(Keys.ENTER);
    browser.write("Sides in x", "12");
    browser.type(Keys.ENTER);
    browser.seeText("effect", "Splits 1 face in front, none behind. Adds 12 vertices.");
    browser.picture("bench-outline");
    browser.press("Make the cut");
    browser.seeText("last-step", "Outline");
    browser.press("Choose");
    browser.seeText("chosen-count", "1 faces");
  }

  @Test
  void lift_byKeysAlone_afterALoopByKeysAndOneClick() {
    openBench("Tobias", "Mooring bollard");
    browser.type("3");
    Vec3 low = BOLLARD.position(36 + 9);
    Vec3 high = BOLLARD.position(48 + 9);
    browser.clickAt(low.towards(high, 0.4));
    browser.seeText("effect", "Splits");
    browser.type(Keys.ENTER);
    browser.seeText("face-count", "117 faces");
    browser.type("o");
    browser.press("Edges");
    Vec3 middle = low.towards(high, 0.5);
    Vec3 next = BOLLARD.position(36 + 10).towards(BOLLARD.position(48 + 10), 0.5);
    browser.clickAt(middle.towards(next, 0.5));
    browser.seeText("chosen-count", "1 edges");
    browser.press("Whole loop");
    browser.seeText("chosen-count", "12 edges");
    browser.type("o");
    browser.type(".");
    browser.seeText("effect", "Takes out 12 faces, 12 edges and 12 vertices.");
    browser.type(Keys.ENTER);
    browser.seeText("face-count", "105 faces");
  }

  @Test
  void weld_cap_andSlide_onTheBollard() {
    openBench("Solveig", "Mooring bollard");
    browser.type(".");
    browser.type("2");
    Vec3 one = BOLLARD.position(36 + 9);
    Vec3 two = BOLLARD.position(36 + 10);
    browser.clickAt(one);
    browser.clickAt(two);
    browser.seeText("slip", "2 vertices chosen");
    browser.seeText("effect", "Takes out");
    browser.press("Drop it");

    browser.type("6");
    browser.clickAt(one);
    browser.seeText("slip", "click an edge that leads away");
    browser.clickAt(one.towards(BOLLARD.position(48 + 9), 0.5));
    browser.seeText("effect", "Moves 1 vertex.");
    browser.press("Do it");
    browser.seeText("last-step", "Slide");
    assertThat(database.rows("select change->>'measure' from step where change->>'tool' = 'slide'"))
        .containsExactly(List.of("fraction"));
  }

  @Test
  void cap_fillsAFaceOfManySides_andShowsItBefore() {
    openBench("Amara", "Hatch lid");
    browser.type(".");
    browser.type("5");
    browser.clickAt(new Vec3(0, 0, 80));
    browser.seeText("slip", "1 face chosen");
    browser.seeText("slip", "Fills 16 sides with 4 by 4 quads.");
    browser.see("ghost");
    browser.picture("bench-cap");
    browser.press("Do it");
    browser.seeText("face-count", "32 of 33 faces");
    browser.press("Undo");
    browser.seeText("face-count", "of 18 faces");
    browser.see(By.xpath("//summary[contains(., '1 step beside')]"));
  }

  @Test
  void tracingSheet_isLaidBehindTheModel_andAWrongFileIsSaid() throws IOException {
    openBench("Bastian", "Mooring bollard");
    browser.type("/");
    browser.write("Name of a command", "tracing");
    browser.type(Keys.ENTER);
    Path wrong = Files.writeString(folder.resolve("notes.txt"), "no picture");
    browser.choose(wrong);
    browser.seeText("sheet-panel", "PNG or JPEG file");
    Path right = folder.resolve("bollard.png");
    ImageIO.write(new BufferedImage(64, 32, BufferedImage.TYPE_INT_RGB), "png", right.toFile());
    browser.choose(right);
    browser.seeText("sheet-panel", "Another picture");
    browser.write("Width of the sheet in mm", "300");
    browser.type(Keys.ENTER);
    browser.press("Square to this view");
    browser.press("Take it away");
    browser.seeNo("sheet-panel");
  }

  @Test
  void anyCommand_isFoundByItsName_andFacesAreHidden() {
    openBench("Bastian", "Hatch lid");
    browser.type("/");
    browser.write("Name of a command", "squar");
    browser.seeText("commands", "Look squarely");
    browser.type(Keys.ESCAPE);
    browser.type("o");
    browser.clickAt(new Vec3(0, 0, 80));
    browser.seeText("chosen-count", "1 faces");
    browser.press("Hide these");
    browser.seeText("chosen-count", "0 faces");
    browser.press("Show all");
  }
}
