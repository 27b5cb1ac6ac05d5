package fairedge.server.journey;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.running.Application;
import fairedge.server.running.Database;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** Next morning: what the class has learnt, on board, insight and paper; with weeks behind it. */
class BoardTest {
  private static Database database;
  private static Application app;
  private Browser browser;

  @BeforeAll
  static void start() {
    database = Database.empty();
    app = Application.on(database, 0, "--fair-edge.demo-work=true");
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  @BeforeEach
  void openBrowser() {
    browser = new Browser(app.address());
  }

  @AfterEach
  void closeBrowser() {
    assertThat(browser.complaints()).isEmpty();
    browser.close();
  }

  private void signIn(String name) {
    browser.open("/sign-in");
    browser.press("Sign in as " + name);
    browser.await(() -> !browser.path().contains("sign-in"));
    browser.see(By.cssSelector("h1"));
  }

  private void expectOpen(String place) {
    assertThat(browser.barriers()).as(place).isEmpty();
    assertThat(browser.barriersByNight()).as(place + ", by night").isEmpty();
  }

  private String chosen() {
    return browser.see("chosen-cell").getText();
  }

  @Test
  void board_isWalkedByKeys_andLeadsToTheReview() {
    signIn("Marit");
    browser.open("/board");
    browser.see(By.xpath("//h1[.='Class board']"));
    browser.see(By.xpath("//th//b[starts-with(., 'Capstan')]"));
    browser.type(Keys.ARROW_DOWN);
    assertThat(chosen()).contains("Amara Lindqvist", "Pontoon");
    browser.type(Keys.ARROW_DOWN, Keys.ARROW_RIGHT, Keys.ARROW_RIGHT, Keys.ARROW_RIGHT);
    assertThat(chosen()).contains("Bastian Kerrigan", "Capstan");
    browser.picture("board");
    expectOpen("board");
    browser.reload();
    browser.see(By.cssSelector("[data-chosen]"));
    assertThat(chosen()).as("the address carries it").contains("Bastian Kerrigan", "Capstan");
    browser.type(Keys.END, Keys.HOME);
    assertThat(chosen()).contains("Pontoon");
    // Rune's lid waits: the row after sorting by what waits longest, or by name; by name it is
    // found.
    while (!chosen().contains("Rune Osterholm")) {
      browser.type(Keys.ARROW_DOWN);
    }
    while (!chosen().contains("Hatch lid")) {
      browser.type(Keys.ARROW_RIGHT);
    }
    assertThat(chosen()).contains("attempt 2", "handed in", "engine proposes");
    browser.type(Keys.ENTER);
    browser.await(() -> browser.path().contains("/review/"));
  }

  @Test
  void rows_areSorted_filtered_andToldByGroup() {
    signIn("Marit");
    browser.open("/board");
    browser.see(By.cssSelector("[role=region] tbody tr"));
    assertThat(browser.count("[role=region] tbody tr")).isEqualTo(18);
    browser.press("late, nothing in");
    browser.await(() -> browser.count("[role=region] tbody tr") < 18);
    browser.press("late, nothing in");
    browser.await(() -> browser.count("[role=region] tbody tr") == 18);
    browser.press("Tuesday");
    browser.await(() -> browser.count("[role=region] tbody tr") == 9);
    browser.see(By.xpath("//th[contains(., '9 students')]"));
    assertThat(browser.path()).contains("group=");
    browser.press("All");
    browser.await(() -> browser.count("[role=region] tbody tr") == 18);
    browser.click("[role=region] thead button");
    browser.see(By.cssSelector("th[aria-sort=ascending]"));
    Object credits =
        browser.script(
            "return [...document.querySelectorAll('[role=region] tbody tr')].map((row) =>"
                + " Number(/([\\d.]+) of/.exec(row.cells[1].textContent)?.[1] ?? -1)).join(' ')");
    List<Double> inOrder =
        Arrays.stream(String.valueOf(credits).split(" ")).map(Double::valueOf).toList();
    assertThat(inOrder).as("those first that have least").hasSize(18).isSorted();
    assertThat(inOrder.getFirst()).isLessThan(inOrder.getLast());
  }

  @Test
  void insight_hasPicturesWithTheirTables_andFilesToTakeAlong() {
    signIn("Marit");
    browser.open("/insight");
    browser.see(By.xpath("//h2[.='Skills over the term']"));
    assertThat(browser.count("section svg[role=img]")).isGreaterThan(3);
    browser.see(By.xpath("//tr[contains(., 'Capstan')]//td[contains(., '%')]"));
    browser.see(By.xpath("//h2[.='Phrases followed by a cure']/..//tr[contains(., 'sides')]"));
    browser.picture("insight");
    expectOpen("insight");
    browser.press("CSV");
    browser.see(By.xpath("//a[.='Skills over the term'][@download]"));
    expectOpen("tables to take along");
    browser.type(Keys.ESCAPE);
    // By keyboard from one to the other.
    browser.tabTo("Board");
    browser.type(Keys.ENTER);
    browser.await(() -> browser.path().startsWith("/board"));
  }

  @Test
  void studentReadsTheirOwnTerm_andNobodyElses() {
    signIn("Rune");
    browser.see(By.linkText("Your term")).click();
    browser.see(By.xpath("//h1[.='Your term']"));
    browser.see(By.xpath("//tr[contains(., 'Capstan')]"));
    expectOpen("term");
    String ines = database.value("select id from account where sign_in = 'ines'");
    String course = browser.path().split("/")[2];
    browser.open("/classes/" + course + "/students/" + ines);
    browser.see(By.cssSelector("[role=alert]"));
    assertThat(browser.script("return document.body.innerText").toString()).doesNotContain("Varga");
  }

  @Test
  void answers_goOntoPaper_fromTheBoard() throws IOException {
    signIn("Marit");
    browser.open("/board");
    browser.see(By.cssSelector("[role=region] tbody tr"));
    browser.type(Keys.ARROW_DOWN, Keys.ARROW_RIGHT, Keys.ARROW_RIGHT);
    assertThat(chosen()).contains("Porthole ring");
    browser.press("All answers on paper");
    expectOpen("what goes onto paper");
    browser.press("Put them on paper");
    String file = browser.see(By.linkText("Open the document")).getDomAttribute("href");
    byte[] all = fetched(file);
    try (PDDocument pdf = Loader.loadPDF(all)) {
      assertThat(new PDFTextStripper().getText(pdf)).contains("Porthole ring", "Solveig Aune");
    }
    browser.type(Keys.ESCAPE);
    paperPicture();
  }

  /** A file as the browser gets it, with its session. */
  private byte[] fetched(String path) {
    Object bytes =
        browser.script(
            """
            const request = new XMLHttpRequest();
            request.open('GET', arguments[0], false);
            request.overrideMimeType('text/plain; charset=x-user-defined');
            request.send();
            return btoa([...request.responseText].map((c) => String.fromCharCode(c.charCodeAt(0) & 255)).join(''));
            """,
            path);
    return Base64.getDecoder().decode(String.valueOf(bytes));
  }

  /** A page of paper, where pictures are wanted. */
  private void paperPicture() throws IOException {
    String folder = System.getProperty("fair-edge.pictures");
    if (folder == null) {
      return;
    }
    String submission =
        database.value(
            "select s.id from submission s join account a on a.id = s.student_id join answer n on"
                + " n.submission_id = s.id join assignment g on g.id = s.assignment_id join"
                + " exercise e on e.id = g.exercise_id where a.sign_in = 'rune' and e.title ="
                + " 'Hatch lid' and n.is_out");
    try (PDDocument pdf =
        Loader.loadPDF(fetched("/api/submissions/" + submission + "/paper?sheet=a4"))) {
      BufferedImage page = new PDFRenderer(pdf).renderImageWithDPI(0, 100, ImageType.RGB);
      ImageIO.write(page, "png", Path.of(folder, "paper.png").toFile());
    }
  }
}
