package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.DefaultFollowers;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;

/** If a default of a machine moves to another usable device, does the brief break? */
final class DefaultFragile implements Rule {
    /** So many cells are read anew in all, whatever the number of devices. */
    private static final long MOST_CELLS = 4_000_000;

    /** So many segments are looked at in all while routes are searched in tangled rigs. */
    private static final long MOST_STEPS = 120_000_000;

    private static final int AT_A_TIME = 4;

    private record Role(Setting<Choice> setting, Direction direction, boolean call) {}

    private static final List<Role> ROLES = List.of(
            new Role(Machines.PLAYBACK, Direction.PLAYBACK, false),
            new Role(Machines.RECORDING, Direction.RECORDING, false),
            new Role(Machines.CALL_PLAYBACK, Direction.PLAYBACK, true),
            new Role(Machines.CALL_RECORDING, Direction.RECORDING, true));

    private record Broken(Element device, List<Hearing> missing, List<Hearing> leaking, boolean live, long steps) {
        /** How many deliveries are broken, missing or leaking. */
        int count() {
            return missing.size() + leaking.size();
        }
    }

    @Override
    public String id() {
        return "default.fragile";
    }

    @Override
    public Topic topic() {
        return Topic.RISK;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.NAME_DEVICE;
    }

    @Override
    public String question() {
        return "Would the show break if the system moved a default to another device?";
    }

    @Override
    public String severity() {
        return "Minor.";
    }

    @Override
    public boolean isDeep() {
        return true;
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        List<Finding> findings = new ArrayList<>();
        long cells = context.scenes().size()
                * Math.max(1L, context.scenes().getFirst().cells().size());
        int left = Math.clamp(MOST_CELLS / cells, 1, 1_000);
        long steps = 0;
        for (Element machine : rig.of(Kind.MACHINE)) {
            for (Role role : ROLES) {
                List<Address> followers = DefaultFollowers.of(rig, machine.id(), role.direction, role.call);
                if (followers.isEmpty()) {
                    continue;
                }
                List<Element> others = rig.of(Kind.DEVICE).stream()
                        .filter(d -> machine.id().equals(d.get(Devices.MACHINE))
                                && d.get(Devices.DIRECTION) == role.direction
                                && Choices.usable(rig, d)
                                && !Choice.to(d.id()).equals(machine.get(role.setting)))
                        .toList();
                String next = Choices.next(rig, machine, role.direction, role.call);
                if (!next.isEmpty()) {
                    others = List.of(rig.get(next)); // the order of preference says where it would go
                }
                if (others.size() > left) {
                    context.leaveUnfinished(this, "not every device was tried as the " + role.setting.label());
                    others = others.subList(0, left);
                }
                left -= others.size();
                Broken worst = null;
                for (int i = 0; i < others.size() && steps < MOST_STEPS; i += AT_A_TIME) {
                    // Each is another rig: some are tried at once, and after them it is counted, always the same.
                    List<Broken> some = others.subList(i, Math.min(i + AT_A_TIME, others.size())).parallelStream()
                            .map(d -> moved(context, machine, role, d, Choice.to(d.id())))
                            .toList();
                    for (Broken broken : some) {
                        steps += broken.steps;
                        worst = broken.count() > 0 && (worst == null || isWorse(broken, worst)) ? broken : worst;
                    }
                    if (steps >= MOST_STEPS && i + AT_A_TIME < others.size()) {
                        context.leaveUnfinished(this, "not every device was tried as the " + role.setting.label());
                    }
                }
                if (worst != null) {
                    findings.add(tell(rig, machine, role, followers, worst));
                }
            }
        }
        return findings;
    }

    /** What breaks live is worse than any number of others. */
    private static boolean isWorse(Broken a, Broken b) {
        return a.live != b.live ? a.live : a.count() > b.count();
    }

    /** What breaks if the default moves to a certain device: the rig is audited as it would be then. */
    private static Broken moved(AuditContext context, Element machine, Role role, Element device, Choice to) {
        Change change = Change.set(context.rig(), machine.id(), role.setting, to);
        List<SceneReading> tried = change == null ? context.scenes() : context.tried(change);
        double least = context.thresholds().of(Threshold.LEAK_MINOR);
        Set<Hearing> missing = new LinkedHashSet<>();
        Set<Hearing> leaking = new LinkedHashSet<>();
        boolean live = false;
        for (int i = 0; i < tried.size(); i++) {
            for (int s = 0; s < context.sources().size(); s++) {
                if (tried.get(i).sharesRow(context.scenes().get(i), s)) {
                    continue;
                }
                for (int o = 0; o < context.outlets().size(); o++) {
                    CellReading was = context.scenes().get(i).cell(s, o);
                    CellReading is = tried.get(i).cell(s, o);
                    if (is.verdict() == Verdict.MISSING && was.verdict() != Verdict.MISSING) {
                        missing.add(Hearing.of(is));
                    }
                    if (leaks(is, least) && !leaks(was, least)) {
                        leaking.add(Hearing.of(is));
                        live |= is.outlet().get(Outlets.SORT) == Outlets.Sort.LIVE;
                    }
                }
            }
        }
        return new Broken(device, List.copyOf(missing), List.copyOf(leaking), live, searched(tried));
    }

    /** How many steps all searches for routes have taken so far. */
    private static long searched(List<SceneReading> scenes) {
        return scenes.stream().mapToLong(s -> s.deliveries().searchSteps()).sum();
    }

    /** Whether something forbidden arrives, and not too faintly to count. */
    private static boolean leaks(CellReading cell, double least) {
        return cell.verdict() == Verdict.LEAK && cell.delivery().strength() >= least;
    }

    /** The programs and whatever else follows a default, as a subject with its verb: "Pagewell and Chimewire follow". */
    private static String following(Rig rig, List<Address> followers) {
        List<String> names = followers.stream()
                .map(at -> rig.get(at.element()))
                .map(e -> e.kind() == Kind.APP_OUTPUT ? rig.program(e).name() : Sentences.noun(rig, e))
                .distinct()
                .toList();
        return Sentences.capitalized(Say.first(names, 3))
                + (names.size() == 1 ? Sentences.verb(names.getFirst(), " follows", " follow") : " follow");
    }

    /** Says what would break if the default moved to the worst device it could move to. */
    private Finding tell(Rig rig, Element machine, Role role, List<Address> followers, Broken worst) {
        String what = role.setting.label();
        String device = worst.device.name();
        String follow = following(rig, followers);
        FindingBuilder finding = FindingBuilder.of(id(), Severity.MINOR, machine.id(), role.setting.key())
                .title("The show depends on " + machine.name() + "'s " + what)
                .plain(follow + " " + machine.name() + "'s " + what + ". If an update or a new headset moves it to "
                        + device + ", "
                        + (worst.live || worst.missing.isEmpty()
                                ? Hearing.told(worst.leaking, " would hear ", " would leak")
                                : Hearing.told(worst.missing, " would lose ", " would go missing")))
                .exact(
                        "With the " + what + " on " + device + ",",
                        worst.missing.isEmpty() ? "" : Hearing.first(worst.missing, 3) + " would be missing",
                        worst.missing.isEmpty() || worst.leaking.isEmpty() ? "" : "and",
                        worst.leaking.isEmpty() ? "" : Hearing.first(worst.leaking, 3) + " would leak",
                        worst.live ? "; that would be on air" : "")
                .cause("something in the show follows the default instead of naming its device")
                .noticed("Nothing now; silence or a leak after the next update.")
                .setting(machine, role.setting)
                .figure("broken", worst.count(), "");
        for (Address at : followers) {
            Element follower = rig.get(at.element());
            finding.setting(follower, Objects.requireNonNull(Catalogue.find(follower.kind(), at.key())));
        }
        return finding.made();
    }
}
