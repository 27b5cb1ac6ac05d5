package fairedge.server.platform;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;

/**
 * A table as a file of comma-separated values (RFC 4180, UTF-8). What somebody typed is no formula:
 * a text that a spreadsheet would reckon gets an apostrophe before it, as OWASP advises.
 *
 * @param rows numbers stay numbers; null leaves a cell empty
 */
public record Csv(List<String> head, List<? extends List<?>> rows) {
  /** With these a formula begins, in one spreadsheet or another; also in their wide forms. */
  private static final String FORMULAS = "=+-@\t\r\n\uFF1D\uFF0B\uFF0D\uFF20";

  private static final char BOM = '\uFEFF';

  /**
   * @param hasBom whether it begins with the mark by which some spreadsheets know UTF-8
   */
  public byte[] bytes(boolean hasBom) {
    StringBuilder text = new StringBuilder();
    if (hasBom) {
      text.append(BOM);
    }
    try (CSVPrinter table = new CSVPrinter(text, CSVFormat.RFC4180)) {
      table.printRecord(head.stream().map(Csv::defused).toList());
      for (List<?> row : rows) {
        table.printRecord(row.stream().map(Csv::defused).toList());
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static @Nullable Object defused(@Nullable Object cell) {
    return cell instanceof String text && !text.isEmpty() && FORMULAS.indexOf(text.charAt(0)) >= 0
        ? "'" + text
        : cell;
  }
}
