package fairedge.json;

import fairedge.core.inspect.finding.Finding;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The numbers of a finding by their names in its record, so that nobody takes its words apart. */
final class FindingNumbers {
  /** Of each kind of record those of its components that are numbers. */
  private static final ClassValue<List<RecordComponent>> COMPONENTS =
      new ClassValue<>() {
        @Override
        protected List<RecordComponent> computeValue(Class<?> type) {
          return Arrays.stream(type.getRecordComponents())
              .filter(FindingNumbers::isNumber)
              .toList();
        }
      };

  private FindingNumbers() {}

  private static boolean isNumber(RecordComponent component) {
    Class<?> type = component.getType();
    return type == int.class || type == long.class || type == double.class || type == boolean.class;
  }

  /** What is or is not is 1 or 0; what is beyond measure is left out. */
  static Map<String, Double> of(Finding finding) {
    Map<String, Double> numbers = new LinkedHashMap<>();
    for (RecordComponent component : COMPONENTS.get(finding.getClass())) {
      double value = valueOf(component, finding);
      if (Double.isFinite(value)) {
        numbers.put(component.getName(), value);
      }
    }
    return numbers;
  }

  private static double valueOf(RecordComponent component, Finding finding) {
    try {
      Object value = component.getAccessor().invoke(finding);
      return switch (value) {
        case Number number -> number.doubleValue();
        case Boolean is -> is ? 1 : 0;
        case null, default -> Double.NaN;
      };
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(component + " can't be read", e);
    }
  }

  /** The name of its record: a form of its kind. */
  static String formOf(Finding finding) {
    String name = finding.getClass().getSimpleName();
    return name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1);
  }
}
