package fairedge.server.journey;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.selenium.AxeBuilder;
import fairedge.core.geometry.Vec3;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.WindowType;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.interactions.PointerInput;
import org.openqa.selenium.interactions.Sequence;
import org.openqa.selenium.interactions.WheelInput;
import org.openqa.selenium.support.ui.WebDriverWait;

/** A person at a browser: real pointer, real keys. */
final class Browser implements AutoCloseable {
  private static final Duration PATIENCE = Duration.ofSeconds(20);

  private final String address;
  private final ChromeDriver driver;
  private final PointerInput pointer = new PointerInput(PointerInput.Kind.MOUSE, "pointer");

  Browser(String address) {
    this.address = address;
    this.driver = Chromium.take();
  }

  void open(String path) {
    driver.get(address + path);
  }

  /** Gives the window another size. */
  void resize(int width, int height) {
    Chromium.resize(driver, width, height);
    awaitFrames();
  }

  void reload() {
    driver.navigate().refresh();
  }

  String path() {
    return driver.getCurrentUrl().substring(address.length());
  }

  /** Waits for an element that is seen. */
  WebElement see(By by) {
    return patiently().until(d -> firstShown(by));
  }

  private WebElement firstShown(By by) {
    return driver.findElements(by).stream()
        .filter(WebElement::isDisplayed)
        .findFirst()
        .orElse(null);
  }

  private WebDriverWait patiently() {
    WebDriverWait wait = new WebDriverWait(driver, PATIENCE);
    wait.ignoring(StaleElementReferenceException.class);
    return wait;
  }

  /** Waits until something holds. */
  void await(BooleanSupplier holds) {
    patiently().until(d -> holds.getAsBoolean());
  }

  WebElement see(String testId) {
    return see(By.cssSelector("[data-testid='" + testId + "']"));
  }

  void seeText(String testId, String text) {
    patiently()
        .withMessage(() -> "\"" + text + "\" in " + testId + ": " + see(testId).getText())
        .until(d -> see(testId).getText().contains(text));
  }

  /** Waits until something is not there any more. */
  void seeNo(String testId) {
    seeNone("[data-testid='" + testId + "']");
  }

  void seeNone(String selector) {
    patiently()
        .withMessage(selector + " stays")
        .until(d -> driver.findElements(By.cssSelector(selector)).isEmpty());
  }

  /** Presses a button of a dialog that closes it, and waits until what is below can be used. */
  void leaveDialog(String name) {
    press(name);
    seeNone("[role=dialog]");
    seeNone("body[style*='pointer-events: none']");
  }

  int count(String selector) {
    return driver.findElements(By.cssSelector(selector)).size();
  }

  private static By named(String name) {
    String quoted = "\"" + name + "\"";
    return By.xpath(
        "//*[self::button or self::a][starts-with(normalize-space(.), %s)]".formatted(quoted));
  }

  WebElement button(String name) {
    return see(named(name));
  }

  void press(String name) {
    patiently()
        .withMessage("no \"" + name + "\" to press")
        .until(d -> {
          WebElement found = firstShown(named(name));
          if (found == null || !found.isEnabled()) {
            return false;
          }
          found.click();
          return true;
        });
  }

  boolean isEnabled(String name) {
    WebElement found = firstShown(named(name));
    return found != null && found.isEnabled();
  }

  /** Presses what is named so in the row that has some text. */
  void pressIn(String row, String name) {
    see(By.xpath(
            "//li[contains(., \"%s\")]//*[self::a or self::button][.=\"%s\"]".formatted(row, name)))
        .click();
  }

  void click(String selector) {
    see(By.cssSelector(selector)).click();
  }

  void write(String label, String text) {
    WebElement field =
        see(
            By.xpath(
                "//*[@aria-label=\"%s\"] | //label[contains(.,\"%s\")]//*[self::input or self::textarea]"
                    .formatted(label, label)));
    field.sendKeys(Keys.chord(Keys.CONTROL, "a"), text);
  }

  /** Types to whatever has the focus. */
  void type(CharSequence... keys) {
    new Actions(driver).sendKeys(keys).perform();
  }

  /** Goes by the tab key to what has this name. */
  void tabTo(String name) {
    for (int i = 0; i < 80; i++) {
      type(Keys.TAB);
      Object focused = script("return document.activeElement.textContent.trim()");
      if (String.valueOf(focused).startsWith(name)) {
        return;
      }
    }
    throw new IllegalStateException("the tab key never came to " + name);
  }

  void chord(Keys held, CharSequence key) {
    new Actions(driver).keyDown(held).sendKeys(key).keyUp(held).perform();
  }

  void choose(Path file) {
    driver.findElement(By.cssSelector("input[type=file]")).sendKeys(file.toString());
  }

  /** Chooses several files at once. */
  void choose(List<Path> files) {
    driver
        .findElement(By.cssSelector("input[type=file]"))
        .sendKeys(files.stream().map(Path::toString).collect(Collectors.joining("\n")));
  }

  /** The findings whose marks are drawn, each by its key; of joined ones the worst. */
  Set<String> marks() {
    return driver.findElements(By.cssSelector("[data-testid=marks] [data-finding]")).stream()
        .map(mark -> String.valueOf(mark.getDomAttribute("data-finding")))
        .collect(Collectors.toSet());
  }

  /** From where the model is looked at. */
  String projection() {
    return String.valueOf(
        see(By.cssSelector("[data-projection]")).getDomAttribute("data-projection"));
  }

  /** Clicks on a drawing, which is not as wide as it is seen. */
  void clickOn(By drawing) {
    new Actions(driver)
        .moveToElement(patiently().until(d -> d.findElement(drawing)))
        .click()
        .perform();
  }

  /** Where a place of the model is on the screen. */
  record Pixel(int x, int y) {}

  /** The pixel of the window at which a place of the model is seen. */
  Pixel find(Vec3 place) {
    WebElement host = see(By.cssSelector("[data-projection]"));
    double[] told =
        Arrays.stream(host.getDomAttribute("data-projection").split(" "))
            .mapToDouble(Double::parseDouble)
            .toArray();
    double[] p = {place.x() - told[0], place.y() - told[1], place.z() - told[2], 1};
    double[] clip = new double[4];
    for (int row = 0; row < 4; row++) {
      for (int column = 0; column < 4; column++) {
        clip[row] += told[3 + 4 * column + row] * p[column];
      }
    }
    var box = host.getRect();
    double x = box.x + (clip[0] / clip[3] + 1) / 2 * box.width;
    double y = box.y + (1 - clip[1] / clip[3]) / 2 * box.height;
    return new Pixel((int) Math.round(x), (int) Math.round(y));
  }

  /** Moves the pointer to a place of the model, once the model stands still. */
  void pointAt(Vec3 place) {
    Pixel pixel = find(place);
    for (Pixel before = null; !pixel.equals(before); ) {
      before = pixel;
      awaitFrames();
      pixel = find(place);
    }
    move(pixel.x() - 9, pixel.y() - 6);
    move(pixel.x(), pixel.y());
  }

  /**
   * Until what was asked for is laid out and drawn: the stage is as large as what is round it lets
   * it.
   */
  private void awaitFrames() {
    driver.executeAsyncScript(
        "const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() =>"
            + " setTimeout(done)))");
  }

  void aimsAt(String kind) {
    see(By.cssSelector("[data-aim='" + kind + "']"));
  }

  void clickAt(Vec3 place) {
    pointAt(place);
    perform(
        new Sequence(pointer, 0)
            .addAction(pointer.createPointerDown(PointerInput.MouseButton.LEFT.asArg()))
            .addAction(pointer.createPointerUp(PointerInput.MouseButton.LEFT.asArg())));
  }

  /**
   * Draws one of the grips on the model by so many pixels, until the slip tells what comes of it.
   */
  void drawGrip(String label, int byX, int byY) {
    var box = see(By.cssSelector("[data-grip='" + label + "']")).getRect();
    int x = box.x + box.width / 2;
    int y = box.y + box.height / 2;
    dragFrom(x, y, PointerInput.MouseButton.LEFT, byX, byY);
    awaitFrames();
    seeNone("[data-testid=slip] [aria-busy=true]");
  }

  /** Goes to the model by the tab key, and aims at a place of it by the arrow keys. */
  void aimByKeys(Vec3 place) {
    for (int i = 0; i < 80 && !isOnStage(); i++) {
      type(Keys.TAB);
    }
    assertThat(isOnStage()).as("the tab key comes to the model").isTrue();
    Pixel wanted = find(place);
    var host = see(By.cssSelector("[data-projection]")).getRect();
    type(Keys.ARROW_UP);
    for (int i = 0; i < 200; i++) {
      String[] at = see("keyboard-aim").getDomAttribute("data-at").split(" ");
      double dx = wanted.x() - host.x - Double.parseDouble(at[0]);
      double dy = wanted.y() - host.y - Double.parseDouble(at[1]);
      if (Math.abs(dx) <= 3 && Math.abs(dy) <= 3) {
        return;
      }
      boolean across = Math.abs(dx) > Math.abs(dy);
      Keys key =
          across
              ? (dx > 0 ? Keys.ARROW_RIGHT : Keys.ARROW_LEFT)
              : (dy > 0 ? Keys.ARROW_DOWN : Keys.ARROW_UP);
      if (Math.max(Math.abs(dx), Math.abs(dy)) > 48) {
        chord(Keys.SHIFT, key);
      } else {
        type(key);
      }
    }
    throw new IllegalStateException("the arrow keys never came to " + place);
  }

  private boolean isOnStage() {
    return Boolean.TRUE.equals(script("return document.activeElement.role === 'application'"));
  }

  private void move(int x, int y) {
    perform(new Sequence(pointer, 0).addAction(moveTo(x, y)));
  }

  private org.openqa.selenium.interactions.Interaction moveTo(int x, int y) {
    return pointer.createPointerMove(Duration.ofMillis(20), PointerInput.Origin.viewport(), x, y);
  }

  /** Drags from the floor beside the model, as to turn it (or with the right button to move it). */
  void drag(PointerInput.MouseButton button, int byX, int byY) {
    dragFrom(300, 560, button, byX, byY);
  }

  void dragFrom(int x, int y, PointerInput.MouseButton button, int byX, int byY) {
    Sequence drag =
        new Sequence(pointer, 0)
            .addAction(moveTo(x, y))
            .addAction(pointer.createPointerDown(button.asArg()));
    for (int i = 1; i <= 6; i++) {
      drag.addAction(moveTo(x + byX * i / 6, y + byY * i / 6));
    }
    perform(drag.addAction(pointer.createPointerUp(button.asArg())));
  }

  /** Draws a line through places of the model, as seen now. */
  void draw(Vec3... places) {
    pointAt(places[0]);
    Sequence line =
        new Sequence(pointer, 0)
            .addAction(pointer.createPointerDown(PointerInput.MouseButton.LEFT.asArg()));
    for (Vec3 place : places) {
      Pixel pixel = find(place);
      line.addAction(moveTo(pixel.x(), pixel.y()));
    }
    perform(line.addAction(pointer.createPointerUp(PointerInput.MouseButton.LEFT.asArg())));
  }

  void wheel(int by) {
    WheelInput.ScrollOrigin middle = WheelInput.ScrollOrigin.fromViewport(640, 400);
    new Actions(driver).scrollFromOrigin(middle, 0, by).perform();
  }

  private void perform(Sequence sequence) {
    driver.perform(List.of(sequence));
  }

  /** What is wrong with the page for those who can't see it, or not well, or use no pointer. */
  List<String> barriers() {
    return violations(new AxeBuilder());
  }

  /** The same of what only the colours decide, by night; by day again afterwards. */
  List<String> barriersByNight() {
    String theme = "document.documentElement.dataset.theme = arguments[0]";
    script(theme, "night");
    try {
      return violations(new AxeBuilder().withRules(List.of("color-contrast")));
    } finally {
      script(theme, "light");
    }
  }

  private List<String> violations(AxeBuilder axe) {
    return axe.analyze(driver).getViolations().stream()
        .map(rule ->
            rule.getId()
                + ": "
                + rule.getNodes().stream()
                    .map(node -> node.getHtml())
                    .limit(3)
                    .collect(Collectors.joining(" | ")))
        .toList();
  }

  Object script(String script, Object... arguments) {
    return driver.executeScript(script, arguments);
  }

  /** Opens one more window of this browser at an address, and goes on in it. */
  void openWindow(String path) {
    driver.switchTo().newWindow(WindowType.TAB);
    open(path);
  }

  /** Goes on in the first, second, ... window. */
  void goToWindow(int i) {
    driver.switchTo().window(List.copyOf(driver.getWindowHandles()).get(i));
  }

  /** Takes the network away, or gives it back. */
  void setOffline(boolean offline) {
    driver.executeCdpCommand("Network.enable", Map.of());
    driver.executeCdpCommand(
        "Network.emulateNetworkConditions",
        Map.of("offline", offline, "latency", 0, "downloadThroughput", -1, "uploadThroughput", -1));
  }

  /** Drops a file with this text where files are handed in. */
  void dropFile(String name, String text) {
    script(
        """
        const data = new DataTransfer();
        data.items.add(new File([arguments[1]], arguments[0]));
        const target = document.querySelector('[data-testid=drop]');
        for (const type of ['dragenter', 'dragover', 'drop']) {
          target.dispatchEvent(new DragEvent(type, { dataTransfer: data, bubbles: true, cancelable: true }));
        }
        """,
        name,
        text);
  }

  /** Lets what moves come to rest, and keeps a picture where pictures are wanted. */
  void picture(String name) {
    String folder = System.getProperty("fair-edge.pictures");
    if (folder == null) {
      return;
    }
    try {
      Thread.sleep(700);
      Files.write(Path.of(folder, name + ".png"), driver.getScreenshotAs(OutputType.BYTES));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /**
   * What the page complained of, but what it tells on screen: refusals, and a server that is off.
   */
  List<String> complaints() {
    return driver.manage().logs().get("browser").getAll().stream()
        .filter(entry -> entry.getLevel().intValue() >= java.util.logging.Level.SEVERE.intValue())
        .map(Object::toString)
        .filter(text ->
            !text.contains("status of 4")
                && !text.contains("ERR_CONNECTION_REFUSED")
                && !text.contains("ERR_INTERNET_DISCONNECTED"))
        .toList();
  }

  @Override
  public void close() {
    Chromium.giveBack(driver, address);
  }
}
