package tachylim.server;

import static com.tngtech.archunit.core.domain.JavaCall.Predicates.target;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.type;
import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.nameMatching;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import jakarta.persistence.Entity;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.web.bind.annotation.RestController;
import tachylim.tempo.Tempo;

@AnalyzeClasses(packages = "tachylim.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule featuresDoNotGoInCircles =
            slices().matching("tachylim.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule controllersAskServices = noClasses()
            .that()
            .areAnnotatedWith(RestController.class)
            .should()
            .dependOnClassesThat()
            .areAssignableTo(JpaRepository.class)
            .orShould()
            .dependOnClassesThat()
            .areAnnotatedWith(Entity.class);

    @ArchTest
    static final ArchRule controllersStayInTheirPackage =
            classes().that().areAnnotatedWith(RestController.class).should().bePackagePrivate();

    @ArchTest
    static final ArchRule timeComesFromTheClock = noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now");

    /** Tempos, seconds and shares are reckoned with in the core; the demo's player alone is made up here. */
    @ArchTest
    static final ArchRule nothingIsReckonedOutsideTheCore = noClasses()
            .that()
            .resideOutsideOfPackage("tachylim.server.demo..")
            .should()
            .callMethodWhere(target(owner(type(Tempo.class)))
                    .and(target(nameMatching("times|ratioTo|rate|gap|secondsFor|log|clamped|slower"))))
            .orShould()
            .callMethodWhere(target(owner(type(Math.class))).and(target(nameMatching("exp|log.*|pow|sqrt|cbrt"))));

    @ArchTest
    static final ArchRule passesHaveOneOwner = noClasses()
            .that()
            .resideOutsideOfPackage("tachylim.server.ceiling..")
            .should()
            .dependOnClassesThat()
            .haveSimpleName("PlayedPassRepository")
            .orShould()
            .dependOnClassesThat()
            .haveSimpleName("BeliefRepository");

    @ArchTest
    static final ArchRule nobodyKnowsTheDemo = noClasses()
            .that()
            .resideOutsideOfPackage("tachylim.server.demo..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("tachylim.server.demo..");

    /** Time is asked for, never handed around by whoever wants it to be another time. */
    @ArchTest
    static final ArchRule theSystemsClockIsAskedInOnePlace = noClasses()
            .that()
            .doNotHaveSimpleName("TachylimApplication")
            .and()
            .resideOutsideOfPackage("tachylim.server.demo..")
            .should()
            .callMethodWhere(target(owner(type(java.time.Clock.class))).and(target(nameMatching("system.*|tick.*"))))
            .orShould()
            .callMethod(System.class, "currentTimeMillis");
}
