package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.repair.Remedy;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tally;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** What is selected: said in words first, then as a ladder, then what would take the trouble away, with its price. */
public final class EvidenceView extends ScrollPane {
    /** The width of the column at 100 % text. */
    public static final double WIDTH = 320;

    private static final int MOST_REMEDIES = 5;

    private final Store store;
    private final VBox box = new VBox(6);

    /** Evidence of what the store's state has selected. */
    public EvidenceView(Store store) {
        this.store = store;
        setId("evidence");
        getStyleClass().addAll("evidence", "plain-scroll");
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFocusTraversable(false);
        box.setPadding(new Insets(16, 18, 16, 18));
        setContent(box);
        store.watch(this::update);
    }

    private void update(State before, State now) {
        boolean same = before.shown() == now.shown()
                && before.reading() == now.reading()
                && before.hop() == now.hop()
                && before.remedies() == now.remedies()
                && before.textScale() == now.textScale()
                && before.selection().equals(now.selection());
        if (same && !box.getChildren().isEmpty()) {
            return;
        }
        setPrefWidth(WIDTH * now.textScale());
        setMinWidth(WIDTH * now.textScale());
        Node owner = getScene() == null ? null : getScene().getFocusOwner();
        boolean inside = owner != null && isWithin(owner);
        double at = before.selection().equals(now.selection()) ? getVvalue() : 0;
        box.getChildren().setAll(content(now));
        setVvalue(at);
        if (inside) {
            // What had the focus was drawn anew, or is gone: then nothing else may seem to have been chosen.
            Node again = owner.getId() == null ? null : box.lookup("#" + owner.getId());
            (again == null ? getScene().getRoot() : again).requestFocus();
        }
        if (now.hop() >= 0
                && (before.hop() != now.hop()
                        || before.remedies() != now.remedies()
                        || !before.selection().equals(now.selection()))) {
            javafx.application.Platform.runLater(this::reveal);
        }
    }

    private boolean isWithin(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at == box) {
                return true;
            }
        }
        return false;
    }

    /** Scrolls so far that the rung looked at and its settings are seen. */
    private void reveal() {
        Node rung = box.lookup("#rung-" + store.state().hop());
        if (rung == null || rung.getParent() == null) {
            return;
        }
        box.applyCss();
        box.layout();
        var siblings = rung.getParent().getChildrenUnmodifiable();
        int place = siblings.indexOf(rung);
        Node last = place + 1 < siblings.size()
                        && siblings.get(place + 1).getStyleClass().contains("settings")
                ? siblings.get(place + 1)
                : rung;
        double room = getViewportBounds().getHeight();
        double spare = box.getHeight() - room;
        double top = rung.getParent().getBoundsInParent().getMinY()
                + rung.getBoundsInParent().getMinY();
        double bottom = rung.getParent().getBoundsInParent().getMinY()
                + last.getBoundsInParent().getMaxY();
        double now = getVvalue() * spare;
        if (spare > 0 && (top < now || bottom > now + room)) {
            setVvalue(Math.clamp((bottom - top > room ? top : Math.max(0, bottom - room + 12)) / spare, 0, 1));
        }
    }

    private List<Node> content(State state) {
        return switch (state.selection()) {
            case Selection.Nothing nothing -> summary(state);
            case Selection.OfSource(String id) -> listing(state, id, true);
            case Selection.OfOutlet(String id) -> listing(state, id, false);
            case Selection.OfElement(String id) -> element(state, id);
            case Selection.Pair pair -> pair(state);
            case Selection.Trouble trouble -> trouble(state);
        };
    }

    // Nothing is selected: what is wrong, and what to do next.

    private List<Node> summary(State state) {
        List<Node> all = new ArrayList<>();
        Reading reading = state.reading();
        long bad = reading.findings().stream().filter(Finding::isBad).count();
        if (reading.rig().of(Kind.SOURCE).isEmpty()) {
            all.add(Nodes.label("Nothing entered yet", "water-title"));
            all.add(Nodes.label("This survey has no sources, so there is nothing to trace.", "soft"));
            return all;
        }
        if (bad == 0) {
            all.add(Nodes.label("The brief holds", "water-title"));
            all.add(Nodes.label("Every listener gets what they must, and nothing that they must not.", "soft"));
        } else {
            all.add(Nodes.label("What is wrong", "water-title"));
            all.add(Nodes.label(outlets(reading), "soft"));
        }
        all.add(rule());
        List<Finding> findings = reading.findings();
        for (Finding finding : findings.subList(0, Math.min(8, findings.size()))) {
            all.add(row(
                    new Tally(finding.severity(), 0.85 * state.textScale()),
                    finding.words().title(),
                    "find-" + finding.identity(),
                    () -> store.select(new Selection.Trouble(finding.identity()))));
        }
        if (findings.size() > 8) {
            all.add(Nodes.label("and " + (findings.size() - 8) + " more under Findings (key 4)", "caption"));
        }
        all.add(rule());
        all.add(Nodes.label(
                "N goes to the next finding. Click a token in a basin to see its ways; click a basin for all that reaches it.",
                "caption"));
        return all;
    }

    private static String outlets(Reading reading) {
        List<String> wrong = new ArrayList<>();
        int good = 0;
        for (int o = 0; o < reading.rig().of(Kind.OUTLET).size(); o++) {
            boolean trouble = false;
            for (int s = 0; s < reading.rig().of(Kind.SOURCE).size(); s++) {
                trouble |= reading.isLoud(reading.worst(s, o));
            }
            if (trouble) {
                wrong.add(reading.rig().of(Kind.OUTLET).get(o).name());
            } else {
                good++;
            }
        }
        return wrong.isEmpty()
                ? "All listeners get what they should; see what else was found."
                : (good == 0 ? "All " + wrong.size() : wrong.size() + " of " + (wrong.size() + good))
                        + " listeners get something wrong.";
    }

    private Node row(Node sign, String text, String id, Runnable action) {
        var label = Nodes.label(text);
        HBox.setHgrow(label, Priority.ALWAYS);
        label.setMaxWidth(Double.MAX_VALUE);
        HBox.setMargin(sign, new Insets(3, 0, 0, 0));
        ClickRow line = new ClickRow("remedy", id, text, action, sign, label);
        line.setAlignment(Pos.TOP_LEFT);
        return line;
    }

    private static Node rule() {
        Line line = new Line(0, 0, 1, 0);
        line.getStyleClass().add("rule");
        HBox holder = new HBox(line);
        holder.setPadding(new Insets(6, 0, 6, 0));
        line.endXProperty().bind(holder.widthProperty().subtract(1));
        line.setManaged(false);
        line.setTranslateY(6);
        holder.setMinHeight(12);
        return holder;
    }

    // A source: everywhere it goes. An outlet: all that reaches it.

    private List<Node> listing(State state, String id, boolean source) {
        List<Node> all = new ArrayList<>();
        Reading reading = state.reading();
        Element element = reading.rig().find(id);
        if (element == null) {
            return List.of(Nodes.label("This is not there any more.", "soft"));
        }
        all.add(Nodes.label(element.name(), "water-title"));
        if (source) {
            String kind =
                    element.get(Sources.CLASS) instanceof Sources.SourceClass c ? c.word() : "class not yet known";
            String flags = (element.is(Sources.PRIVATE, false) ? ", private" : "")
                    + (element.is(Sources.LICENSED, false) ? ", licensed" : "");
            all.add(Nodes.label(
                    kind
                            + flags
                            + String.format(Locale.ROOT, ", usually %.0f dBFS", Sources.level(element))
                                    .replace('-', '−'),
                    "soft"));
        } else {
            all.add(Nodes.label(arrivals(state, id), "soft"));
        }
        all.add(rule());
        HBox unit = new HBox(Nodes.spacer(), Nodes.label("dBFS", "caption"));
        unit.setPadding(new Insets(0, 8, 0, 0));
        all.add(unit);
        List<Element> others = reading.rig().of(source ? Kind.OUTLET : Kind.SOURCE);
        int mine = reading.rig().of(source ? Kind.SOURCE : Kind.OUTLET).indexOf(element);
        for (int i = 0; i < others.size(); i++) {
            int s = source ? mine : i;
            int o = source ? i : mine;
            int scene = state.scene() >= 0 ? state.scene() : reading.worstScene(s, o);
            CellReading cell = reading.scenes().get(scene).cell(s, o);
            if (cell.delivery().arrives() || cell.wish() == Wish.MUST) {
                all.add(cell(state, cell, others.get(i), reading.scenes().get(scene), source));
            }
        }
        return all;
    }

    private static String arrivals(State state, String outlet) {
        List<SceneReading> scenes = state.scene() >= 0
                ? List.of(state.reading().scenes().get(state.scene()))
                : state.reading().scenes();
        long arriving = state.reading().rig().of(Kind.SOURCE).stream()
                .filter(s -> scenes.stream()
                        .flatMap(x -> x.cells().stream())
                        .anyMatch(c -> c.source() == s
                                && c.outlet().id().equals(outlet)
                                && c.delivery().arrives()))
                .count();
        return arriving + (arriving == 1 ? " source arrives" : " sources arrive") + " here.";
    }

    private Node cell(State state, CellReading cell, Element other, SceneReading scene, boolean source) {
        boolean trouble = state.reading().isLoud(cell);
        var name = Nodes.label(other.name(), source ? "water" : "plain");
        name.setWrapText(false);
        if (trouble) {
            name.getStyleClass().add("bad-text");
        }
        String level = cell.delivery().arrives()
                ? String.format(Locale.ROOT, "%.1f", cell.usualLevel()).replace('-', '−')
                : "–";
        String word = cell.verdict().word()
                + (trouble && state.scene() < 0 && state.reading().scenes().size() > 1 ? " in " + scene.name() : "");
        var verdict = Nodes.label(word, "small", trouble ? "bad-text" : "soft");
        verdict.setWrapText(false);
        var figure = Nodes.label(level, "figures");
        figure.setMinWidth(44 * state.textScale());
        figure.setAlignment(Pos.CENTER_RIGHT);
        ClickRow line = new ClickRow(
                "remedy",
                "cell-" + cell.source().id() + "-" + cell.outlet().id(),
                other.name() + ": " + word + ", " + level + " dBFS",
                () -> store.select(
                        new Selection.Pair(cell.source().id(), cell.outlet().id())),
                name,
                Nodes.spacer(),
                verdict,
                figure);
        if (!source) {
            var glyph = Glyph.of(other.get(Sources.CLASS), 0.85 * state.textScale());
            if (trouble) {
                glyph.getStyleClass().add("bad");
            }
            HBox holder = new HBox(glyph);
            holder.setMinWidth(14 * state.textScale());
            line.getChildren().addFirst(holder);
        }
        return line;
    }

    // An element: its settings.

    private List<Node> element(State state, String id) {
        Rig rig = state.reading().rig();
        Element element = rig.find(id);
        if (element == null) {
            return List.of(Nodes.label(id + " is referred to, but is not there.", "soft"));
        }
        List<Node> all = new ArrayList<>();
        all.add(Nodes.label(element.name(), "water-title"));
        Element program = rig.program(element);
        all.add(Nodes.label(element.kind().noun() + (program == element ? "" : " of " + program.name()), "soft"));
        all.add(rule());
        VBox settings = new VBox(5);
        settings.getStyleClass().add("settings");
        settings(state, rig, element, settings);
        for (Element output : rig.in(id, Kind.APP_OUTPUT)) {
            settings(state, rig, output, settings);
        }
        all.add(settings);
        return all;
    }

    private void settings(State state, Rig rig, Element element, VBox into) {
        for (Setting<?> setting : Catalogue.of(element.kind())) {
            List<Setting<?>> members = setting.isFamily() ? members(rig, element, setting) : List.of(setting);
            for (Setting<?> one : members) {
                boolean meta = switch (one.key()) {
                    case "name", "note", "place", "pathNote" -> true;
                    default -> one.key().equals(element.kind().ownerKey());
                };
                Node row = meta ? null : SettingEditor.row(store, rig, new Address(element.id(), one.key()), false);
                if (row != null) {
                    into.getChildren().add(row);
                }
            }
        }
    }

    private static List<Setting<?>> members(Rig rig, Element element, Setting<?> family) {
        List<Setting<?>> members = new ArrayList<>();
        Element program = rig.program(element);
        switch (element.kind()) {
            case STRIP -> rig.in(program.id(), Kind.BUS).forEach(b -> members.add(family.of(b.id())));
            case INPUT, OUTPUT -> {
                int count =
                        program.kind() == Kind.PRODUCTION ? program.or(org.gullyrun.core.rig.Productions.TRACKS, 6) : 0;
                for (int n = 1; n <= count; n++) {
                    members.add(family.of(n));
                }
            }
            case GROUP -> rig.in(program.id(), Kind.INPUT).forEach(i -> members.add(family.of(i.id())));
            default -> {}
        }
        return members;
    }

    // A pair or a finding.

    private List<Node> pair(State state) {
        List<Node> all = new ArrayList<>();
        CellReading cell = state.shown().cell();
        if (cell == null) {
            return List.of(Nodes.label("This pair is not there any more.", "soft"));
        }
        all.add(Nodes.label(cell.source().name() + " → " + cell.outlet().name(), "water-title"));
        Finding finding = state.shown().finding();
        if (finding == null) {
            all.add(Nodes.label(says(state, cell)));
        } else {
            all.addAll(words(finding));
        }
        all.addAll(wayAndRemedies(state));
        return all;
    }

    private static String says(State state, CellReading cell) {
        String scene = state.reading().scenes().size() > 1
                ? " in " + state.reading().scenes().get(state.shown().scene()).name()
                : "";
        String arrives = cell.delivery().arrives()
                ? "Arrives by " + (cell.delivery().atLeast() ? "at least " : "")
                        + cell.delivery().runs()
                        + (cell.delivery().runs() == 1 ? " run" : " runs") + scene
                        + String.format(Locale.ROOT, " at %.1f dBFS", cell.usualLevel())
                                .replace('-', '−') + ". "
                : "Does not arrive" + scene + ". ";
        Wishes.Ground ground = cell.counting().ground();
        String because = switch (ground) {
            case PRIVATE -> ": it is private.";
            case LICENSED -> ": it is licensed.";
            case DEDICATED -> ": the track is meant for others.";
            case ENTERED, NOT_SET -> ".";
        };
        return arrives + "The brief says " + cell.wish().word() + because;
    }

    private List<Node> words(Finding finding) {
        List<Node> all = new ArrayList<>();
        all.add(Nodes.label(finding.words().exact()));
        VBox notice = new VBox(2);
        notice.getStyleClass().add("notice");
        var noticed = Nodes.label(finding.words().noticed(), "strong");
        notice.getChildren().add(noticed);
        if (finding.assumed()) {
            notice.getChildren().add(Nodes.label("Rests on a setting that is not yet known.", "small"));
        }
        VBox.setMargin(notice, new Insets(4, 0, 4, 0));
        all.add(notice);
        return all;
    }

    private List<Node> trouble(State state) {
        Finding finding = state.shown().finding();
        if (finding == null) {
            return List.of(
                    Nodes.label("Cleared", "water-title"),
                    Nodes.label("This finding is gone. N goes to the next one.", "soft"));
        }
        List<Node> all = new ArrayList<>();
        all.add(Nodes.label(finding.words().title(), "water-title"));
        all.add(Nodes.label("Say to the creator", "caption"));
        all.add(Nodes.label("“" + finding.words().plain() + "”", "quote"));
        all.addAll(words(finding));
        all.addAll(wayAndRemedies(state));
        return all;
    }

    private List<Node> wayAndRemedies(State state) {
        List<Node> all = new ArrayList<>();
        Finding finding = state.shown().finding();
        boolean onlySettings = state.shown().ways().isEmpty();
        if (finding != null && !finding.evidence().settings().isEmpty() && onlySettings) {
            VBox settings = new VBox(5);
            settings.getStyleClass().add("settings");
            for (Address address : finding.evidence().settings()) {
                Node row = SettingEditor.row(store, state.reading().rig(), address, true);
                if (row != null) {
                    settings.getChildren().add(row);
                }
            }
            all.add(settings);
        }
        if (finding != null) {
            all.add(firstRemedy(state));
        }
        if (!onlySettings) {
            all.add(rule());
            all.add(new Ladder(store, state));
        } else if (finding == null
                && state.shown().cell() != null
                && !state.shown().cell().delivery().arrives()) {
            all.add(Nodes.label("There is no way, whatever gates are opened.", "soft"));
        }
        if (finding != null
                && state.remedies() != null
                && state.remedies().remedies().size() > 1) {
            all.add(otherRemedies(state.remedies().remedies()));
        }
        return all;
    }

    private Node firstRemedy(State state) {
        VBox list = new VBox(2);
        list.setId("remedies");
        list.getChildren().add(Nodes.label("Takes it away", "caption"));
        var known = state.remedies();
        if (known == null) {
            list.getChildren().add(Nodes.label("Trying remedies …", "soft"));
        } else if (known.remedies().isEmpty()) {
            list.getChildren().add(Nodes.label("No single setting takes it away.", "soft"));
        } else {
            list.getChildren().add(remedy(known.remedies().getFirst(), 0));
        }
        return list;
    }

    private Node otherRemedies(List<Remedy> remedies) {
        VBox list = new VBox(2, rule(), Nodes.label("Other ways to take it away", "caption"));
        for (int i = 1; i < Math.min(MOST_REMEDIES, remedies.size()); i++) {
            list.getChildren().add(remedy(remedies.get(i), i));
        }
        return list;
    }

    private Node remedy(Remedy remedy, int place) {
        boolean clean = remedy.created().isEmpty() && remedy.altered().isEmpty();
        var what = Nodes.label(remedy.sentence(), place == 0 ? "strong" : "plain");
        var price = Nodes.label(remedy.price(), "small", clean ? "good-text" : "warn-text");
        VBox words = new VBox(what, price);
        HBox.setHgrow(words, Priority.ALWAYS);
        ClickRow line = new ClickRow(
                "remedy",
                "remedy-" + place,
                remedy.sentence() + ": " + remedy.price(),
                () -> store.change(remedy.changes()),
                words);
        line.setAlignment(Pos.TOP_LEFT);
        if (place == 0) {
            var key = Nodes.label("Ctrl Enter", "figures", "soft");
            key.setWrapText(false);
            key.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
            line.getChildren().add(key);
        }
        return line;
    }
}
