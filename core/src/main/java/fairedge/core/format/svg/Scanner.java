package fairedge.core.format.svg;

import java.util.ArrayList;
import java.util.List;

/** Numbers, flags and letters of path data, as the SVG standard's grammar has them. */
final class Scanner {
  private final String text;
  private final int line;
  private int at;

  Scanner(String text, int line) {
    this.text = text;
    this.line = line;
  }

  static List<Double> numbers(String text, int line) throws SvgFault {
    Scanner scanner = new Scanner(text, line);
    List<Double> numbers = new ArrayList<>();
    while (!scanner.isDone()) {
      numbers.add(scanner.number());
    }
    return numbers;
  }

  static String brief(String text) {
    String start = text.strip();
    return start.length() <= 40 ? start : start.substring(0, 40) + "...";
  }

  private void skip() {
    while (at < text.length() && (text.charAt(at) <= ' ' || text.charAt(at) == ',')) {
      at++;
    }
  }

  boolean isDone() {
    skip();
    return at >= text.length();
  }

  boolean isLetter() {
    skip();
    return at < text.length() && Character.isLetter(text.charAt(at));
  }

  char letter() {
    skip();
    return text.charAt(at++);
  }

  /** One digit, which need not be apart from what follows. */
  boolean flag() throws SvgFault {
    skip();
    if (at < text.length() && (text.charAt(at) == '0' || text.charAt(at) == '1')) {
      return text.charAt(at++) == '1';
    }
    throw fault("0 or 1");
  }

  double number() throws SvgFault {
    skip();
    int start = at;
    if (at < text.length() && (text.charAt(at) == '+' || text.charAt(at) == '-')) {
      at++;
    }
    int digits = digits();
    if (at < text.length() && text.charAt(at) == '.') {
      at++;
      digits += digits();
    }
    if (digits == 0) {
      at = start;
      throw fault("a number");
    }
    exponent();
    double value = Double.parseDouble(text.substring(start, at));
    if (!Double.isFinite(value)) {
      throw new SvgFault("The number " + brief(text.substring(start, at)) + " is too large.", line);
    }
    return value;
  }

  private int digits() {
    int start = at;
    while (at < text.length() && text.charAt(at) >= '0' && text.charAt(at) <= '9') {
      at++;
    }
    return at - start;
  }

  private void exponent() {
    int start = at;
    if (at < text.length() && (text.charAt(at) == 'e' || text.charAt(at) == 'E')) {
      at++;
      if (at < text.length() && (text.charAt(at) == '+' || text.charAt(at) == '-')) {
        at++;
      }
      if (digits() == 0) {
        at = start;
      }
    }
  }

  SvgFault fault(String expected) {
    String found = at < text.length() ? "\"" + brief(text.substring(at)) + "\"" : "the end";
    return new SvgFault("Expected " + expected + " and found " + found + ".", line);
  }
}
