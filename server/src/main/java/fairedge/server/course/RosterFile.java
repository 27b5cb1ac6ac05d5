package fairedge.server.course;

import fairedge.server.account.Accounts;
import fairedge.server.course.RosterView.Meaning;
import fairedge.server.platform.Problem;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;

/**
 * A roster as it was read: a table with a header, by comma, semicolon or tab, in UTF-8 or, where it
 * is not that, in Windows-1252.
 *
 * @param how it was read, in words
 * @param header the names of the columns
 * @param meanings what each column is, in the order of the columns
 * @param rows by their lines
 */
record RosterFile(String how, List<String> header, List<Meaning> meanings, List<Row> rows) {
  private static final int MOST_ROWS = 5_000;
  private static final int MOST_COLUMNS = 40;

  /**
   * A row.
   *
   * @param line of the file, from 1
   * @param fault what is wrong with it as a row; null if nothing
   */
  record Row(int line, String name, String address, String group, @Nullable String fault) {}

  /**
   * @param meanings what the columns are, where somebody says otherwise than their names do
   * @throws Problem if it is no table with a header, or too long
   */
  static RosterFile read(byte[] bytes, @Nullable List<Meaning> meanings) {
    Text text = decoded(bytes);
    char separator = separatorOf(text.text);
    try (CSVParser parser =
        CSVFormat.DEFAULT
            .builder()
            .setDelimiter(separator)
            .setIgnoreEmptyLines(false)
            .setTrim(true)
            .get()
            .parse(new StringReader(text.text))) {
      return table(parser, text.charset, separator, meanings);
    } catch (UncheckedIOException | IOException | IllegalStateException broken) {
      throw bad("It breaks off inside a cell that begins with a quotation mark.");
    }
  }

  private static RosterFile table(
      CSVParser parser, String charset, char separator, @Nullable List<Meaning> asked) {
    List<String> header = List.of();
    List<Meaning> meanings = List.of();
    List<Row> rows = new ArrayList<>();
    for (CSVRecord record : parser) {
      if (isEmpty(record)) {
        continue;
      }
      if (header.isEmpty()) {
        header = record.toList();
        meanings = meanings(header, asked);
        continue;
      }
      if (rows.size() == MOST_ROWS) {
        throw bad("It has more than %,d rows: divide it.".formatted(MOST_ROWS));
      }
      // The parser counts lines as it has read them: a row of several lines is known by its last.
      rows.add(row((int) parser.getCurrentLineNumber(), record, header.size(), meanings));
    }
    if (header.isEmpty()) {
      throw bad("It is empty.");
    }
    String by = separator == ';' ? "semicolons" : separator == '\t' ? "tabs" : "commas";
    return new RosterFile(
        "%s, %s, %s after the header".formatted(by, charset, counted(rows.size())),
        header,
        meanings,
        rows);
  }

  private static String counted(int rows) {
    return rows == 1 ? "1 line" : "%,d lines".formatted(rows);
  }

  private static boolean isEmpty(CSVRecord record) {
    return record.stream().allMatch(String::isEmpty);
  }

  private static List<Meaning> meanings(List<String> header, @Nullable List<Meaning> asked) {
    if (header.size() > MOST_COLUMNS) {
      throw bad("It has more than %d columns.".formatted(MOST_COLUMNS));
    }
    return asked != null && asked.size() == header.size()
        ? asked
        : header.stream().map(RosterColumns::meaningOf).toList();
  }

  private static Row row(int line, CSVRecord record, int columns, List<Meaning> meanings) {
    Map<Meaning, String> cells = new EnumMap<>(Meaning.class);
    for (int i = 0; i < Math.min(record.size(), columns); i++) {
      String cell = record.get(i).replaceAll("\\p{Cntrl}+", " ").strip();
      cells.merge(meanings.get(i), cell, (a, b) -> (a + " " + b).strip());
    }
    String whole = cells.getOrDefault(Meaning.name, "");
    String parts =
        (cells.getOrDefault(Meaning.first, "") + " " + cells.getOrDefault(Meaning.last, ""))
            .strip();
    String name = whole.isEmpty() ? parts : whole;
    String address = cells.getOrDefault(Meaning.address, "");
    String group = cells.getOrDefault(Meaning.group, "");
    return new Row(line, name, address, group, fault(record, columns, name, address, group));
  }

  private static @Nullable String fault(
      CSVRecord record, int columns, String name, String address, String group) {
    if (record.size() > columns) {
      return "more cells than the header has";
    }
    if (name.isEmpty()) {
      return "no name in this line";
    }
    if (name.length() > 200) {
      return "this name is longer than 200 letters";
    }
    if ("=+-@\t".indexOf(name.charAt(0)) >= 0) {
      return "this name begins like a formula";
    }
    if (address.length() > Accounts.LONGEST_ADDRESS) {
      return "this address is longer than %d letters".formatted(Accounts.LONGEST_ADDRESS);
    }
    if (group.length() > 60) {
      return "this group is longer than 60 letters";
    }
    return addressFault(address);
  }

  private static @Nullable String addressFault(String address) {
    if (address.isEmpty()) {
      return null;
    }
    long ats = address.chars().filter(c -> c == '@').count();
    if (ats > 1) {
      return "address with two @: " + address;
    }
    return Accounts.isAddress(address) ? null : "no mail address: " + address;
  }

  private record Text(String text, String charset) {}

  private static Text decoded(byte[] bytes) {
    try {
      String text =
          StandardCharsets.UTF_8
              .newDecoder()
              .onMalformedInput(CodingErrorAction.REPORT)
              .onUnmappableCharacter(CodingErrorAction.REPORT)
              .decode(ByteBuffer.wrap(bytes))
              .toString();
      if (text.indexOf('\0') >= 0) {
        throw bad("It is no text: a table saved as CSV is one.");
      }
      return new Text(text.startsWith("\uFEFF") ? text.substring(1) : text, "UTF-8");
    } catch (CharacterCodingException notUtf8) {
      String text = new String(bytes, Charset.forName("windows-1252"));
      if (text.indexOf('\0') >= 0) {
        throw bad("It is no text: a table saved as CSV is one.");
      }
      return new Text(text, "Windows-1252");
    }
  }

  /** What the first line has most of. */
  private static char separatorOf(String text) {
    String first = text.lines().filter(l -> !l.isBlank()).findFirst().orElse("");
    char best = ',';
    for (char c : new char[] {';', '\t'}) {
      if (count(first, c) > count(first, best)) {
        best = c;
      }
    }
    return best;
  }

  private static long count(String line, char c) {
    return line.chars().filter(x -> x == c).count();
  }

  private static Problem bad(String why) {
    return Problem.of(
        Problem.Kind.BAD_FILE,
        "This roster could not be read. " + why,
        Map.of("line", 0, "found", why, "expected", "a table with a header, saved as CSV"));
  }
}
