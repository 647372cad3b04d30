package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Setting;

/** Puts a finding together, piece by piece, in the order in which it is read. */
final class FindingBuilder {
    private final String rule;
    private final Finding.Subject subject;
    private final Severity severity;
    private List<Integer> scenes = List.of();
    private String title = "";
    private String plain = "";
    private String exact = "";
    private String cause = "";
    private String noticed = "";
    private Evidence evidence = Evidence.of();
    private final List<Address> settings = new ArrayList<>();
    private final List<Figure> figures = new ArrayList<>();
    private boolean assumed;

    private FindingBuilder(String rule, Finding.Subject subject, Severity severity) {
        this.rule = rule;
        this.subject = subject;
        this.severity = severity;
    }

    /** About elements. */
    static FindingBuilder of(String rule, Severity severity, String... elements) {
        return new FindingBuilder(rule, Finding.Subject.of(List.of(elements)), severity);
    }

    /** About a source at an outlet. */
    static FindingBuilder pair(String rule, Severity severity, Element source, Element outlet) {
        return new FindingBuilder(rule, Finding.Subject.pair(source.id(), outlet.id()), severity);
    }

    /** The scenes that have it, worst first. */
    FindingBuilder in(List<Integer> places) {
        scenes = places;
        return this;
    }

    /** One line for a list. */
    FindingBuilder title(String line) {
        title = line;
        return this;
    }

    /** The sentence to say to the creator. */
    FindingBuilder plain(String sentence) {
        plain = sentence;
        return this;
    }

    /** The sentence for the technician. */
    FindingBuilder exact(String... parts) {
        exact = Say.sentence(parts);
        return this;
    }

    /** Why it happens. */
    FindingBuilder cause(String words) {
        cause = words;
        return this;
    }

    /** What a listener notices. */
    FindingBuilder noticed(String sentence) {
        noticed = sentence;
        return this;
    }

    /** The routes it is based on. */
    FindingBuilder evidence(Evidence routes) {
        evidence = routes;
        return this;
    }

    /** A setting it is based on. */
    FindingBuilder setting(Element element, Setting<?> setting) {
        Address at = new Address(element.id(), setting.key());
        if (!settings.contains(at)) {
            settings.add(at);
        }
        return this;
    }

    /** A number it states. */
    FindingBuilder figure(String name, double value, String unit) {
        figures.add(new Figure(name, value, unit));
        return this;
    }

    /** Whether it is based on a setting that is still unknown. */
    FindingBuilder assumed(boolean is) {
        assumed |= is;
        return this;
    }

    /** The finding, once everything is said. */
    Finding made() {
        List<Address> all = new ArrayList<>(evidence.settings());
        all.addAll(settings);
        return new Finding(
                rule,
                subject,
                severity,
                scenes,
                new Finding.Words(title, plain, exact, cause, noticed),
                new Evidence(evidence.scene(), evidence.routes(), all),
                figures,
                assumed);
    }
}
