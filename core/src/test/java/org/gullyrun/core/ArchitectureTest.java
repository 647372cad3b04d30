package org.gullyrun.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.Architectures;

/** The house: who may know whom within the core. */
@AnalyzeClasses(packages = "org.gullyrun.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule STAGES = Architectures.layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("rig")
            .definedBy("..core.rig..")
            .layer("brief")
            .definedBy("..core.brief..")
            .layer("graph")
            .definedBy("..core.flow.graph..")
            .layer("route")
            .definedBy("..core.flow.route..")
            .layer("reuse")
            .definedBy("..core.flow.reuse..")
            .layer("audit")
            .definedBy("..core.audit")
            .layer("rules")
            .definedBy("..core.audit.rules..")
            .layer("runmap")
            .definedBy("..core.runmap..")
            .layer("fix")
            .definedBy("..core.fix..")
            .layer("repair")
            .definedBy("..core.repair..")
            .layer("compare")
            .definedBy("..core.compare..")
            .layer("intake")
            .definedBy("..core.intake..")
            .layer("inventory")
            .definedBy("..core.inventory..")
            .layer("casefile")
            .definedBy("..core.casefile..")
            .layer("sample")
            .definedBy("..core.sample..")
            .whereLayer("rig")
            .mayNotAccessAnyLayer()
            .whereLayer("brief")
            .mayOnlyAccessLayers("rig")
            .whereLayer("graph")
            .mayOnlyAccessLayers("rig")
            .whereLayer("route")
            .mayOnlyAccessLayers("rig", "graph")
            .whereLayer("reuse")
            .mayOnlyAccessLayers("rig", "graph", "route")
            .whereLayer("audit")
            .mayOnlyAccessLayers("rig", "brief", "graph", "route", "reuse")
            .whereLayer("rules")
            .mayOnlyAccessLayers("rig", "brief", "graph", "route", "audit")
            .whereLayer("fix")
            .mayOnlyAccessLayers("rig", "brief", "graph", "route", "audit", "rules")
            .whereLayer("repair")
            .mayOnlyAccessLayers("rig", "brief", "graph", "route", "audit", "fix")
            .whereLayer("compare")
            .mayOnlyAccessLayers("rig", "brief", "route", "audit")
            .whereLayer("runmap")
            .mayOnlyAccessLayers("rig", "graph", "route", "audit")
            .whereLayer("casefile")
            .mayOnlyAccessLayers("rig", "brief")
            .whereLayer("intake")
            .mayOnlyAccessLayers("rig", "brief", "graph", "route", "audit", "casefile")
            .whereLayer("inventory")
            .mayOnlyAccessLayers("rig", "intake")
            .whereLayer("sample")
            .mayOnlyAccessLayers("rig", "brief", "casefile")
            .because("each stage stands on the ones before it, so that every answer can be tested on its own");

    @ArchTest
    static final ArchRule NO_CIRCLES = slices().matching("org.gullyrun.core.(**)")
            .should()
            .beFreeOfCycles()
            .because("a folder that needs its own user cannot be understood alone");

    @ArchTest
    static final ArchRule NO_INTERFACE = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "javafx..", "java.awt..", "javax.swing..", "javax.sound..", "java.net..", "info.picocli..")
            .because("the core computes: it knows no screen, no sound hardware and no network");

    @ArchTest
    static final ArchRule RULES_HIDDEN = classes()
            .that()
            .resideInAPackage("..audit.rules")
            .and()
            .doNotHaveSimpleName("RuleCatalogue")
            .and()
            .doNotHaveSimpleName("RulePages")
            .and()
            .areTopLevelClasses()
            .and()
            .doNotHaveSimpleName("package-info")
            .should()
            .notHaveModifier(JavaModifier.PUBLIC)
            .because("rules are reached through their catalogue and pages only");
}
