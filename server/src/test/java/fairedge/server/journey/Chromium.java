package fairedge.server.journey;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.openqa.selenium.WebDriverException;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;

/**
 * The Chromium of all tests: it takes longer to start than most of them take. Whoever is done with
 * one gives it back, and it forgets all that it knew; only who needs two at once starts another.
 */
final class Chromium {
  private static final Deque<ChromeDriver> IDLE = new ArrayDeque<>();
  private static final Path PROFILES = profiles();

  static {
    Runtime.getRuntime().addShutdownHook(new Thread(Chromium::end));
  }

  private static int started;

  private Chromium() {}

  private static Path profiles() {
    try {
      return Files.createTempDirectory("fair-edge-browser");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static synchronized ChromeDriver take() {
    ChromeDriver driver = IDLE.isEmpty() ? started() : IDLE.pop();
    resize(driver, 1280, 800);
    return driver;
  }

  /** The window's own size counts the browser's bars in. */
  static void resize(ChromeDriver driver, int width, int height) {
    driver.executeCdpCommand(
        "Emulation.setDeviceMetricsOverride",
        Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", false));
  }

  private static ChromeDriver started() {
    ChromeOptions options = new ChromeOptions();
    options.setBinary(onPath("chromium", "chromium-browser", "google-chrome").toFile());
    options.addArguments(
        "--headless",
        "--no-sandbox",
        "--disable-gpu",
        "--enable-unsafe-swiftshader",
        "--disable-dev-shm-usage",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--no-first-run",
        "--force-color-profile=srgb",
        "--window-size=1280,800",
        "--user-data-dir=" + PROFILES.resolve("p" + started++));
    return new ChromeDriver(
        new ChromeDriverService.Builder()
            .usingDriverExecutable(onPath("chromedriver").toFile())
            .build(),
        options);
  }

  private static Path onPath(String... names) {
    return Stream.of(names)
        .flatMap(
            name -> Arrays.stream(System.getenv("PATH").split(":")).map(dir -> Path.of(dir, name)))
        .filter(Files::isExecutable)
        .findFirst()
        .orElseThrow(
            () -> new IllegalStateException("not installed: " + String.join(" or ", names)));
  }

  /**
   * @param origin at which it was
   */
  static synchronized void giveBack(ChromeDriver driver, String origin) {
    try {
      forget(driver, origin);
      IDLE.push(driver);
    } catch (WebDriverException e) {
      // One that does not answer any more is of no use to the next.
      driver.quit();
    }
  }

  private static void forget(ChromeDriver driver, String origin) {
    List<String> windows = List.copyOf(driver.getWindowHandles());
    for (String window : windows.subList(1, windows.size())) {
      driver.switchTo().window(window);
      driver.close();
    }
    driver.switchTo().window(windows.getFirst());
    driver.executeCdpCommand("Network.enable", Map.of());
    driver.executeCdpCommand(
        "Network.emulateNetworkConditions",
        Map.of("offline", false, "latency", 0, "downloadThroughput", -1, "uploadThroughput", -1));
    driver.executeCdpCommand("Network.disable", Map.of());
    // What is not confirmed would hold the page back.
    driver.executeScript("window.onbeforeunload = null");
    driver.get("about:blank");
    driver.executeCdpCommand("Network.clearBrowserCookies", Map.of());
    driver.executeCdpCommand(
        "Storage.clearDataForOrigin", Map.of("origin", origin, "storageTypes", "all"));
    driver.manage().logs().get("browser");
  }

  private static synchronized void end() {
    IDLE.forEach(ChromeDriver::quit);
    try (Stream<Path> files = Files.walk(PROFILES)) {
      files.sorted((a, b) -> b.compareTo(a)).forEach(file -> file.toFile().delete());
    } catch (IOException | UncheckedIOException e) {
      System.err.println("left at " + PROFILES + ": " + e.getMessage());
    }
  }
}
