package fairedge.server.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ResponseBody;

/** Every address of a place is the front end's: it opens the same view after a reload. */
@Controller
class FrontEnd {
  /** Where the page keeps the token of its style elements. */
  private static final String SPOT = "__STYLE_TOKEN__";

  private final String page;

  FrontEnd(@Value("classpath:META-INF/resources/index.html") Resource index) throws IOException {
    this.page = index.getContentAsString(StandardCharsets.UTF_8);
  }

  @GetMapping({
    "/",
    "/sign-in",
    "/my-work",
    "/practice",
    "/practice/{practice}",
    "/bench/{exercise}",
    "/desk",
    "/handbook",
    "/handbook/{card}",
    "/exercises",
    "/exercises/{exercise}",
    "/exercises/{exercise}/bundle",
    "/review/{submission}",
    "/answer/{submission}"
  })
  @ResponseBody
  ResponseEntity<String> place(HttpServletRequest request) {
    return ResponseEntity.ok()
        .contentType(new MediaType("text", "html", StandardCharsets.UTF_8))
        .header("Cache-Control", "no-cache")
        .body(page.replace(SPOT, ContentPolicy.tokenFor(request)));
  }
}
