package fairedge.server;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAnyPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import fairedge.schema.generated.Tables;
import java.lang.reflect.Field;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.modulith.core.ApplicationModule;
import org.springframework.modulith.core.ApplicationModules;

/** Who in the server may import whom; docs/architecture.md tells it in words. */
class ArchitectureTest {
  private static final JavaClasses SERVER =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("fairedge.server");

  /** Classes that break the rules on purpose. */
  private static final JavaClasses FIXTURES =
      new ClassFileImporter().importPackages("fairedge.fixture.server");

  /** The modules from the bottom up: none may know one that comes after it. */
  private static final List<String> ORDER =
      List.of(
          "platform",
          "live",
          "account",
          "course",
          "meshfile",
          "inspection",
          "exercise",
          "practice",
          "bench",
          "submission",
          "review",
          "demonstration",
          "room",
          "insight",
          "print",
          "notice",
          "demo");

  private static final ArchRule SQL_IN_STORES =
      noClasses()
          .that()
          .resideOutsideOfPackages("..store..", "..server.platform..")
          .should()
          .dependOnClassesThat(resideInAnyPackage("org.jooq..", "fairedge.schema.."));

  private static final ArchRule CONTROLLERS_ASK_SERVICES =
      noClasses()
          .that(resideInAPackage("..http.."))
          .should()
          .dependOnClassesThat(resideInAPackage("..store.."));

  /** Whose each table is: only the stores of its module may name it. */
  private static final Map<String, Set<String>> TABLES =
      Map.ofEntries(
          Map.entry("account", Set.of("ACCOUNT", "DEVICE", "TICKET", "SET_UP_CODE")),
          Map.entry("course", Set.of("COURSE", "MEMBERSHIP", "STUDY_GROUP", "AUDIT")),
          Map.entry("meshfile", Set.of("MESH_CONTENT", "SENT_PART")),
          Map.entry(
              "exercise",
              Set.of(
                  "EXERCISE",
                  "EXERCISE_DRAFT",
                  "EXERCISE_VERSION",
                  "EXERCISE_REFERENCE",
                  "EXERCISE_PICTURE",
                  "ASSIGNMENT",
                  "ALLOWANCE")),
          Map.entry("practice", Set.of("PRACTICE")),
          Map.entry(
              "bench", Set.of("WORKPIECE", "WORKPIECE_REQUEST", "STEP", "STEP_NAME", "SNAPSHOT")),
          Map.entry(
              "submission",
              Set.of(
                  "SUBMISSION",
                  "SUBMISSION_REPORT",
                  "SUBMISSION_PICTURE",
                  "REPORT_KIND",
                  "UPLOAD",
                  "BUNDLE",
                  "BUNDLED",
                  "RECHECK_RUN",
                  "WAVING")),
          Map.entry(
              "review",
              Set.of(
                  "ANSWER",
                  "NOTE",
                  "NOTE_OUTCOME",
                  "NOTE_THREAD",
                  "PHRASE",
                  "REVIEW_LEASE",
                  "SAYING")),
          Map.entry(
              "demonstration",
              Set.of(
                  "DEMONSTRATION",
                  "DEMONSTRATION_MESH",
                  "DEMONSTRATION_CLASS",
                  "DEMONSTRATION_EXERCISE",
                  "DEMONSTRATION_TRY")),
          Map.entry("live", Set.of("LIVE_SUBJECT", "LIVE_EVENT")),
          Map.entry("room", Set.of("ROOM_PLACE", "ROOM_WATCH", "HINT", "BENCH_SHOW")),
          Map.entry("print", Set.of("PRINT")),
          Map.entry("notice", Set.of("LETTER", "MAIL_NEWS", "MAIL_UNWANTED", "OUTBOX")),
          Map.entry("platform", Set.of("SCHEDULED_TASKS")));

  private static final ArchRule TABLES_ARE_THEIR_MODULES =
      noClasses()
          .that(resideInAPackage("..store.."))
          .should(
              new ArchCondition<JavaClass>("touch tables of another module") {
                @Override
                public void check(JavaClass store, ConditionEvents events) {
                  store.getFieldAccessesFromSelf().stream()
                      .filter(a -> a.getTargetOwner().getName().endsWith(".generated.Tables"))
                      .filter(a -> !ownTables(store).contains(a.getTarget().getName()))
                      .forEach(a ->
                          events.add(SimpleConditionEvent.satisfied(store, a.getDescription())));
                }
              });

  private static Set<String> ownTables(JavaClass store) {
    String[] path = store.getPackageName().split("\\.");
    return TABLES.getOrDefault(path[path.length - 2], Set.of());
  }

  private static ArchRule knowsNothingAbove(String module) {
    String[] above =
        ORDER.subList(ORDER.indexOf(module) + 1, ORDER.size()).stream()
            .map(m -> "fairedge.server." + m + "..")
            .toArray(String[]::new);
    return noClasses()
        .that(resideInAPackage("..server." + module + ".."))
        .should()
        .dependOnClassesThat(resideInAnyPackage(above))
        .allowEmptyShould(true);
  }

  static List<String> modules() {
    return ORDER.subList(0, ORDER.size() - 1);
  }

  @ParameterizedTest
  @MethodSource("modules")
  void module_knowsNothingAboveIt(String module) {
    knowsNothingAbove(module).check(SERVER);
  }

  @Test
  void modules_showTheirTopPackageOnly_andHaveAPlaceInTheOrder() {
    ApplicationModules modules = ApplicationModules.of(FairEdge.class);
    modules.verify();
    assertThat(modules.stream().map(ApplicationModule::getIdentifier).map(Object::toString))
        .containsExactlyInAnyOrderElementsOf(Set.copyOf(ORDER));
  }

  @Test
  void sqlIsInStores_andControllersAskServices() {
    SQL_IN_STORES.check(SERVER);
    CONTROLLERS_ASK_SERVICES.check(SERVER);
  }

  @Test
  void storesTouchTheTablesOfTheirModule_andEveryTableIsOfOne() {
    TABLES_ARE_THEIR_MODULES.check(SERVER);
    assertThat(TABLES.values().stream().flatMap(Set::stream))
        .containsExactlyInAnyOrderElementsOf(
            Arrays.stream(Tables.class.getFields()).map(Field::getName).toList());
  }

  @Test
  void rules_catchWhatBreaksThem() {
    assertThat(broken(TABLES_ARE_THEIR_MODULES)).contains("ReadsOthers", "ACCOUNT");
    assertThat(broken(SQL_IN_STORES)).contains("AsksTheStore", "org.jooq.DSLContext");
    assertThat(broken(CONTROLLERS_ASK_SERVICES)).contains("AsksTheStore");
    assertThat(broken(knowsNothingAbove("account"))).contains("KnowsReviews");
  }

  private static String broken(ArchRule rule) {
    return rule.evaluate(FIXTURES).getFailureReport().toString();
  }
}
