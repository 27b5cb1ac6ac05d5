package fairedge.server.platform;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every address of a place is the front end's: it opens the same view after a reload. */
@Controller
class FrontEnd {
  @GetMapping({
    "/sign-in",
    "/my-work",
    "/bench/{exercise}",
    "/desk",
    "/review/{submission}",
    "/answer/{submission}"
  })
  String place() {
    return "forward:/index.html";
  }
}
