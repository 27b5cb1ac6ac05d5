package fairedge.core.format.gltf;

import fairedge.core.format.BadFile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A small reader of JSON (RFC 8259): objects become maps, arrays lists, numbers doubles. Nested no
 * deeper than {@value #DEEPEST}, {@value #MOST} values at the most, so that memory is bounded.
 * Cost: the text.
 */
final class GltfJson {
  private static final int DEEPEST = 100;
  private static final int MOST = 2_000_000;

  private final byte[] text;
  private int at;
  private int line = 1;
  private int values;

  private GltfJson(byte[] text) {
    this.text = text;
  }

  /**
   * @throws BadFile naming the line of what is no JSON
   */
  static @Nullable Object parse(byte[] text) throws BadFile {
    GltfJson json = new GltfJson(text);
    Object value = json.value(0);
    json.blank();
    // A GLB fills its JSON up to a whole number of words.
    while (json.at < text.length && text[json.at] == 0) {
      json.at++;
    }
    if (json.at < text.length) {
      throw json.bad("the end of the text");
    }
    return value;
  }

  private BadFile bad(String expected) {
    String found = at < text.length ? "\"" + (char) Math.max(' ', text[at]) + "\"" : "the end";
    return new BadFile(line, found, expected);
  }

  private void blank() {
    while (at < text.length
        && (text[at] == ' ' || text[at] == '\t' || text[at] == '\n' || text[at] == '\r')) {
      line += text[at++] == '\n' ? 1 : 0;
    }
  }

  private boolean skips(char c) {
    blank();
    boolean there = at < text.length && text[at] == c;
    at += there ? 1 : 0;
    return there;
  }

  private void require(char c) throws BadFile {
    if (!skips(c)) {
      throw bad("\"" + c + "\"");
    }
  }

  private @Nullable Object value(int depth) throws BadFile {
    if (depth > DEEPEST) {
      throw bad("JSON that is nested no deeper than " + DEEPEST);
    }
    if (++values > MOST) {
      throw bad("JSON with " + MOST + " values at the most");
    }
    blank();
    int c = at < text.length ? text[at] : -1;
    return switch (c) {
      case '{' -> object(depth);
      case '[' -> array(depth);
      case '"' -> string();
      case 't' -> word("true", true);
      case 'f' -> word("false", false);
      case 'n' -> word("null", null);
      default -> number();
    };
  }

  private Map<String, @Nullable Object> object(int depth) throws BadFile {
    require('{');
    Map<String, @Nullable Object> object = new LinkedHashMap<>();
    if (skips('}')) {
      return object;
    }
    do {
      blank();
      String name = string();
      require(':');
      object.put(name, value(depth + 1));
    } while (skips(','));
    require('}');
    return object;
  }

  private List<@Nullable Object> array(int depth) throws BadFile {
    require('[');
    List<@Nullable Object> array = new ArrayList<>();
    if (skips(']')) {
      return array;
    }
    do {
      array.add(value(depth + 1));
    } while (skips(','));
    require(']');
    return array;
  }

  private String string() throws BadFile {
    require('"');
    int from = at;
    StringBuilder escaped = null;
    while (at < text.length && text[at] != '"') {
      if (text[at] == '\\') {
        escaped = escaped == null ? new StringBuilder() : escaped;
        escaped.append(new String(text, from, at - from, StandardCharsets.UTF_8));
        escaped.append(escape());
        from = at;
      } else {
        at++;
      }
    }
    String rest = new String(text, from, Math.min(at, text.length) - from, StandardCharsets.UTF_8);
    require('"');
    return escaped == null ? rest : escaped.append(rest).toString();
  }

  private char escape() throws BadFile {
    at++;
    int c = at < text.length ? text[at++] : -1;
    return switch (c) {
      case 'n' -> '\n';
      case 't' -> '\t';
      case 'r' -> '\r';
      case 'b' -> '\b';
      case 'f' -> '\f';
      case '"', '\\', '/' -> (char) c;
      case 'u' -> unicode();
      default -> throw bad("an escape");
    };
  }

  private char unicode() throws BadFile {
    int code = 0;
    for (int i = 0; i < 4; i++) {
      int digit = at < text.length ? Character.digit(text[at], 16) : -1;
      if (digit < 0) {
        throw bad("four hexadecimal digits");
      }
      code = 16 * code + digit;
      at++;
    }
    return (char) code;
  }

  private @Nullable Object word(String word, @Nullable Object value) throws BadFile {
    for (int i = 0; i < word.length(); i++) {
      if (at >= text.length || text[at] != word.charAt(i)) {
        throw bad(word);
      }
      at++;
    }
    return value;
  }

  private Double number() throws BadFile {
    int from = at;
    while (at < text.length && "+-.0123456789eE".indexOf(text[at]) >= 0) {
      at++;
    }
    try {
      return Double.valueOf(new String(text, from, at - from, StandardCharsets.US_ASCII));
    } catch (NumberFormatException none) {
      at = from;
      throw bad("a value");
    }
  }
}
