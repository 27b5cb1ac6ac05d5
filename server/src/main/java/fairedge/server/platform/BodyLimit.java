package fairedge.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses bodies over a limit, whether or not they say how long they are. Files that are handed in
 * have a limit of their own.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class BodyLimit extends OncePerRequestFilter {
  private final DataSize limit;

  BodyLimit(@Value("${fair-edge.limits.body}") DataSize limit) {
    this.limit = limit;
  }

  /** A body that does not say how long it is went over the limit. */
  static final class TooLong extends IOException {
    private static final long serialVersionUID = 1L;

    TooLong() {
      super("the body of a request is over the limit");
    }
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    String type = request.getContentType();
    return type != null && type.startsWith("multipart/form-data");
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (request.getContentLengthLong() > limit.toBytes()) {
      Security.write(response, HttpStatus.CONTENT_TOO_LARGE, words());
      return;
    }
    chain.doFilter(new Bounded(request), response);
  }

  private String words() {
    return "A request of this kind may be " + limit.toKilobytes() + " kB long.";
  }

  private final class Bounded extends HttpServletRequestWrapper {
    Bounded(HttpServletRequest request) {
      super(request);
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      return new BoundedStream(super.getInputStream());
    }
  }

  private final class BoundedStream extends ServletInputStream {
    private final ServletInputStream in;
    private long left = limit.toBytes();

    BoundedStream(ServletInputStream in) {
      this.in = in;
    }

    @Override
    public int read() throws IOException {
      int value = in.read();
      count(value < 0 ? 0 : 1);
      return value;
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
      int read = in.read(into, from, length);
      count(Math.max(0, read));
      return read;
    }

    private void count(int read) throws TooLong {
      left -= read;
      if (left < 0) {
        throw new TooLong();
      }
    }

    @Override
    public boolean isFinished() {
      return in.isFinished();
    }

    @Override
    public boolean isReady() {
      return in.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
      in.setReadListener(listener);
    }
  }
}
