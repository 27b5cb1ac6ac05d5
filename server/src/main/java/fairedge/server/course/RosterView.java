package fairedge.server.course;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What would come of a roster, line by line; nothing is written.
 *
 * @param how it was read, in words
 * @param columns as the header names them, and what each is taken for
 */
public record RosterView(String how, List<ColumnView> columns, List<RowView> rows) {

  /** What a column can be. */
  public enum Meaning {
    name,
    first,
    last,
    address,
    group,
    out
  }

  public record ColumnView(String name, Meaning meaning) {}

  /** What would come of a row. */
  public enum RowState {
    fresh,
    here,
    unclear,
    wrong,
    out
  }

  /**
   * A row.
   *
   * @param line of the file
   * @param words why, or what will happen
   * @param choices where it is unclear
   */
  public record RowView(
      int line,
      String name,
      @Nullable String address,
      @Nullable String group,
      RowState state,
      String words,
      List<ChoiceView> choices) {}

  /**
   * An answer to what is unclear.
   *
   * @param key to be sent back
   */
  public record ChoiceView(String key, String words) {}
}
