package fairedge.server.running;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.SocketException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;

/**
 * A mail server that takes what it is sent, or answers otherwise where it is told to (RFC 5321).
 */
public final class MailServer implements AutoCloseable {
  /** Ends the line without an answer. */
  public static final String SILENCE = "";

  private final ServerSocket socket;
  private final List<String> taken = new CopyOnWriteArrayList<>();
  private final ConcurrentHashMap<String, String> answers = new ConcurrentHashMap<>();

  public MailServer() {
    try {
      socket = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Thread.ofVirtual().start(this::serve);
  }

  public int port() {
    return socket.getLocalPort();
  }

  /** What it took, head and text. */
  public List<String> taken() {
    return taken;
  }

  /** What it answers to a command from now on; "." is the end of a text. */
  public void answer(String command, String answer) {
    answers.put(command, answer);
  }

  /** It takes everything again. */
  public void takeAll() {
    answers.clear();
  }

  private void serve() {
    while (!socket.isClosed()) {
      try {
        Socket line = socket.accept();
        Thread.ofVirtual().start(() -> talk(line));
      } catch (SocketException closed) {
        return;
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  private void talk(Socket line) {
    try (line;
        BufferedReader in =
            new BufferedReader(
                new InputStreamReader(line.getInputStream(), StandardCharsets.UTF_8));
        OutputStream out = line.getOutputStream()) {
      say(out, "220 quay.example");
      for (String said = in.readLine(); said != null; said = in.readLine()) {
        String command = said.split("[ :]")[0].toUpperCase(Locale.ROOT);
        if (!isAnswered(out, command, command.equals("DATA") ? "354 go on" : "250 yes")) {
          return;
        }
        if (command.equals("DATA") && !answers.containsKey("DATA")) {
          String text = text(in);
          String end = answers.get(".");
          if (end == null || end.startsWith("2") || end.isEmpty()) {
            // Where it falls silent it has taken the text all the same: that can't be known
            // outside.
            taken.add(text);
          }
          if (!isAnswered(out, ".", "250 taken")) {
            return;
          }
        }
        if (command.equals("QUIT")) {
          return;
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private boolean isAnswered(OutputStream out, String command, String usual) throws IOException {
    String answer = answers.getOrDefault(command, usual);
    if (answer.equals(SILENCE)) {
      return false;
    }
    say(out, answer);
    return true;
  }

  private static String text(BufferedReader in) throws IOException {
    StringBuilder text = new StringBuilder();
    for (String said = in.readLine(); said != null && !said.equals("."); said = in.readLine()) {
      text.append(said).append('\n');
    }
    return text.toString();
  }

  private static void say(OutputStream out, String answer) throws IOException {
    out.write((answer + "\r\n").getBytes(StandardCharsets.UTF_8));
    out.flush();
  }

  @Override
  public void close() {
    try {
      socket.close();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
