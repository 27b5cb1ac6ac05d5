package fairedge.server.journey;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.account.SetUp;
import fairedge.server.running.Application;
import fairedge.server.running.Database;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** From an empty database to a student at a bench, by clicks, and again by keys alone. */
class ArrivalTest {
  private Database database;
  private Application app;
  private Browser instructor;
  private Browser student;
  @TempDir private Path folder;

  @BeforeEach
  void start() {
    database = Database.empty();
    app = Application.on(database, 0, "--fair-edge.demo=false");
    instructor = new Browser(app.address());
    student = new Browser(app.address());
  }

  @AfterEach
  void stop() {
    instructor.close();
    student.close();
    app.close();
    database.close();
  }

  private String code() {
    return app.bean(SetUp.class).code().orElseThrow();
  }

  @Test
  void instructorBeginsWithNothing_andAStudentOpensABench() throws IOException {
    instructor.open("/");
    instructor.write("Set-up code", code());
    expectOpen(instructor, "set-up");
    instructor.write("Your name", "Marit Tangen");
    assertThat(instructor.see(field("Sign-in")).getDomProperty("value")).isEqualTo("marit.tangen");
    instructor.write("Password", "harbour-props");
    instructor.picture("set-up");
    instructor.press("Begin");
    instructor.see(By.xpath("//h1[.='A new class']"));
    expectOpen(instructor, "new class");
    instructor.write("Name of the class", "Harbour Props, autumn");
    instructor.press("Make the class");
    instructor.see(By.xpath("//h1[.='People']"));

    instructor.press("Make a join code");
    instructor.press("Make the code");
    String words = instructor.see("join-code").getText();
    makeGroups();
    bringRoster();
    expectOpen(instructor, "people");

    student.open("/join/" + words.replace(' ', '-'));
    student.press("Look it up");
    student.write("Your name", "Lea Brandvik");
    expectOpen(student, "join");
    student.write("Password", "kelp and lantern");
    student.press("Join");
    student.see(By.xpath("//h1[.='My work']"));
    student.open("/practice");
    student.click("button:has(img[src*='fairlead-block'])");
    student.leaveDialog("Lay it beside the model");
    student.see(By.cssSelector("section[aria-label='Brief']"));
    expectOpen(student, "bench with the brief beside");
    student.press("Put away");
    student.seeNone("section[aria-label='Brief']");
    student.see("face-count");
    student.open("/account");
    student.see(By.xpath("//h1[.='Your account']"));
    expectOpen(student, "account");

    // Who came by the code is marked, until the instructor has looked.
    instructor.reload();
    instructor.see(By.xpath("//tr[@data-person='lea.brandvik'][contains(., 'newcomer')]"));
    instructor.press("All are");
    instructor.await(() -> instructor.count("tr[data-person='lea.brandvik'] span") == 0);
    assertThat(instructor.complaints()).isEmpty();
    assertThat(student.complaints()).isEmpty();
  }

  /** Two groups: one that stays under a better name, and one too many. */
  private void makeGroups() {
    instructor.press("Groups");
    instructor.write("Name of the group", "Tue");
    instructor.press("Make the group");
    instructor.write("Name of Tue", "Tuesday");
    instructor.press("Rename");
    instructor.see(By.cssSelector("input[aria-label='Name of Tuesday']"));
    instructor.write("Name of the group", "Sunday");
    instructor.press("Make the group");
    instructor.see(By.cssSelector("input[aria-label='Name of Sunday']"));
    instructor
        .see(By.xpath("//li[.//input[@aria-label='Name of Sunday']]//button[.='Dissolve']"))
        .click();
    expectOpen(instructor, "groups");
    instructor.press("Dissolve Sunday");
    instructor.seeNone("input[aria-label='Name of Sunday']");
    instructor.type(Keys.ESCAPE);
    instructor.seeNone("[role=dialog]");
  }

  private void bringRoster() throws IOException {
    Path file = folder.resolve("autumn-roster.csv");
    Files.writeString(
        file,
        """
        Full name;E-post;Evening
        Søren Pike;;Tuesday
        Wanda Kestrel;wanda@quay.example;Thursday
        ;nobody@quay.example;Thursday
        Ilja Brookfeldt;ilja@quay.example;Tue/Thu
        """,
        Charset.forName("windows-1252"));
    instructor.press("Bring a roster");
    instructor.choose(file);
    instructor.see(By.cssSelector("[data-line='5']"));
    expectOpen(instructor, "roster");
    assertThat(instructor.isEnabled("Take in")).isFalse();
    instructor.see(By.xpath("//*[@data-line='5']//button[.='Thursday']")).click();
    instructor.press("Leave out 1");
    instructor.await(() -> instructor.isEnabled("Take in 3"));
    assertThat(database.value("select count(*) from membership")).isEqualTo("1");
    instructor.press("Take in 3");
    instructor.button("Make the slips");
    assertThat(database.value("select count(*) from membership where role = 'student'"))
        .isEqualTo("3");
    assertThat(database.rows("select name from study_group order by 1"))
        .extracting(r -> r.getFirst())
        .containsExactly("Thursday", "Tuesday");
    instructor.press("Close");
  }

  @Test
  void theWholeWay_goesByKeysAlone() {
    instructor.open("/");
    instructor.see(field("Set-up code"));
    instructor.type(code(), Keys.TAB, "Marit Tangen", Keys.TAB, Keys.TAB, "harbour-props");
    instructor.type(Keys.ENTER);
    instructor.see(By.xpath("//h1[.='A new class']"));
    instructor.see(field("Name of the class"));
    instructor.type("Harbour Props, autumn", Keys.ENTER);
    instructor.see(By.xpath("//h1[.='People']"));
    instructor.tabTo("Make a join code");
    instructor.type(Keys.ENTER);
    instructor.tabTo("Make the code");
    instructor.type(Keys.ENTER);
    String words = instructor.see("join-code").getText();
    student.open("/join");
    student.see(field("Join code"));
    student.type(words, Keys.ENTER);
    student.see(field("Your name"));
    student.type("Lea Brandvik", Keys.TAB, Keys.TAB, "kelp and lantern", Keys.ENTER);
    student.see(By.xpath("//h1[.='My work']"));
    assertThat(instructor.complaints()).isEmpty();
    assertThat(student.complaints()).isEmpty();
  }

  private static By field(String label) {
    return By.xpath("//label[span[.='%s']]//input".formatted(label));
  }

  private static void expectOpen(Browser browser, String place) {
    for (String theme : new String[] {"light", "night"}) {
      browser.script("document.documentElement.dataset.theme = arguments[0]", theme);
      assertThat(browser.barriers()).as(place + " by " + theme).isEmpty();
    }
    browser.script("delete document.documentElement.dataset.theme");
  }
}
