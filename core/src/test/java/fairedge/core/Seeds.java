package fairedge.core;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.ArgumentsProvider;
import org.junit.jupiter.params.provider.ArgumentsSource;
import org.junit.jupiter.params.support.ParameterDeclarations;

/**
 * Random laws by seed: from 1 up to a few where all is verified, to as many as the property {@code
 * fair-edge.seeds} says where they are looked for long ({@code ./fair-edge fuzz}).
 */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@ArgumentsSource(Seeds.Source.class)
public @interface Seeds {
  /** How many where all is verified. */
  int value() default 2;

  /** Gives them, one after the other. */
  final class Source implements ArgumentsProvider {
    @Override
    public Stream<? extends Arguments> provideArguments(
        ParameterDeclarations parameters, ExtensionContext context) {
      int few = context.getRequiredTestMethod().getAnnotation(Seeds.class).value();
      int seeds = Integer.getInteger("fair-edge.seeds", few);
      return LongStream.rangeClosed(1, seeds).mapToObj(Arguments::of);
    }
  }
}
