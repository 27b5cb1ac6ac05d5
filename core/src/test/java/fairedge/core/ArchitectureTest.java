package fairedge.core;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAnyPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchRule;
import fairedge.core.mesh.MeshLinks;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Who in the core may import whom; docs/architecture.md tells it in words. */
class ArchitectureTest {
  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("fairedge.core");

  /** Classes that break the rules on purpose. */
  private static final JavaClasses FIXTURES =
      new ClassFileImporter().importPackages("fairedge.fixture.core");

  /** What each package of the core may import, beside itself and the JDK. */
  private static final Map<String, List<String>> MAY_IMPORT =
      new TreeMap<>(
          Map.ofEntries(
              Map.entry("effort", List.of()),
              Map.entry("geometry", List.of()),
              Map.entry("mesh", List.of("geometry")),
              Map.entry("local", List.of("geometry", "mesh")),
              Map.entry("flow", List.of("geometry", "mesh")),
              Map.entry("subdivide", List.of("geometry", "mesh")),
              Map.entry("fill", List.of("geometry", "mesh", "local")),
              Map.entry("work", List.of("geometry", "mesh", "local", "flow", "near")),
              Map.entry(
                  "tidy", List.of("geometry", "mesh", "local", "flow", "near", "fill", "work")),
              Map.entry(
                  "cut", List.of("geometry", "mesh", "local", "flow", "near", "fill", "work")),
              Map.entry(
                  "form", List.of("geometry", "mesh", "local", "flow", "near", "work", "cut")),
              Map.entry(
                  "meet",
                  List.of(
                      "geometry",
                      "mesh",
                      "local",
                      "flow",
                      "near",
                      "fill",
                      "work",
                      "cut",
                      "tidy",
                      "form",
                      "format")),
              Map.entry(
                  "step",
                  List.of(
                      "geometry",
                      "mesh",
                      "local",
                      "flow",
                      "near",
                      "fill",
                      "work",
                      "cut",
                      "tidy",
                      "form",
                      "meet")),
              Map.entry("near", List.of("geometry", "mesh")),
              Map.entry("survey", List.of("geometry", "mesh", "flow", "near", "subdivide")),
              Map.entry(
                  "inspect",
                  List.of("geometry", "mesh", "flow", "near", "subdivide", "survey", "compare")),
              Map.entry(
                  "lens",
                  List.of("geometry", "mesh", "flow", "near", "subdivide", "survey", "inspect")),
              Map.entry(
                  "mend",
                  List.of(
                      "geometry",
                      "mesh",
                      "local",
                      "flow",
                      "near",
                      "fill",
                      "work",
                      "cut",
                      "tidy",
                      "form",
                      "meet",
                      "step",
                      "survey",
                      "inspect")),
              Map.entry(
                  "demonstration",
                  List.of(
                      "geometry",
                      "mesh",
                      "local",
                      "flow",
                      "near",
                      "fill",
                      "work",
                      "cut",
                      "tidy",
                      "form",
                      "meet",
                      "step",
                      "props")),
              Map.entry("compare", List.of("geometry")),
              Map.entry("credit", List.of("inspect")),
              Map.entry("insight", List.of()),
              Map.entry("format", List.of("geometry", "mesh", "subdivide")),
              Map.entry("props", List.of("geometry", "mesh"))));

  private static ArchRule importsOf(String name) {
    String[] allowed =
        Stream.concat(
                // How long it may go on, any work may ask.
                Stream.of(name, "effort").map(n -> "..core." + n + ".."),
                Stream.concat(
                    MAY_IMPORT.get(name).stream().map(n -> "..core." + n + ".."),
                    Stream.of(
                        "java.lang..",
                        "java.util..",
                        "java.io..",
                        "java.nio..",
                        "java.math..",
                        List.of("effort", "credit").contains(name) ? "java.time.." : "java.lang..",
                        // Only the SVG reader has use for it, and only with everything outside
                        // shut.
                        name.equals("format") ? "javax.xml.stream.." : "java.lang..",
                        // Matchings of odd faces.
                        name.equals("mend") ? "org.jgrapht.." : "java.lang..")))
            .toArray(String[]::new);
    String[] withMarks = Arrays.copyOf(allowed, allowed.length + 1);
    withMarks[allowed.length] = "org.jspecify..";
    return classes()
        .that(resideInAPackage("..core." + name + ".."))
        .should()
        .onlyDependOnClassesThat(resideInAnyPackage(withMarks))
        .allowEmptyShould(true);
  }

  private static final ArchRule WRITERS =
      noClasses()
          .that()
          .resideOutsideOfPackages("fairedge.core.mesh..", "fairedge.core.local..")
          .should()
          .dependOnClassesThat()
          .areAssignableTo(MeshLinks.class);

  /** Within inspect: findings know no finder, a family of finders no other. */
  private static final ArchRule FINDINGS =
      noClasses()
          .that()
          .resideInAPackage("..core.inspect.finding..")
          .should()
          .dependOnClassesThat(
              resideInAPackage("..core.inspect..")
                  .and(not(resideInAPackage("..core.inspect.finding.."))));

  private static final ArchRule FAMILIES =
      slices()
          .matching("..core.inspect.(sides|vertices|surface|flow|support|shape)..")
          .should()
          .notDependOnEachOther();

  private static final ArchRule NO_CYCLES =
      slices().matching("..core.(*)..").should().beFreeOfCycles();

  static Stream<String> packages() {
    return MAY_IMPORT.keySet().stream();
  }

  @ParameterizedTest
  @MethodSource("packages")
  void package_importsOnlyWhatItMay(String name) {
    importsOf(name).check(CORE);
  }

  @Test
  void findings_knowNoFinder_andFamiliesNoOther() {
    FINDINGS.check(CORE);
    FAMILIES.check(CORE);
  }

  @Test
  void everyPackage_hasARule() {
    assertThat(CORE.stream().map(c -> c.getPackageName().split("\\.")[2]).distinct())
        .containsExactlyInAnyOrderElementsOf(MAY_IMPORT.keySet());
  }

  @Test
  void onlyMeshAndLocalOperators_writeConnectivity() {
    WRITERS.check(CORE);
    NO_CYCLES.check(CORE);
  }

  @Test
  void rules_catchWhatBreaksThem() {
    assertThat(broken(importsOf("geometry"))).contains("KnowsAMesh");
    assertThat(broken(importsOf("mesh"))).contains("KnowsAnInspector");
    assertThat(broken(importsOf("cut"))).contains("AsksADatabase");
    assertThat(broken(WRITERS)).contains("WritesLinks");
    assertThat(broken(FINDINGS)).contains("KnowsAFinder");
    assertThat(broken(FAMILIES)).contains("KnowsAnotherFamily");
    assertThat(broken(NO_CYCLES)).contains("Cycle detected");
  }

  private static String broken(ArchRule rule) {
    return rule.evaluate(FIXTURES).getFailureReport().toString();
  }
}
