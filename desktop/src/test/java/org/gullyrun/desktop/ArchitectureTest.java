package org.gullyrun.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The house: who may know whom within the window. */
@AnalyzeClasses(packages = "org.gullyrun.desktop", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule NO_CIRCLES = slices().matching("org.gullyrun.desktop.(*)..")
            .should()
            .beFreeOfCycles()
            .because("parts of the window never talk to each other but through the state");

    @ArchTest
    static final ArchRule STATE_KNOWS_NO_VIEW = noClasses()
            .that()
            .resideInAPackage("..desktop.state..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("javafx..", "..desktop.look..", "..desktop.head..", "..desktop.trace..")
            .because("the state is what views draw, not what draws them");

    @ArchTest
    static final ArchRule LOOK_KNOWS_NO_STATE = noClasses()
            .that()
            .resideInAPackage("..desktop.look..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("..desktop.state..", "..core.flow..", "..core.fix..")
            .because("tokens and small controls know nothing of what they show");

    @ArchTest
    static final ArchRule VIEWS_COMPUTE_NOTHING = noClasses()
            .that()
            .resideInAnyPackage(
                    "..desktop.head..",
                    "..desktop.steps..",
                    "..desktop.basins..",
                    "..desktop.evidence..",
                    "..desktop.trace..",
                    "..desktop.findings..")
            .should()
            .dependOnClassesThat()
            .haveFullyQualifiedName("org.gullyrun.core.audit.Audit")
            .orShould()
            .dependOnClassesThat()
            .haveFullyQualifiedName("org.gullyrun.core.fix.Fixes")
            .because("computation lives in the core and is called by the store, off the interface thread");

    @ArchTest
    static final ArchRule ONE_OWNER_OF_THREADS = noClasses()
            .that()
            .resideOutsideOfPackage("..desktop.state..")
            .should()
            .dependOnClassesThat()
            .haveFullyQualifiedName("java.util.concurrent.Executors")
            .orShould()
            .dependOnClassesThat()
            .haveFullyQualifiedName("java.util.concurrent.ExecutorService")
            .because(
                    "the analysis owns all threads and ends them with the window; views ask the store to work for them");

    @ArchTest
    static final ArchRule STEPS_KNOW_NOTHING_OF_EACH_OTHER = noClasses()
            .that()
            .resideInAnyPackage("..desktop.intake..", "..desktop.brief..", "..desktop.trace..", "..desktop.findings..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("..desktop.window..", "..desktop.head..", "..desktop.basins..", "..desktop.steps..")
            .because("what one step shows follows from the state, not from another part of the window");
}
