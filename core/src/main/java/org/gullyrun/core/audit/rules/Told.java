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
final class Told {
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

    private Told(String rule, Finding.Subject subject, Severity severity) {
        this.rule = rule;
        this.subject = subject;
        this.severity = severity;
    }

    /** About elements. */
    static Told of(String rule, Severity severity, String... elements) {
        return new Told(rule, Finding.Subject.of(List.of(elements)), severity);
    }

    /** About a source at an outlet. */
    static Told pair(String rule, Severity severity, Element source, Element outlet) {
        return new Told(rule, Finding.Subject.pair(source.id(), outlet.id()), severity);
    }

    /** The scenes that have it, worst first. */
    Told in(List<Integer> places) {
        scenes = places;
        return this;
    }

    /** One line for a list. */
    Told title(String line) {
        title = line;
        return this;
    }

    /** The sentence to say to the creator. */
    Told plain(String sentence) {
        plain = sentence;
        return this;
    }

    /** The sentence for the technician. */
    Told exact(String... parts) {
        exact = Say.sentence(parts);
        return this;
    }

    /** What stands behind it. */
    Told cause(String words) {
        cause = words;
        return this;
    }

    /** What a listener notices. */
    Told noticed(String sentence) {
        noticed = sentence;
        return this;
    }

    /** The ways it rests on. */
    Told evidence(Evidence ways) {
        evidence = ways;
        return this;
    }

    /** A setting it rests on. */
    Told setting(Element element, Setting<?> setting) {
        Address at = new Address(element.id(), setting.key());
        if (!settings.contains(at)) {
            settings.add(at);
        }
        return this;
    }

    /** A number it states. */
    Told figure(String name, double value, String unit) {
        figures.add(new Figure(name, value, unit));
        return this;
    }

    /** Whether it rests on a setting that is not yet known. */
    Told assumed(boolean is) {
        assumed |= is;
        return this;
    }

    Finding made() {
        List<Address> all = new ArrayList<>(evidence.settings());
        all.addAll(settings);
        return new Finding(
                rule,
                subject,
                severity,
                scenes,
                new Finding.Words(title, plain, exact, cause, noticed),
                new Evidence(evidence.scene(), evidence.ways(), all),
                figures,
                assumed);
    }
}
