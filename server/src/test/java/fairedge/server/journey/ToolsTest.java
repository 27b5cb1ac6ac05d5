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
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
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
  private static final Mesh BLOCK = HarbourProps.fairleadBlock();
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
      JsonNode set = item.path("assignment");
      if (set.path("exercise").path("title").asString().equals(title)) {
        browser.open("/bench/" + set.path("id").asString());
      }
    }
    browser.leaveDialog("To the bench");
    browser.see("face-count");
  }

  /** The middle of a face of the bollard's waist that looks at the eye. */
  private static Vec3 waist() {
    return BOLLARD
        .position(36 + 10)
        .towards(BOLLARD.position(36 + 11), 0.5)
        .towards(BOLLARD.position(48 + 10).towards(BOLLARD.position(48 + 11), 0.5), 0.5);
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
                "select change->>'tool', change->>'turn' from step where change->'plane'->>'by' ="
                    + " 'drawn'"))
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
    browser.press("then Extrude");
    browser.press("Make the cut");
    browser.seeText("last-step", "Outline");
    // The next tool goes on with what is inside.
    browser.seeText("slip", "1 face chosen");
    browser.seeText("effect", "Adds 12 vertices. Adds 12 faces.");
    browser.press("Choose");
    browser.seeText("chosen-count", "1 face chosen");
  }

  @Test
  void loopsAndLift_byKeysAlone() {
    openBench("Tobias", "Mooring bollard");
    browser.type("3");
    Vec3 low = BOLLARD.position(36 + 9);
    Vec3 high = BOLLARD.position(48 + 9);
    browser.aimByKeys(low.towards(high, 0.4));
    browser.aimsAt("edge");
    browser.type(Keys.SPACE);
    browser.seeText("effect", "Splits");
    browser.type(Keys.ENTER);
    browser.seeText("face-count", "117 faces");
    browser.type(".", "1");
    Vec3 middle = low.towards(high, 0.5);
    Vec3 next = BOLLARD.position(36 + 10).towards(BOLLARD.position(48 + 10), 0.5);
    browser.aimByKeys(middle.towards(next, 0.5));
    browser.aimsAt("edge");
    browser.type(Keys.SPACE);
    browser.seeText("slip", "1 edge chosen");
    browser.type("/");
    browser.write("Name of a command", "whole loop");
    browser.type(Keys.ENTER);
    browser.seeText("effect", "Takes out 12 faces, 12 edges and 12 vertices.");
    browser.type(Keys.ENTER);
    browser.seeText("face-count", "105 faces");
  }

  @Test
  void planeAndSlide_areDrawnByGrips_andTheWakeLeadsBack() {
    openBench("Bastian", "Fairlead block");
    browser.type("2");
    browser.press("Across X");
    browser.clickAt(new Vec3(10, -40, 15));
    browser.seeText("effect", "in front and");
    browser.drawGrip("Move the plane", 40, -8);
    browser.drawGrip("Turn the plane", 12, 0);
    browser.press("Make the cut");
    browser.seeText("last-step", "Straight");
    assertThat(
            database.rows(
                "select (change->>'shift')::numeric > 3, (change->>'turn')::numeric <> 0 from step"
                    + " where change->'plane'->>'axis' = 'x'"))
        .containsExactly(List.of("t", "t"));
    browser.type(".", "6");
    Vec3 corner = BLOCK.position(9);
    browser.clickAt(corner);
    browser.clickAt(corner.towards(BLOCK.position(13), 0.6));
    browser.drawGrip("Slide along this edge", -12, -6);
    browser.seeText("effect", "Moves 1 vertex.");
    browser.press("Do it");
    browser.seeText("last-step", "Slide");
    // Beside all tools the wake has room in a wide window only; a narrow one folds the tools.
    browser.seeNone("section[aria-label=Wake]");
    browser.resize(1600, 900);
    browser.await(() -> browser.count("section[aria-label=Wake]") == 1);
    browser.picture("bench-wake");
    browser.press("Starter");
    browser.seeText("face-count", "of 16 faces");
    browser.await(() -> browser.count("section[aria-label=Wake] [aria-current]") == 1);
    browser.click("section[aria-label=Wake] li:last-child button");
    browser.seeText("last-step", "Slide");
    browser.resize(1024, 768);
    // The model takes up as much of the window as before, whatever its size.
    for (int v = 0; v < 16; v++) {
      Browser.Pixel at = browser.find(BLOCK.position(v));
      assertThat(at.x()).isBetween(224, 1024);
      assertThat(at.y()).isBetween(48, 652);
    }
    browser.press("Hold9 tools");
    browser.seeText("hint", "Lines beside");
  }

  @Test
  void trace_isAimedSquarely_andItsAngleToTheEdgeIsTyped() {
    openBench("Solveig", "Fairlead block");
    Vec3 left = BLOCK.position(0).towards(BLOCK.position(1), 0.3);
    Vec3 above = BLOCK.position(8).towards(BLOCK.position(9), 0.3);
    browser.clickAt(left);
    browser.type("a", "a");
    browser.clickAt(above.towards(BLOCK.position(9), 0.1));
    browser.seeText("effect", "Splits 1 face");
    browser.write("Length of piece A in mm", "65");
    browser.type(Keys.ENTER);
    browser.await(() -> lengthOfA().equals("65.0"));
    browser.write("Angle of piece A to its edge in degrees", "80");
    browser.type(Keys.ENTER);
    browser.await(() ->
        browser
            .see(By.cssSelector("[aria-label='Angle of piece A to its edge in degrees']"))
            .getDomProperty("value")
            .equals("80.0°"));
  }

  private String lengthOfA() {
    return browser
        .see(By.cssSelector("[aria-label='Length of piece A in mm']"))
        .getDomProperty("value");
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
    assertThat(
            database.rows(
                "select distinct change->>'measure' from step where change->>'tool' = 'slide'"))
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
    browser.press("Do it");
    browser.seeText("face-count", "32 of 33 faces");
    browser.press("Undo");
    browser.seeText("face-count", "of 18 faces");
    browser.see(By.xpath("//summary[contains(., '1 step beside')]"));
  }

  @Test
  void extrude_isPulledByItsGrip_andInsetTypedOnWhatItMoved() {
    openBench("Tobias", "Hatch lid");
    browser.type(".", ".", "3");
    browser.clickAt(new Vec3(0, 0, 80));
    browser.seeText("effect", "Adds 16 vertices. Adds 16 faces.");
    browser.drawGrip("Extrude along the normal", 0, -30);
    browser.press("Do it");
    browser.seeText("last-step", "Extrude");
    // What was moved comes back chosen.
    browser.type("2");
    browser.seeText("slip", "1 face chosen");
    browser.write("Width in mm", "500");
    browser.type(Keys.ENTER);
    browser.seeText("slip", "There is room for less than");
    browser.press("Narrow to fit");
    browser.seeText("effect", "Adds 16 vertices. Adds 16 faces.");
    browser.drawGrip("How wide", 0, -20);
    browser.press("Do it");
    browser.seeText("last-step", "Inset");
    assertThat(
            database.rows(
                "select change->>'tool', (change->'by'->>'distance')::numeric > 20 from step where"
                    + " change->>'tool' in ('inset', 'extrude') order by number"))
        .containsExactly(Arrays.asList("extrude", "t"), Arrays.asList("inset", null));
  }

  @Test
  void aBorder_isAimedAtFromTheHoleBesideIt_andGoesOn() {
    openBench("Solveig", "Hatch lid");
    browser.type(".", "1");
    browser.press("Delete");
    browser.clickAt(new Vec3(0, 0, 80));
    browser.press("Do it");
    browser.seeText("last-step", "Delete");
    browser.type(".", "3");
    browser.press("Extrude border edges");
    int front =
        IntStream.range(0, 16)
            .boxed()
            .min(Comparator.comparing(i -> rim(i).plus(rim(i + 1)).y()))
            .orElseThrow();
    Vec3 middle = rim(front).towards(rim(front + 1), 0.5);
    // Past the rim the pointer lies on the bottom, which has other edges.
    browser.clickAt(middle.towards(new Vec3(0, 0, middle.z()), 0.02));
    browser.seeText("slip", "1 edge chosen");
    browser.seeText("effect", "Adds 2 vertices. Adds 1 face.");
    browser.press("Do it");
    browser.seeText("last-step", "Extrude edges");
  }

  @Test
  void support_isMadeByTheKeyboardAlone() {
    openBench("Amara", "Fairlead block");
    browser.type(".", ".");
    browser.seeText("hint", "Lines beside");
    browser.aimByKeys(BLOCK.position(8).towards(BLOCK.position(9), 0.5));
    browser.type(Keys.SPACE);
    browser.seeText("slip", "1 edge chosen");
    browser.seeText("slip", "narrow enough to count as support");
    browser.type(Keys.ENTER);
    browser.seeText("last-step", "Support");
    browser.chord(Keys.CONTROL, "z");
    browser.seeText("face-count", "of 16 faces");
  }

  @Test
  void support_isDrawnByItsGrip_andRoundedInPlace() {
    openBench("Rune", "Fairlead block");
    browser.type(".", ".");
    browser.clickAt(BLOCK.position(8).towards(BLOCK.position(9), 0.5));
    browser.seeText("slip", "1 edge chosen");
    browser.drawGrip("How far from the edge", 0, 12);
    browser.press("Straight through");
    browser.seeText("effect", "Splits");
    browser.picture("bench-support");
    browser.press("Drop it");
    browser.press("Strips at every turn");
    browser.seeText("effect", "Adds");
    browser.write("Width to each side in mm", "2");
    browser.type(Keys.ENTER);
    browser.press("Do it");
    browser.seeText("last-step", "Support");
    assertThat(
            database.rows(
                "select change->'holding'->>'way', (change->>'over')::numeric from step where"
                    + " change->>'tool' = 'support' and change->'holding'->>'way' = 'bevel'"))
        .hasSize(1);
  }

  @Test
  void aPartOffTheShelf_isDrawnIntoTheBlock_andMeetsIt() {
    openBench("Tobias", "Fairlead block");
    browser.type("5");
    browser.press("Bring a part in");
    browser.press("Fairlead block");
    browser.seeText("last-step", "Bring in");
    browser.seeText("slip", "1 face chosen");
    browser.press("Join");
    browser.seeText("slip", "As cut:");
    browser.drawGrip("Move in the view", 25, 12);
    browser.seeText("slip", "Turned by");
    browser.seeText("slip", "As cut:");
    browser.type("w");
    browser.seeText("slip", "Then:");
    browser.picture("bench-meet");
    browser.press("Do it");
    browser.seeText("last-step", "Meet");
    assertThat(
            database.rows(
                "select change->>'way', (change->'placed'->'by'->>'x')::numeric <> 0 from step"
                    + " where change->>'tool' = 'meet'"))
        .containsExactly(List.of("join", "t"));
  }

  @Test
  void mirror_isMovedByItsGrip_andTellsWhatIsJoined() {
    openBench("Ines", "Fairlead block");
    browser.type(".", ".", "5");
    browser.press("At an offset");
    browser.seeText("slip", "The halves are joined at");
    browser.drawGrip("Move the plane", 25, 0);
    browser.seeText("slip", "beyond the plane are replaced");
    browser.press("Do it");
    browser.seeText("last-step", "Mirror");
    assertThat(
            database.rows(
                "select (change->'plane'->>'offset')::numeric <> 0 from step where change->>'tool'"
                    + " = 'mirror'"))
        .containsExactly(List.of("t"));
  }

  @Test
  void keptEven_aChangeIsMadeWithItsImage() {
    openBench("Ines", "Mooring bollard");
    browser.type("i");
    browser.button("Kept even across X");
    browser.type(".", ".", "2");
    browser.clickAt(waist());
    browser.seeText("effect", "Adds 8 vertices. Adds 8 faces.");
    browser.write("Width in mm", "12");
    browser.type(Keys.ENTER);
    browser.press("Do it");
    browser.seeText("last-step", "Evenly");
    assertThat(
            database.rows(
                "select change->'change'->>'tool', change->'plane'->>'axis' from step where"
                    + " change->>'tool' = 'even'"))
        .containsExactly(List.of("inset", "x"));
    browser.type("i", "i", "i");
    browser.button("Keep even");
  }

  /** The next finding, what would mend it, and it is done: three keys. */
  @Test
  void mend_curesAFinding_byThreeKeys_andAllOfItsKindAtOnce() {
    browser.open("/");
    browser.press("Sign in as Amara");
    browser.button("Open the bench");
    browser.open("/practice");
    browser.click("button:has(img[src*='hatch-lid'])");
    browser.leaveDialog("To the bench");
    browser.seeText("tally", "2 must");
    browser.type("n", "m");
    browser.seeText("slip", "Fill it with 4 by 4 quads.");
    browser.seeText("slip", "findings that stand now go");
    browser.see(By.cssSelector("[data-testid=ghost] [data-advice]"));
    browser.type(Keys.ARROW_DOWN, Keys.ARROW_DOWN);
    browser.seeText("slip", "Connect corners by 6 edges");
    browser.seeText("slip", "findings that stand now go");
    browser.picture("bench-mend");
    browser.type(Keys.ARROW_DOWN);
    browser.type(Keys.ENTER);
    browser.seeText("last-step", "Cap");
    browser.seeText("tally", "1 must");
    browser.press("Undo");
    browser.seeText("tally", "2 must");
    browser.type("n");
    browser.press("Mend all 2 n-gons left behind");
    browser.seeText("slip", "2 findings go in one step");
    browser.press("Do it");
    browser.seeText("last-step", "Mend");
    browser.await(() -> !browser.see("tally").getText().contains("must"));
  }

  @Test
  void fold_isPlayedByItsSlider_andLaidFlatAgain() {
    Mesh card = HarbourProps.foldedSailCard();
    browser.open("/");
    browser.press("Sign in as Tobias");
    browser.button("Open the bench");
    browser.open("/practice");
    browser.click("button:has(img[src*='folded-sail-card'])");
    browser.leaveDialog("To the bench");
    browser.see("face-count");
    browser.type(".", ".", "8");
    for (int j = 0; j < 3; j++) {
      browser.clickAt(card.position(12 + j).towards(card.position(13 + j), 0.5));
    }
    browser.seeText("slip", "3 edges, 90");
    browser.seeText("effect", "Moves");
    for (int i = 0; i < 4; i++) {
      browser.see(By.cssSelector("[role=slider]")).sendKeys(Keys.PAGE_DOWN);
    }
    browser.seeText("slip", "60 %");
    browser.see("fold-play");
    browser.press("Do it");
    browser.seeText("last-step", "Fold");
    browser.press("All flat");
    browser.press("Do it");
    browser.seeText("last-step", "Fold, flat");
    browser.press("Drop it");
    browser.press("Take up the 3 hinges of before");
    browser.seeText("slip", "3 edges, flat");
    assertThat(
            database.rows(
                "select distinct jsonb_array_length(change->'hinges') from step where"
                    + " change->>'tool' = 'fold'"))
        .containsExactly(List.of("3"));
  }

  @Test
  void parts_areNamed_shownAlone_andDeleted() {
    openBench("Rune", "Mooring bollard");
    browser.type(".", ".", "7");
    browser.clickAt(waist());
    browser.seeText("effect", "Adds 4 vertices");
    browser.press("Do it");
    browser.seeText("last-step", "Pieces");
    browser.type("l");
    browser.seeText("parts-panel", "2 parts");
    browser.press("Part 2");
    browser.write("Name of Part 2", "Plate");
    browser.type(Keys.ENTER);
    browser.seeText("last-step", "Name, Plate");
    browser.seeText("parts-panel", "Plate");
    browser.press("Only this");
    browser.seeText("parts-panel", "faces hidden");
    browser.press("Show all");
    browser.press("Delete");
    browser.seeText("parts-panel", "1 part");
    assertThat(
            database.rows(
                "select change->>'name' from step where change->>'tool' = 'name' and"
                    + " jsonb_array_length(change->'faces') = 1"))
        .containsExactly(List.of("Plate"));
  }

  @Test
  void aCut_goesOnByDeletingTheRest_orWithATool() {
    openBench("Amara", "Mooring bollard");
    browser.type("2");
    browser.press("Across Z");
    Vec3 waist = BOLLARD.position(36 + 9).towards(BOLLARD.position(48 + 9), 0.4);
    browser.clickAt(waist);
    browser.seeText("effect", "Splits");
    browser.press("then Extrude");
    browser.press("Make the cut");
    browser.seeText("slip", "faces chosen");
    browser.seeText("effect", "Adds");
    browser.press("Drop it");
    browser.chord(Keys.CONTROL, "z");
    browser.type(",", ",", "2");
    browser.clickAt(waist);
    browser.seeText("effect", "Splits");
    browser.press("then delete the rest");
    browser.press("Make the cut");
    browser.seeText("last-step", "Delete");
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
    browser.seeText("chosen-count", "1 face chosen");
    browser.press("Hide these");
    browser.seeText("chosen-count", "Nothing chosen");
    // Through where the top was, the bottom is hit; then nothing is left there.
    browser.clickAt(new Vec3(0, 0, 80));
    browser.seeText("chosen-count", "1 face chosen");
    browser.press("Hide these");
    browser.seeText("chosen-count", "Nothing chosen");
    // Bent for a look and straight again, what is hidden stays hidden.
    browser.press("Bend");
    browser.seeText("lens-legend", "at once");
    browser.press("Clay");
    browser.seeNo("lens-legend");
    browser.clickAt(new Vec3(0, 0, 80));
    Mesh lid = HarbourProps.hatchLid();
    Vec3 front =
        IntStream.range(0, 16)
            .mapToObj(f -> lid.polygon(f).middle())
            .min(Comparator.comparing(Vec3::y))
            .orElseThrow();
    browser.clickAt(front);
    browser.seeText("chosen-count", "1 face chosen");
    browser.press("Show all");
  }
}
