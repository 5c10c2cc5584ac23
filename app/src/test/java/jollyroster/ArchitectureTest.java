package jollyroster;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import org.junit.jupiter.api.Test;

/** The shape of the house. */
class ArchitectureTest {

    private static final JavaClasses APP = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("jollyroster");

    @Test
    void only_queries_and_commands_touch_the_store() {
        noClasses()
                .that()
                .haveSimpleNameNotEndingWith("Queries")
                .and()
                .haveSimpleNameNotEndingWith("Commands")
                .and()
                .resideOutsideOfPackages("jollyroster.platform", "jollyroster.platform.tables..")
                .and()
                .areTopLevelClasses()
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.jooq..")
                .check(APP);
    }

    @Test
    void pages_do_not_write_past_commands() {
        noClasses()
                .that()
                .haveSimpleNameEndingWith("Controller")
                .should()
                .dependOnClassesThat()
                .haveSimpleName("Writes")
                .orShould()
                .dependOnClassesThat()
                .haveSimpleName("Reads")
                .check(APP);
        noClasses()
                .that()
                .haveSimpleNameEndingWith("Queries")
                .should()
                .dependOnClassesThat()
                .haveSimpleName("Writes")
                .check(APP);
    }

    @Test
    void features_form_no_cycle() {
        slices().matching("jollyroster.(*)..").should().beFreeOfCycles().check(APP);
    }

    @Test
    void core_knows_nothing_of_the_application() {
        noClasses()
                .that()
                .resideInAPackage("jollyroster.core..")
                .should()
                .dependOnClassesThat(resideInAPackage("jollyroster..").and(not(resideInAPackage("jollyroster.core.."))))
                .check(APP);
    }

    @Test
    void drawings_are_plain() {
        classes()
                .that()
                .resideInAPackage("jollyroster.chart..")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "java..", "org.jspecify..", "jollyroster.chart..", "jollyroster.core..", "jollyroster.platform")
                .check(APP);
    }

    @Test
    void time_is_handed_in() {
        noClasses()
                .should()
                .callMethod(Instant.class, "now")
                .orShould()
                .callMethod(LocalDate.class, "now")
                .orShould()
                .callMethod(LocalDateTime.class, "now")
                .orShould()
                .callMethod(ZonedDateTime.class, "now")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .orShould()
                .callMethod(ZoneId.class, "systemDefault")
                .check(APP);
    }
}
