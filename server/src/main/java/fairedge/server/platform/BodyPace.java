package fairedge.server.platform;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.time.Duration;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.apache.coyote.InputBuffer;
import org.apache.tomcat.util.net.ApplicationBufferHandler;

/**
 * Ends requests whose body comes in drop by drop, each in time, so that it would hold a thread for
 * as long as it likes. What a request was answered without is read to its end by the same measure,
 * so that the answer arrives; after that the connection is closed.
 */
final class BodyPace extends ValveBase {
  /** So long what is left of a body is read away. */
  private static final Duration LONGEST = Duration.ofSeconds(30);

  private final Duration grace;
  private final long bytesPerSecond;

  /**
   * @param grace so long it may take in any case
   * @param bytesPerSecond as much has to have come for each second after that
   */
  BodyPace(Duration grace, long bytesPerSecond) {
    super(true);
    this.grace = grace;
    this.bytesPerSecond = bytesPerSecond;
  }

  /** A body came in too slowly. */
  static final class TooSlow extends IOException {
    private static final long serialVersionUID = 1L;

    TooSlow() {
      super("the body of a request came in too slowly");
    }
  }

  @Override
  public void invoke(Request request, Response response) throws IOException, ServletException {
    if (isWithoutBody(request)) {
      getNext().invoke(request, response);
      return;
    }
    org.apache.coyote.Request coyote = request.getCoyoteRequest();
    InputBuffer whole = coyote.getInputBuffer();
    Paced paced = new Paced(whole);
    coyote.setInputBuffer(paced);
    try {
      getNext().invoke(request, response);
      if (paced.came != request.getContentLengthLong()) {
        response.finishResponse();
        if (!paced.isReadAway()) {
          coyote.action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        }
      }
    } finally {
      coyote.setInputBuffer(whole);
    }
  }

  /** Also where it is refused already, for saying that it is no number of bytes long. */
  private static boolean isWithoutBody(Request request) {
    String length = request.getHeader("Content-Length");
    return request.getHeader("Transfer-Encoding") == null
        && (length == null || !length.matches("[1-9][0-9]{0,17}"));
  }

  /** Counts what comes in. */
  private final class Paced implements InputBuffer {
    private final InputBuffer in;
    private final long begun = System.nanoTime();
    private long came;

    Paced(InputBuffer in) {
      this.in = in;
    }

    @Override
    public int doRead(ApplicationBufferHandler handler) throws IOException {
      int read = in.doRead(handler);
      came += Math.max(0, read);
      long late = System.nanoTime() - begun - grace.toNanos();
      if (late > 0 && came < late / 1e9 * bytesPerSecond) {
        throw new TooSlow();
      }
      return read;
    }

    /** Reads to the end, by the same measure; false if that does not come in time. */
    boolean isReadAway() {
      long until = System.nanoTime() + LONGEST.toNanos();
      Away away = new Away();
      try {
        while (System.nanoTime() < until) {
          if (doRead(away) < 0) {
            return true;
          }
        }
      } catch (IOException gone) {
        // Whoever sends it has gone, or had the time.
      }
      return false;
    }

    @Override
    public int available() {
      return in.available();
    }
  }

  /** Takes what comes and does nothing with it. */
  private static final class Away implements ApplicationBufferHandler {
    private ByteBuffer buffer = ByteBuffer.allocate(0);

    @Override
    public void setByteBuffer(ByteBuffer given) {
      buffer = given;
    }

    @Override
    public ByteBuffer getByteBuffer() {
      return buffer;
    }

    @Override
    public void expand(int size) {
      // It holds what it is given.
    }
  }
}
