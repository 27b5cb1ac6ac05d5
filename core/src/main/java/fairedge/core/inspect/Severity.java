package fairedge.core.inspect;

/** How much a finding counts in an exercise, the worst first. */
public enum Severity {
  MUST,
  SHOULD,
  REMARK
}
