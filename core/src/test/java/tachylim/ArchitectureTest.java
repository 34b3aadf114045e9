package tachylim;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "tachylim", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule coreKnowsNoFramework = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.springframework..",
                    "jakarta.persistence..",
                    "jakarta.servlet..",
                    "jakarta.validation..",
                    "com.fasterxml..",
                    "tools.jackson..",
                    "java.sql..",
                    "java.net..");

    @ArchTest
    static final ArchRule ideasDoNotGoInCircles =
            slices().matching("tachylim.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule dependenciesPointTowardsTempoAndPassage = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("tempo")
            .definedBy("tachylim.tempo..")
            .layer("passage")
            .definedBy("tachylim.passage..")
            .layer("notation")
            .definedBy("tachylim.notation..")
            .layer("variation")
            .definedBy("tachylim.variation..")
            .layer("task")
            .definedBy("tachylim.task..")
            .layer("count")
            .definedBy("tachylim.count..")
            .layer("method")
            .definedBy("tachylim.method..")
            .layer("ceiling")
            .definedBy("tachylim.ceiling..")
            .layer("load")
            .definedBy("tachylim.load..")
            .layer("workout")
            .definedBy("tachylim.workout..")
            .layer("season")
            .definedBy("tachylim.season..")
            .layer("sim")
            .definedBy("tachylim.sim..")
            .layer("record")
            .definedBy("tachylim.record..")
            .layer("codec")
            .definedBy("tachylim.codec..")
            .whereLayer("codec")
            .mayNotAccessAnyLayer()
            .whereLayer("tempo")
            .mayOnlyAccessLayers("codec")
            .whereLayer("passage")
            .mayNotAccessAnyLayer()
            .whereLayer("notation")
            .mayOnlyAccessLayers("tempo", "passage")
            .whereLayer("variation")
            .mayOnlyAccessLayers("tempo", "passage")
            .whereLayer("task")
            .mayOnlyAccessLayers("tempo", "passage")
            .whereLayer("method")
            .mayOnlyAccessLayers("codec", "tempo", "passage", "task", "count")
            .whereLayer("count")
            .mayOnlyAccessLayers("tempo", "passage", "task", "load")
            .whereLayer("ceiling")
            .mayOnlyAccessLayers("tempo", "passage", "task", "load")
            .whereLayer("load")
            .mayOnlyAccessLayers("tempo", "task")
            .whereLayer("workout")
            .mayOnlyAccessLayers("tempo", "passage", "variation", "task", "method", "ceiling", "load")
            .whereLayer("record")
            .mayOnlyAccessLayers(
                    "codec", "tempo", "passage", "notation", "task", "method", "ceiling", "load", "workout")
            .whereLayer("season")
            .mayOnlyAccessLayers("tempo", "passage", "ceiling", "load")
            .whereLayer("sim")
            .mayOnlyAccessLayers("tempo", "task", "ceiling");

    /** A kind of file is added by its own folder and one line of {@code Format}. */
    @ArchTest
    static final ArchRule roomsOfNotationDoNotKnowOneAnother = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("format")
            .definedBy("tachylim.notation")
            .layer("abc")
            .definedBy("tachylim.notation.abc..")
            .layer("musicxml")
            .definedBy("tachylim.notation.musicxml..")
            .layer("midi")
            .definedBy("tachylim.notation.midi..")
            .layer("entry")
            .definedBy("tachylim.notation.entry..")
            .layer("score")
            .definedBy("tachylim.notation.score..")
            .whereLayer("abc")
            .mayOnlyAccessLayers("score")
            .whereLayer("musicxml")
            .mayOnlyAccessLayers("score")
            .whereLayer("midi")
            .mayOnlyAccessLayers("score")
            .whereLayer("entry")
            .mayOnlyAccessLayers("score")
            .whereLayer("score")
            .mayNotAccessAnyLayer();

    @ArchTest
    static final ArchRule namesComeFromTheWork = noClasses()
            .should()
            .haveSimpleNameEndingWith("Utils")
            .orShould()
            .haveSimpleNameEndingWith("Manager")
            .orShould()
            .haveSimpleNameEndingWith("Helper");

    @ArchTest
    static final ArchRule timeAndChanceComeInFromOutside = noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(Math.class, "random");

    @ArchTest
    static final ArchRule fieldsAreFinalInPublicTypes = classes()
            .that()
            .arePublic()
            .and()
            .haveSimpleNameNotEndingWith("Reader")
            .and()
            .haveSimpleNameNotEndingWith("Writer")
            .and()
            .haveSimpleNameNotEndingWith("Builder")
            .should()
            .haveOnlyFinalFields();
}
