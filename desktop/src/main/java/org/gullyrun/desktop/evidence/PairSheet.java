package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Arrival;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.brief.Waiver;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.rig.Address;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** A pair of source and outlet, or a finding: in words, as a ladder, and with what would take the trouble away. */
final class PairSheet {
    private static final int MOST_SETTINGS = 6;

    private final Store store;
    private final FixesSheet fixes;
    private final Ladder ladder;
    /** The finding of which all settings are shown. */
    private String allOf = "";

    PairSheet(Store store, FixesSheet fixes) {
        this.store = store;
        this.fixes = fixes;
        this.ladder = new Ladder(store);
    }

    /** What a source and a listener have to do with each other. */
    List<Node> ofPair(State state) {
        List<Node> all = new ArrayList<>();
        CellReading cell = state.shown().cell();
        if (cell == null) {
            return List.of(Nodes.label("This pair no longer exists.", "soft"));
        }
        all.add(Nodes.label(cell.source().name() + " → " + cell.outlet().name(), "water-title"));
        Finding finding = state.shown().finding();
        if (finding == null) {
            all.add(Nodes.label(says(state, cell)));
        } else {
            all.addAll(words(finding));
            all.add(fixes.first());
        }
        all.addAll(routes(state));
        return all;
    }

    /** One sentence on what arrives. */
    private static String says(State state, CellReading cell) {
        String arrives = Arrival.sentence(state.reading(), state.shown().scene(), cell, state.scene() < 0);
        Wishes.Ground ground = cell.counting().ground();
        String because = switch (ground) {
            case PRIVATE -> ": it is private.";
            case LICENSED -> ": it is licensed.";
            case DEDICATED -> ": the track is meant for others.";
            case SILENT -> ": it is silent in this scene.";
            case NOTHING_ELSE -> ": nothing else may be heard there.";
            case ENTERED, NOT_SET -> ".";
        };
        return arrives + " The brief says " + cell.wish().word() + because;
    }

    /** What a finding says to the creator and to the technician. */
    private List<Node> words(Finding finding) {
        List<Node> all = new ArrayList<>();
        all.add(Nodes.label(finding.words().exact()));
        VBox notice = new VBox(2);
        notice.getStyleClass().add("notice");
        Nodes.mark(notice, "mild", !finding.isBad());
        var noticed = Nodes.label(finding.words().noticed(), "strong");
        notice.getChildren().add(noticed);
        if (finding.assumed()) {
            notice.getChildren().add(Nodes.label("Based on a setting that is still unknown.", "small"));
        }
        VBox.setMargin(notice, new Insets(4, 0, 4, 0));
        all.add(notice);
        return all;
    }

    /** What a selected finding says. */
    List<Node> ofTrouble(State state) {
        List<Node> all = new ArrayList<>();
        Finding finding = state.shown().finding();
        if (finding == null) {
            String identity = state.selection() instanceof Selection.Trouble(String id) ? id : "";
            for (Waiver waiver : state.what().terms().waivers()) {
                if (waiver.finding().equals(identity)
                        && state.reading().waived().stream()
                                .anyMatch(f -> f.identity().equals(identity))) {
                    return List.of(
                            Nodes.label("Waived", "water-title"),
                            Nodes.label("“" + waiver.reason() + "”", "quote"),
                            Nodes.label(
                                    "The waiver holds until something it is based on changes. You can withdraw it at"
                                            + " the end of the findings.",
                                    "soft"));
                }
            }
            if (!state.reading().asks(identity.substring(0, Math.max(0, identity.indexOf(':'))))) {
                return List.of(
                        Nodes.label("Checking again …", "water-title"),
                        Nodes.label("It takes a moment to find out whether this is still true.", "soft"));
            }
            all.add(Nodes.label("Resolved", "water-title"));
            all.add(Nodes.label("This finding is gone. Press N for the next one.", "soft"));
            CellReading cell = state.shown().cell();
            if (cell != null) {
                all.add(Nodes.label(cell.source().name() + " → " + cell.outlet().name() + " now", "caption"));
                all.add(Nodes.label(says(state, cell)));
                all.addAll(routes(state));
            }
            return all;
        }
        all.add(Nodes.label(finding.words().title(), "water-title"));
        all.add(Nodes.label("Say to the creator", "caption"));
        all.add(Nodes.label("“" + finding.words().plain() + "”", "quote"));
        all.add(fixes.first()); // what to do comes before the figures, so that it is in sight in a low window too
        all.addAll(words(finding));
        all.addAll(routes(state));
        return all;
    }

    /** The settings that are wrong, to be changed where they stand; of many the first, until one asks for all. */
    private Node settings(State state, Finding finding) {
        VBox settings = new VBox(5);
        settings.getStyleClass().add("settings");
        List<Address> addresses = finding.evidence().settings();
        boolean all =
                addresses.size() <= MOST_SETTINGS + 1 || finding.identity().equals(allOf);
        for (Address address : all ? addresses : addresses.subList(0, MOST_SETTINGS)) {
            Node row = SettingEditor.row(store, state.reading().rig(), address, true);
            if (row != null) {
                settings.getChildren().add(row);
            }
        }
        if (!all) {
            Button more = new Button("Show " + (addresses.size() - MOST_SETTINGS) + " more");
            more.setId("more-settings");
            more.getStyleClass().setAll("button", "plain");
            more.setOnAction(e -> {
                allOf = finding.identity();
                settings.getChildren().setAll(((VBox) settings(state, finding)).getChildren());
            });
            settings.getChildren().add(more);
        }
        return settings;
    }

    /** The settings that are wrong or the routes as a ladder, and what else might fix it beneath. */
    private List<Node> routes(State state) {
        List<Node> all = new ArrayList<>();
        Finding finding = state.shown().finding();
        boolean onlySettings = state.shown().routes().isEmpty();
        if (finding != null && !finding.evidence().settings().isEmpty() && onlySettings) {
            all.add(settings(state, finding));
        }
        if (!onlySettings) {
            all.add(Nodes.rule());
            ladder.show(state);
            all.add(ladder);
        } else if (finding == null
                && state.shown().cell() != null
                && !state.shown().cell().delivery().arrives()) {
            CellReading cell = state.shown().cell();
            all.add(Nodes.label(
                    cell.source().name() + " isn't connected to "
                            + cell.outlet().name() + ".",
                    "soft"));
        }
        if (finding != null) {
            all.add(fixes.others());
        }
        return all;
    }
}
