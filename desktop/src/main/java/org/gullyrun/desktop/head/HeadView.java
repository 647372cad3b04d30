package org.gullyrun.desktop.head;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.shape.SVGPath;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.desktop.find.Action;
import org.gullyrun.desktop.find.FindField;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tally;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** The head of the window. */
public final class HeadView extends HBox {
    private static final String ALL = "all scenes";
    private static final double WIDEST_SCENE = 320;
    private static final double HEIGHT = 44;
    /** Up to this text scale the head has room for the date of the survey. */
    private static final double WIDEST_DATED = 1.25;

    /** So much of the name of a survey and its arrow is always seen, at 100 % text. */
    private static final double LEAST_SURVEY = 92;

    private static final double WIDEST_TITLE = 260;
    private static final double WIDEST_SCENES = 380;

    private static final List<Severity> VERDICT = List.of(Severity.CRITICAL, Severity.MAJOR, Severity.MINOR);

    private final Store store;
    private final List<Label> counts = new ArrayList<>();
    private String verdictTold = "";
    private String surveysListed = "";
    private double verdictScale;
    private final Supplier<List<Action>> actions;
    private final Supplier<List<Path>> recent;
    private final java.util.function.Consumer<Path> openRecent;
    private final MenuButton title = Nodes.asWritten(new MenuButton());
    private final MenuButton survey = Nodes.asWritten(new MenuButton());
    private final HBox scenes = new HBox();
    private final MenuButton sceneMenu = Nodes.asWritten(new MenuButton());
    private final ScrollPane tabs;
    private List<String> sceneNames = List.of();
    private final FindField find;
    private final Button undo = new Button();
    private final Button redo = new Button();
    private final Button verdict = new Button();

    /**
     * The head.
     *
     * @param actions the table of actions; those of the group "Case" make the case's menu
     * @param recent the files opened lately
     * @param openRecent opens one of them
     */
    public HeadView(
            Store store,
            Supplier<List<Action>> actions,
            Supplier<List<Path>> recent,
            java.util.function.Consumer<Path> openRecent) {
        this.store = store;
        this.actions = actions;
        this.recent = recent;
        this.openRecent = openRecent;
        this.find = new FindField(store, actions);
        setId("head");
        getStyleClass().add("head");
        setSpacing(6);
        setAlignment(Pos.CENTER_LEFT);
        title.setId("case");
        title.getStyleClass().addAll("link", "case-title");
        title.setOnShowing(e -> fillCaseMenu());
        title.getItems().add(new MenuItem());
        survey.setId("survey");
        survey.getStyleClass().add("link");
        ScrollPane tabs = new ScrollPane(scenes);
        Nodes.uncached(tabs);
        tabs.getStyleClass().add("plain-scroll");
        tabs.setFitToHeight(true);
        tabs.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        tabs.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        tabs.setFocusTraversable(false);
        this.tabs = tabs;
        scenes.setId("scenes");
        sceneMenu.setId("scene-menu");
        sceneMenu.getStyleClass().add("link");
        sceneMenu.setMaxWidth(WIDEST_SCENE);
        button(undo, "undo", "M3,6 L8,1 M3,6 L8,11 M3,6 H12 A4.5,4.5 0 0 1 12,15 H9", store::undo);
        button(redo, "redo", "M13,6 L8,1 M13,6 L8,11 M13,6 H4 A4.5,4.5 0 0 0 4,15 H7", store::redo);
        verdict.setId("verdict");
        verdict.getStyleClass().setAll("link");
        verdict.setMinWidth(Region.USE_PREF_SIZE);
        verdict.setOnAction(e -> store.go(Step.FINDINGS));
        find.setPrefWidth(200);
        find.setMinWidth(84);
        title.setMinWidth(Region.USE_PREF_SIZE);
        survey.setMinWidth(70);
        getChildren()
                .addAll(
                        mark(),
                        title,
                        survey,
                        Nodes.spacer(),
                        tabs,
                        sceneMenu,
                        Nodes.spacer(),
                        find,
                        undo,
                        redo,
                        verdict);
        store.watch(this::update);
        widthProperty().addListener(x -> fitScenes(store.state().textScale()));
        // Letters of another size are measured only with the next picture.
        for (Region part : List.of(title, survey, verdict)) {
            part.widthProperty().addListener(x -> fitScenes(store.state().textScale()));
        }
    }

    /** The program's mark: water between two banks. */
    private static Group mark() {
        SVGPath banks = new SVGPath();
        banks.setContent("M1,2 C3,2 4,4 5,8 L8,17 L11,8 C12,4 13,2 15,2");
        banks.getStyleClass().add("mark");
        SVGPath water = new SVGPath();
        water.setContent("M8,5 L8,12");
        water.getStyleClass().addAll("mark", "water");
        return new Group(banks, water);
    }

    /** Gives a button of the head its sign and its action. */
    private void button(Button button, String id, String shape, Runnable action) {
        SVGPath path = new SVGPath();
        path.setContent(shape);
        path.getStyleClass().add("mark");
        path.setStrokeWidth(1.4);
        path.setScaleX(0.85);
        path.setScaleY(0.85);
        path.setStyle("-fx-stroke-width: 1.5;");
        button.setGraphic(path);
        button.setId(id);
        button.getStyleClass().setAll("link");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(e -> action.run());
    }

    /** Puts the cursor into the find field. */
    public void find() {
        find.requestFocus();
        find.selectAll();
    }

    /** Changes only what differs, as the head is always in sight. */
    private void update(State before, State now) {
        double u = now.textScale();
        setPrefHeight(HEIGHT * u);
        setMinHeight(HEIGHT * u);
        title.setMaxWidth(WIDEST_TITLE * u);
        title.setText((now.unsaved() ? "• " : "") + now.what().title());
        if (before == now || before.file() != now.file() || before.unsaved() != now.unsaved()) {
            Tooltips.say(
                    title,
                    (now.file() == null ? "not in a file yet" : now.file().toString())
                            + (now.unsaved() ? ", with unsaved changes" : ""));
        }
        title.setAccessibleText("Case " + now.what().title() + (now.unsaved() ? ", unsaved" : ""));
        Survey shown = now.surveyShown();
        // With large letters the name needs the room; the list of surveys has the dates.
        boolean dated = !shown.date().isEmpty() && u <= WIDEST_DATED;
        survey.setText(shown.name() + (dated ? " · " + shown.date() : ""));
        // The find field gives way before a name of usual length does.
        survey.setMinWidth(Math.min(survey.prefWidth(-1), (dated ? 2 : 1) * LEAST_SURVEY * u));
        String surveys = listed(now);
        if (!surveys.equals(surveysListed)) {
            surveysListed = surveys;
            survey.getItems().clear();
            for (Survey each : now.what().surveys()) {
                MenuItem item = Nodes.item(each.name()
                        + (each.date().isEmpty() ? "" : " · " + each.date())
                        + (each.id().equals(now.what().knownGood()) ? ", known good" : "")
                        + (each.id().equals(now.survey()) ? "  ✓" : ""));
                item.setOnAction(e -> store.chooseSurvey(each.id()));
                survey.getItems().add(item);
            }
            survey.getItems().add(new SeparatorMenuItem());
            for (Action action : actions.get()) {
                if (action.group().equals("Survey")) {
                    MenuItem item = Nodes.item(action.name());
                    item.setId("menu-" + action.id());
                    item.setOnAction(e -> action.run().run());
                    survey.getItems().add(item);
                }
            }
        }
        scenes(before, now);
        fitScenes(u);
        sceneMenu.setText(now.scene() < 0 ? ALL : sceneNames.get(now.scene()));
        sceneMenu.setMinWidth(Math.min(sceneMenu.prefWidth(-1), LEAST_SURVEY * u));
        if (before == now || !before.past().equals(now.past())) {
            undo.setDisable(now.past().undo().isEmpty());
            redo.setDisable(now.past().redo().isEmpty());
            Tooltips.say(undo, "Undo: " + now.past().undo() + " (Ctrl+Z)");
            Tooltips.say(redo, "Redo: " + now.past().redo() + " (Ctrl+Y)");
            undo.setAccessibleText("Undo " + now.past().undo());
            redo.setAccessibleText("Redo " + now.past().redo());
        }
        boolean failure = !before.alerts().failure().equals(now.alerts().failure());
        if (before == now || before.reading() != now.reading() || before.textScale() != u || failure) {
            verdict(now);
        }
    }

    /** Some six scenes stand side by side. Where there are more, or there is no room, they are chosen from a list. */
    private void fitScenes(double u) {
        scenes.applyCss();
        double wide = scenes.prefWidth(-1) + 2;
        boolean listed = wide > WIDEST_SCENES * u || getWidth() > 0 && wide > roomForScenes();
        tabs.setMinWidth(listed ? 0 : wide);
        show(tabs, !listed);
        show(sceneMenu, listed);
    }

    /** What the other parts leave where they take as little as they can. */
    private double roomForScenes() {
        double taken = snappedLeftInset() + snappedRightInset();
        for (Node part : getChildren()) {
            if (part != tabs && part != sceneMenu) {
                taken += part.minWidth(-1) + getSpacing();
            }
        }
        // The head is never narrower than what it needs, so that its own width doesn't tell what room there is.
        double room = getScene() == null
                ? getWidth()
                : Math.min(getWidth(), getScene().getWidth());
        return room - taken;
    }

    /** All that the menu of surveys shows: it is made anew only where that differs, not at every change of a rig. */
    private static String listed(State now) {
        StringBuilder all = new StringBuilder(now.survey() + "\n" + now.what().knownGood());
        now.what()
                .surveys()
                .forEach(s -> all.append('\n')
                        .append(s.id())
                        .append('\t')
                        .append(s.name())
                        .append('\t')
                        .append(s.date()));
        return all.toString();
    }

    /** The number of findings by severity, or what is missing to judge. */
    private void verdict(State now) {
        StringBuilder said = new StringBuilder();
        for (Severity severity : VERDICT) {
            said.append(now.reading().count(severity))
                    .append(' ')
                    .append(severity.word())
                    .append(' ');
        }
        boolean unknown = now.alerts().isNotAudited();
        String told = unknown ? "not audited" : said.toString().strip();
        if (told.equals(verdictTold) && verdictScale == now.textScale()) {
            return;
        }
        if (verdictScale != now.textScale()) {
            HBox row = new HBox(7);
            row.setAlignment(Pos.CENTER_LEFT);
            counts.clear();
            for (Severity severity : VERDICT) {
                Label count = Nodes.label("", "strong", "count");
                count.setWrapText(false);
                counts.add(count);
                row.getChildren().addAll(new Tally(severity, 0.9 * now.textScale()), count);
            }
            verdict.setGraphic(row);
        }
        for (int i = 0; i < VERDICT.size(); i++) {
            long n = now.reading().count(VERDICT.get(i));
            counts.get(i).setText(unknown ? "–" : Long.toString(n));
            Nodes.mark(counts.get(i), "none", n == 0);
            Nodes.mark(counts.get(i), VERDICT.get(i).word(), n > 0);
        }
        verdictTold = told;
        verdictScale = now.textScale();
        verdict.setAccessibleText("Verdict: " + told);
        Tooltips.say(verdict, told + ". Click for the findings.");
    }

    /** A tab for each scene. */
    private void scenes(State before, State now) {
        List<String> names = now.reading().scenes().stream().map(s -> s.name()).toList();
        if (before == now || !names.equals(sceneNames)) {
            sceneNames = names;
            scenes.getChildren().clear();
            sceneMenu.getItems().clear();
            if (now.reading().scenes().size() > 1) {
                tab(ALL, -1);
                for (int i = 0; i < now.reading().scenes().size(); i++) {
                    tab(now.reading().scenes().get(i).name(), i);
                }
            }
        }
        for (int i = 0; i < scenes.getChildren().size(); i++) {
            Nodes.mark(scenes.getChildren().get(i), "selected", i - 1 == now.scene());
        }
    }

    /** Shows or hides a part, and gives its room back. */
    private static void show(Node node, boolean is) {
        node.setVisible(is);
        node.setManaged(is);
    }

    /** Adds a scene, as a tab and to the menu that takes over where the tabs don't fit. */
    private void tab(String name, int scene) {
        Button tab = Nodes.asWritten(new Button(name));
        tab.getStyleClass().setAll("scene-tab");
        tab.setId("scene-" + scene);
        tab.setMinWidth(Region.USE_PREF_SIZE);
        tab.setOnAction(e -> store.chooseScene(scene));
        scenes.getChildren().add(tab);
        MenuItem item = Nodes.item(name);
        item.setOnAction(e -> store.chooseScene(scene));
        sceneMenu.getItems().add(item);
    }

    /** The menu of the case. */
    private void fillCaseMenu() {
        title.getItems().clear();
        for (Action action : actions.get()) {
            if (action.group().equals("Case") || action.group().equals("Look")) {
                if (action.id().equals("night")) {
                    Menu lately = new Menu("Recent");
                    for (Path file : recent.get()) {
                        MenuItem item = Nodes.item(String.valueOf(file.getFileName()));
                        item.setOnAction(e -> openRecent.accept(file));
                        lately.getItems().add(item);
                    }
                    lately.setDisable(lately.getItems().isEmpty());
                    title.getItems().addAll(lately, new SeparatorMenuItem());
                }
                MenuItem item = Nodes.item(action.name() + "    " + action.shown());
                item.setId("menu-" + action.id());
                item.setOnAction(e -> action.run().run());
                title.getItems().add(item);
            }
        }
    }
}
