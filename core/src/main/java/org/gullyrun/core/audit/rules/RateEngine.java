package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.DriverPath;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;

/** Does a mixer or production run at another rate than a device it reads or feeds? */
final class RateEngine implements Rule {
    @Override
    public String id() {
        return "rate.engine";
    }

    @Override
    public Topic topic() {
        return Topic.RATE;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.ENGINE_RATE;
    }

    @Override
    public String question() {
        return "Does a mixer or production run at a different sample rate from a device it uses?";
    }

    @Override
    public String severity() {
        return "Major on exclusive and low-latency paths, else minor.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Element mixer : context.rig().of(Kind.MIXER)) {
            check(context.rig(), mixer, Mixers.RATE, mixer.or(Mixers.PATH, DriverPath.STANDARD), findings);
        }
        for (Element production : context.rig().of(Kind.PRODUCTION)) {
            check(
                    context.rig(),
                    production,
                    Productions.RATE,
                    production.or(Productions.PATH, DriverPath.STANDARD),
                    findings);
        }
        return findings;
    }

    /** Adds a finding for a program whose rate isn't that of the devices it reads or plays to. */
    private void check(Rig rig, Element engine, Setting<Double> setting, DriverPath path, List<Finding> into) {
        Double rate = engine.get(setting);
        if (rate == null) {
            return;
        }
        List<Element> others = EngineDevices.of(rig, engine).stream()
                .map(id -> rig.find(id, Kind.DEVICE).orElse(null))
                .filter(d -> d != null && d.get(Devices.RATE) instanceof Double own && !own.equals(rate))
                .toList();
        if (others.isEmpty()) {
            return;
        }
        boolean tight = path.goesAround()
                || others.stream()
                        .anyMatch(d -> d.or(Devices.PATH, DriverPath.STANDARD).goesAround());
        String names = Say.first(others.stream().map(Element::name).toList(), 3);
        String rates = Sentences.list(others.stream()
                .map(d -> d.name() + " at " + Say.kilo(d.or(Devices.RATE, 0.0)))
                .toList());
        double first = others.getFirst().or(Devices.RATE, 1.0);
        FindingBuilder told = FindingBuilder.of(id(), tight ? Severity.MAJOR : Severity.MINOR, engine.id())
                .title(engine.name() + " runs at " + Say.kilo(rate) + ", " + inShort(others, rates))
                .plain(engine.name() + " is set to a different sample rate from " + names + ".")
                .exact(
                        engine.name() + " runs at " + Say.kilo(rate) + ", " + rates + ";",
                        tight ? "the path holds the device, so nothing resamples" : "the system resamples")
                .cause("the sample rates differ")
                .noticed(
                        tight
                                ? "Crackles, wrong pitch, or the device can't be opened at all."
                                : "Usually nothing; resampling costs a little load and delay.")
                .setting(engine, setting)
                .figure("ratio", first / rate, "")
                .figure("pitch", 1200 * Math.log(first / rate) / Math.log(2), "cents");
        others.forEach(d -> told.setting(d, Devices.RATE));
        into.add(told.made());
    }

    /** The rates of devices in a title: more than two of one rate are counted. */
    private static String inShort(List<Element> devices, String rates) {
        List<String> all = devices.stream()
                .map(d -> Say.kilo(d.or(Devices.RATE, 0.0)))
                .distinct()
                .toList();
        return devices.size() > 2 && all.size() == 1 ? devices.size() + " of its devices at " + all.getFirst() : rates;
    }
}
