package org.gullyrun.desktop.window;

import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.input.InputEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;
import javafx.util.Duration;
import org.gullyrun.core.casefile.FileStamp;
import org.gullyrun.core.casefile.UnsavedChanges;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.basins.BasinsView;
import org.gullyrun.desktop.brief.BriefSide;
import org.gullyrun.desktop.brief.BriefView;
import org.gullyrun.desktop.evidence.EvidenceView;
import org.gullyrun.desktop.find.Action;
import org.gullyrun.desktop.findings.FindingsView;
import org.gullyrun.desktop.head.HeadView;
import org.gullyrun.desktop.intake.IntakeSide;
import org.gullyrun.desktop.intake.IntakeView;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.route.StepBar;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.trace.MapView;

/** The window: its parts in their places, its keys, its files. */
public final class Workbench {
    /** The one style sheet. */
    private static final String SHEET =
            Objects.requireNonNull(Nodes.class.getResource("sheet.css")).toExternalForm();

    /** Keys that mean something in the sheet of the intake or the grid of the brief only: told, but not found. */
    private static final List<Action> OWN_KEYS = List.of(
            told("Intake", "Next cell, next row", "Tab, Enter"),
            told("Intake", "Next section, previous section", "Page Down, Page Up"),
            told("Intake", "Select rows: a value goes into all", "Shift ↓ ↑"),
            told("Intake", "Value into every row", "Ctrl Enter"),
            told("Intake", "Set a tick and move on, toggle it", "x, Space"),
            told("Intake", "Unknown, something new", "?, +name"),
            told("Intake", "Name a wire after its ends", "-"),
            told("Intake", "Remove the row", "Ctrl Delete"),
            told("Intake", "Leave the cell", "Esc"),
            told("Brief", "Must, may, never", "M, A, N"),
            told("Brief", "Clear", "Delete"),
            told("Brief", "Select more, all", "Shift arrows, Ctrl A"),
            told("Brief", "Row, column, class", "R, O, C"));

    private static Action told(String group, String name, String keys) {
        return new Action("", group, name, List.of(), keys, () -> {});
    }

    private static final double TEXT = 13;
    /** A message stays as long as it takes to read: at least so many seconds, and one for each so many letters. */
    private static final double MESSAGE = 4;

    private static final double LETTERS = 15;

    /** How many recent files a start without a file offers. */
    private static final int MOST_RECENT = 4;

    private final Store store;
    private final Stage stage;
    private final Preferences remembered;
    private final FilePicker files;
    private final BorderPane frame = new BorderPane();
    private final SheetStack middle;
    private final SheetStack side;
    private final HBox message = new HBox();
    /** What stays as long as it is so: an answer that is out of date, changes that are not kept safe. */
    private final Label alerts = new Label();

    private final Overlay overlay = new Overlay();
    private final PixelNudge speck = new PixelNudge();
    private final HeadView head;
    private final CaseDialogs matters;
    private final ListFiles lists;
    private final Sheets sheets;
    private final MapView map;
    private final FindingsView findings;
    private final IntakeView intake;
    private final IntakeSide intakeSide;
    private final BriefView brief;
    private final BriefSide briefSide;
    private final EvidenceView evidence;
    /** In Intake: all settings of the row, in place of the rig so far. */
    private boolean details;

    private final List<Action> actions;
    private final PauseTransition messageTime = new PauseTransition();
    private final Scene scene;

    /** Makes the window on a stage; it is not shown yet. */
    public Workbench(Stage stage, Store store, Preferences remembered, FilePicker files) {
        this(stage, bare(), store, remembered, files);
    }

    /** Makes the window on a stage that may show the bare sheet already. */
    Workbench(Stage stage, Scene bare, Store store, Preferences remembered, FilePicker files) {
        this.stage = stage;
        this.store = store;
        this.remembered = remembered;
        this.files = files;
        this.matters = new CaseDialogs(store, overlay, files);
        this.lists = new ListFiles(store, overlay, files);
        this.sheets = new Sheets(store, overlay);
        this.actions = actions();
        this.map = new MapView(store);
        this.findings = new FindingsView(store);
        this.head = new HeadView(store, () -> actions, remembered::recent, this::open);
        this.intake = new IntakeView(store);
        this.intakeSide = new IntakeSide(store, intake, offers());
        this.brief = new BriefView(store);
        this.briefSide = new BriefSide(store, brief);
        this.evidence = new EvidenceView(store);
        this.middle = new SheetStack(findings, map, brief, intake);
        this.side = new SheetStack(evidence, briefSide, intakeSide);
        alerts.setId("alerts");
        alerts.getStyleClass().setAll("alerts");
        alerts.setWrapText(true);
        alerts.setMaxWidth(Double.MAX_VALUE);
        frame.setTop(new VBox(head, alerts));
        frame.setLeft(new StepBar(store));
        frame.setCenter(middle);
        frame.setRight(side);
        frame.setBottom(new BasinsView(store, stage.getScene() == bare ? bare.getWidth() : Double.NaN));
        message.setId("message");
        message.setVisible(false);
        message.setMaxSize(560, Region.USE_PREF_SIZE);
        StackPane.setAlignment(message, Pos.BOTTOM_CENTER);
        StackPane.setMargin(message, new Insets(0, 0, BasinsView.HEIGHT + 14, 0));
        message.setOnMouseClicked(e -> store.dismiss());
        StackPane root = new StackPane(frame, message, overlay, speck);
        this.scene = bare;
        scene.setRoot(root);
        scene.addEventFilter(InputEvent.ANY, e -> speck.stir());
        scene.addEventFilter(KeyEvent.KEY_PRESSED, e -> store.pressed());
        scene.addEventFilter(MouseEvent.MOUSE_PRESSED, e -> store.pressed());
        new Keyboard(scene, overlay, () -> actions, () -> store.state().step() == Step.INTAKE, this::stepKey);
        if (stage.getScene() != scene) {
            stage.setScene(scene);
        }
        stage.setMinWidth(1024); // less would push parts of the head out of the window
        stage.setMinHeight(600);
        stage.setOnCloseRequest(this::closing);
        messageTime.setOnFinished(e -> store.dismiss());
        overlay.whenClosed(frame::requestFocus); // or the next control in line would seem to have been chosen
        store.watch(this::update);
        frame.requestFocus(); // so that keys count at once, and no control looks chosen
    }

    /** An empty sheet in the colours of the program, which a window can show before its parts are made. */
    static Scene bare() {
        Scene bare = new Scene(new StackPane(), 1280, 800);
        bare.getStylesheets().add(SHEET);
        return bare;
    }

    /** Everything that can be done by name or by key. */
    List<Action> commands() {
        return actions;
    }

    /** Offers what a start without a file can go on with. */
    public void welcome() {
        Map<String, Overlay.Choice> choices = new LinkedHashMap<>();
        choices.put("new", new Overlay.Choice("New case …", "Empty, or from a starting rig.", matters::begin));
        choices.put("open", new Overlay.Choice("Open …", "A case file.", this::chooseFile));
        List<Path> recent = remembered.recent();
        for (int i = 0; i < Math.min(MOST_RECENT, recent.size()); i++) {
            Path file = recent.get(i);
            Path folder = file.toAbsolutePath().getParent();
            choices.put(
                    "recent-" + i,
                    new Overlay.Choice(
                            file.getFileName().toString(),
                            folder == null ? "" : folder.toString(),
                            () -> store.open(file, () -> recall(file))));
        }
        choices.put(
                "sample",
                new Overlay.Choice(
                        "Sample show",
                        "A made-up weekly live night with a dozen faults, to try things on.",
                        () -> store.replace(SampleShow.make(), Step.TRACE)));
        overlay.choose("Gullyrun", choices);
    }

    /** The scene of the window. */
    public Scene scene() {
        return scene;
    }

    private void update(State before, State now) {
        speck.stir();
        stage.setTitle(now.what().title() + (now.unsaved() ? " (unsaved)" : "") + " – Gullyrun");
        Nodes.turn(scene.getRoot(), "night", now.night());
        scene.getRoot().setStyle("-fx-font-size: " + TEXT * now.textScale() + "px;");
        showStep(now.step());
        String told = now.alerts().told();
        alerts.setText(told);
        alerts.setVisible(!told.isEmpty());
        alerts.setManaged(!told.isEmpty());
        if (before.message() != now.message() || before == now) {
            tell(now.message());
        }
        if (!now.leftovers().isEmpty() && (before == now || before.leftovers() != now.leftovers())) {
            Platform.runLater(() -> offer(now.leftovers().getFirst()));
        }
        remembered.keep("night", now.night() ? 1 : 0);
        remembered.keep("text", now.textScale());
    }

    private void showStep(Step step) {
        middle.show(
                switch (step) {
                    case INTAKE -> intake;
                    case BRIEF -> brief;
                    case FINDINGS -> findings;
                    case TRACE -> map;
                });
        side.show(step == Step.BRIEF ? briefSide : step == Step.INTAKE && !details ? intakeSide : evidence);
    }

    private List<IntakeSide.Offer> offers() {
        List<IntakeSide.Offer> offers = new ArrayList<>();
        for (String id : List.of(
                "details",
                "new",
                "copy-questions",
                "questions-out",
                "questions-text",
                "answers-in",
                "inventory-in",
                "inventory-out",
                "devices-in")) {
            actions.stream()
                    .filter(a -> a.id().equals(id))
                    .forEach(a -> offers.add(new IntakeSide.Offer(id, a.name(), a.shown(), a.run())));
        }
        return offers;
    }

    private void offer(UnsavedChanges left) {
        int count = left.steps().size();
        UnsavedChanges.Step last = left.steps().getLast();
        boolean changed = left.file() != null && !FileStamp.of(left.file()).equals(left.stamp());
        Map<String, Runnable> answers = new LinkedHashMap<>();
        answers.put("Restore", () -> store.restore(left));
        answers.put("Decide later", store::decideLater);
        answers.put("Discard", () -> store.drop(left));
        overlay.ask(
                count + (count == 1 ? " change" : " changes") + " to "
                        + left.base().title() + (count == 1 ? " was" : " were") + " not saved when the program ended.",
                "Last change, " + when(last.at()) + ": " + last.name() + "."
                        + (changed ? " Another program has changed the file since; saving will ask." : ""),
                answers);
    }

    private static String when(String at) {
        try {
            return LocalDateTime.ofInstant(Instant.parse(at), ZoneId.systemDefault())
                    .format(DateTimeFormatter.ofPattern("d MMM, HH:mm", Locale.ENGLISH));
        } catch (DateTimeException e) {
            return at;
        }
    }

    private void tell(@org.jspecify.annotations.Nullable Message what) {
        messageTime.stop();
        message.setVisible(what != null);
        if (what != null) {
            message.getStyleClass().setAll("message", what.isError() ? "error" : "plain");
            message.getChildren().setAll(Nodes.label(what.text()));
            if (!what.isError()) {
                messageTime.setDuration(
                        Duration.seconds(Math.max(MESSAGE, what.text().length() / LETTERS)));
                messageTime.playFromStart();
            }
        }
    }

    // Keys.

    private List<Action> actions() {
        List<Action> all = new ArrayList<>();
        all.add(new Action("new", "Case", "New case …", List.of("Shortcut+N"), "Ctrl N", () -> kept(matters::begin)));
        all.add(new Action("open", "Case", "Open …", List.of("Shortcut+O"), "Ctrl O", this::chooseFile));
        all.add(new Action("save", "Case", "Save", List.of("Shortcut+S"), "Ctrl S", () -> save(() -> {})));
        all.add(new Action(
                "save-as", "Case", "Save as …", List.of("Shortcut+Shift+S"), "Ctrl Shift S", () -> saveAs(() -> {})));
        all.add(new Action(
                "sample",
                "Case",
                "Open the sample show",
                List.of(),
                "",
                () -> kept(() -> store.replace(SampleShow.make(), Step.TRACE))));
        all.add(new Action("about", "Case", "Title and note …", List.of(), "", matters::about));
        all.add(new Action(
                "limits", "Case", "Thresholds …", List.of(), "", () -> new ThresholdsSheet(store).show(overlay)));
        all.add(new Action("survey-add", "Survey", "Duplicate survey …", List.of(), "", matters::addSurvey));
        all.add(new Action("survey-in", "Survey", "Import surveys …", List.of(), "", matters::takeSurveys));
        all.add(new Action("survey-name", "Survey", "Edit survey …", List.of(), "", matters::nameSurvey));
        all.add(new Action("survey-good", "Survey", "Mark as known good", List.of(), "", matters::knownGood));
        all.add(new Action("survey-delete", "Survey", "Delete survey", List.of(), "", matters::deleteSurvey));
        all.add(new Action("inventory-in", "Lists", "Import inventory …", List.of(), "", lists::takeInventory));
        all.add(new Action(
                "devices-in", "Lists", "Import this computer's devices …", List.of(), "", lists::takeDevices));
        all.add(new Action(
                "copy-questions",
                "Lists",
                "Copy questions",
                List.of("Shortcut+Shift+C"),
                "Ctrl Shift C",
                lists::copyQuestions));
        all.add(new Action("questions-out", "Lists", "Export question sheet …", List.of(), "", lists::saveQuestions));
        all.add(new Action(
                "questions-text", "Lists", "Export questions as text …", List.of(), "", lists::saveQuestionText));
        all.add(new Action(
                "answers-in", "Lists", "Import answered question sheet …", List.of(), "", lists::takeAnswers));
        all.add(new Action("inventory-out", "Lists", "Export inventory …", List.of(), "", lists::saveInventory));
        all.add(new Action(
                "night",
                "Look",
                "Day or night sheet",
                List.of("Shortcut+Shift+N"),
                "Ctrl Shift N",
                () -> store.look(!store.state().night(), store.state().textScale())));
        all.add(new Action(
                "larger",
                "Look",
                "Larger text",
                List.of("Shortcut+PLUS", "Shortcut+EQUALS", "Shortcut+ADD"),
                "Ctrl +",
                () -> text(0.125)));
        all.add(new Action(
                "smaller",
                "Look",
                "Smaller text",
                List.of("Shortcut+MINUS", "Shortcut+SUBTRACT"),
                "Ctrl −",
                () -> text(-0.125)));
        for (Step step : Step.values()) {
            String key = Integer.toString(step.key());
            all.add(new Action(
                    step.name().toLowerCase(Locale.ROOT),
                    "Go",
                    step.label(),
                    List.of(key, "Shortcut+" + key),
                    key,
                    () -> store.go(step)));
        }
        all.add(new Action("details", "Go", "All settings of the row", List.of("F4"), "F4", () -> {
            details = !details;
            showStep(store.state().step());
        }));
        all.add(new Action("next", "Go", "Next finding", List.of("N"), "N", () -> store.selectFinding(1)));
        all.add(new Action(
                "previous", "Go", "Previous finding", List.of("Shift+N", "P"), "P", () -> store.selectFinding(-1)));
        all.add(new Action("about-finding", "Finding", "Explain this finding", List.of("H"), "H", sheets::about));
        all.add(new Action("what-if", "Look", "What if …", List.of("I"), "I", sheets::whatIf));
        all.add(new Action("levels", "Look", "Levels and times", List.of("L"), "L", sheets::levels));
        all.add(new Action("rates", "Map", "Rates instead of levels", List.of("R"), "R", store::turnLens));
        all.add(new Action("waive", "Finding", "Waive with a reason …", List.of("W"), "W", matters::waive));
        all.add(new Action(
                "copy-finding", "Finding", "Copy for the creator", List.of("C"), "C", matters::copyFindings));
        all.add(new Action("on-map", "Go", "Show on the map", List.of("T"), "T", () -> store.go(Step.TRACE)));
        all.add(new Action("scene-on", "Go", "Next scene", List.of("Close Bracket"), "]", () -> scene(1)));
        all.add(new Action("scene-back", "Go", "Previous scene", List.of("Open Bracket"), "[", () -> scene(-1)));
        all.add(new Action("find", "Go", "Find anything", List.of("Shortcut+K"), "Ctrl K", this::find));
        all.add(new Action(
                "route-on", "Route", "Follow the route forward", List.of("RIGHT"), "→", () -> store.followRoute(1)));
        all.add(new Action(
                "route-back", "Route", "Follow the route back", List.of("LEFT"), "←", () -> store.followRoute(-1)));
        all.add(new Action("nothing", "Route", "Clear the selection", List.of("Esc"), "Esc", this::escape));
        all.add(new Action(
                "fix", "Change", "Apply the first fix", List.of("Shortcut+ENTER"), "Ctrl Enter", this::firstFix));
        all.add(new Action("undo", "Change", "Undo", List.of("Shortcut+Z"), "Ctrl Z", () -> store.undo()));
        all.add(new Action(
                "redo", "Change", "Redo", List.of("Shortcut+Y", "Shortcut+Shift+Z"), "Ctrl Y", () -> store.redo()));
        all.add(new Action("fit", "Map", "Fit the map", List.of("0", "Shortcut+0"), "0", () -> map().fit()));
        all.add(new Action(
                "closer", "Map", "Zoom in", List.of("PLUS", "EQUALS", "ADD"), "+", () -> map().zoomBy(1.25)));
        all.add(new Action("farther", "Map", "Zoom out", List.of("MINUS", "SUBTRACT"), "−", () -> map().zoomBy(0.8)));
        all.add(new Action("keys", "Help", "Keys", List.of("F1"), "F1", this::showKeys));
        all.add(new Action("licences", "Help", "Third-party licences", List.of(), "", sheets::licences));
        return List.copyOf(all);
    }

    private MapView map() {
        return map;
    }

    private void find() {
        head.find();
    }

    private void showKeys() {
        List<Action> all = new ArrayList<>(actions);
        all.addAll(OWN_KEYS);
        overlay.keys(all);
    }

    private void text(double by) {
        store.look(store.state().night(), store.state().textScale() + by);
    }

    private void escape() {
        store.dismiss();
        store.select(Selection.NOTHING);
    }

    private void scene(int by) {
        int count = store.state().reading().scenes().size() + 1;
        store.chooseScene(Math.floorMod(store.state().scene() + 1 + by, count) - 1);
    }

    private void firstFix() {
        var known = store.state().fixes();
        if (known != null && !known.fixes().isEmpty()) {
            store.change(known.fixes().getFirst().changes());
        }
    }

    /** Keys that belong to what is shown rather than to an action. */
    private boolean stepKey(KeyEvent e, boolean typing) {
        if (typing) {
            return false;
        }
        if (store.state().step() == Step.BRIEF && brief.key(e)) {
            return true;
        }
        boolean walks = e.getCode() == KeyCode.DOWN || e.getCode() == KeyCode.UP;
        if (store.state().step() == Step.FINDINGS && walks) {
            store.selectFinding(e.getCode() == KeyCode.DOWN ? 1 : -1);
            return true;
        }
        return false;
    }

    // Files.

    private void chooseFile() {
        kept(() -> files.toOpen(FilePicker.Sort.CASE).ifPresent(this::openNow));
    }

    private void open(Path file) {
        kept(() -> openNow(file));
    }

    private void openNow(Path file) {
        store.open(file, () -> recall(file));
    }

    private void save(Runnable then) {
        Path file = store.state().file();
        if (file == null) {
            saveAs(then);
        } else {
            saveTo(file, then);
        }
    }

    private void saveAs(Runnable then) {
        String suggested =
                store.state().what().title().replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
        files.toSave(FilePicker.Sort.CASE, suggested.isEmpty() ? "case" : suggested)
                .ifPresent(file -> saveTo(file, then));
    }

    private void saveTo(Path file, Runnable then) {
        saveTo(file, false, then);
    }

    private void saveTo(Path file, boolean over, Runnable then) {
        store.save(
                file,
                over,
                () -> {
                    recall(file);
                    then.run();
                },
                () -> {
                    Map<String, Runnable> answers = new LinkedHashMap<>();
                    answers.put("Save as", () -> saveAs(then));
                    answers.put("Overwrite", () -> saveTo(file, true, then));
                    answers.put("Cancel", () -> {});
                    overlay.ask(
                            file.getFileName() + " was changed by another program since it was opened here.",
                            "Overwriting loses those changes. Saving under another name keeps both.",
                            answers);
                });
    }

    private void recall(Path file) {
        remembered.opened(file);
        remembered.save();
    }

    /** Does something that would lose unsaved changes, after asking what is to become of them. */
    private void kept(Runnable then) {
        if (!store.state().unsaved()) {
            then.run();
            return;
        }
        Map<String, Runnable> answers = new LinkedHashMap<>();
        answers.put("Save", () -> save(then));
        answers.put("Discard", () -> {
            store.giveUp();
            then.run();
        });
        answers.put("Cancel", () -> {});
        overlay.ask(
                "Save the changes to " + store.state().what().title() + "?",
                "Last change: " + store.state().past().undo() + ".",
                answers);
    }

    private void closing(WindowEvent e) {
        if (store.state().unsaved()) {
            e.consume();
            kept(this::close);
        } else {
            remember();
        }
    }

    private void close() {
        remember();
        stage.close();
    }

    private void remember() {
        remembered.keep("whole", stage.isMaximized() ? 1 : 0);
        if (!stage.isMaximized()) {
            remembered.keep("x", stage.getX());
            remembered.keep("y", stage.getY());
            remembered.keep("width", stage.getWidth());
            remembered.keep("height", stage.getHeight());
        }
        remembered.save();
    }
}
