package jollyroster;

import static com.tngtech.archunit.base.DescribedPredicate.describe;
import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import jollyroster.platform.Actor;
import jollyroster.platform.GroupCommit;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

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
    void a_command_that_begins_a_write_says_who_acts() {
        methods()
                .that()
                .areDeclaredInClassesThat()
                .haveSimpleNameEndingWith("Commands")
                .and()
                .arePublic()
                .and(beginAWrite())
                .and()
                .areDeclaredInClassesThat()
                .resideOutsideOfPackages("jollyroster.standin", "jollyroster.demo")
                .should()
                .haveRawParameterTypes(describe(
                        "an Actor among them",
                        types -> types.stream().anyMatch(type -> type.isEquivalentTo(Actor.class))))
                .check(APP);
    }

    private static DescribedPredicate<JavaMethod> beginAWrite() {
        return describe("begin a write", method -> {
            boolean together = method.getMethodCallsFromSelf().stream()
                    .anyMatch(call -> call.getTargetOwner().isEquivalentTo(GroupCommit.class));
            return together
                    || method.tryGetAnnotationOfType(Transactional.class)
                            .filter(t -> !t.readOnly() && t.propagation() != Propagation.MANDATORY)
                            .isPresent();
        });
    }

    @Test
    void only_pages_ask_who_is_signed_in() {
        noClasses()
                .that()
                .haveSimpleNameEndingWith("Commands")
                .or()
                .haveSimpleNameEndingWith("Worker")
                .should()
                .dependOnClassesThat()
                .haveSimpleName("SignedIn")
                .orShould()
                .dependOnClassesThat()
                .haveSimpleName("SecurityContextHolder")
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
