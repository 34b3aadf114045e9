package tachylim.server;

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
}
