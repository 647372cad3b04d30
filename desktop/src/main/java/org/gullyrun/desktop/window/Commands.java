package org.gullyrun.desktop.window;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Supplier;
import org.gullyrun.core.brief.StartingBrief;
import org.gullyrun.core.intake.RowOrder;
import org.gullyrun.core.rig.Change;
import org.gullyrun.desktop.find.Action;
import org.gullyrun.desktop.state.Against;
import org.gullyrun.desktop.state.FixList;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** Everything that can be done by name or by key, in one table: what it is called, its keys, and what it does. */
final class Commands {
    /** Keys that mean something in the sheet of the intake or the grid of the brief only: told, but not found. */
    private static final List<Action> OWN_KEYS = List.of(
            told("Look", "See how it was, while comparing", "hold B"),
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
            told("Brief", "Row, column, class", "R, O, C"),
            told("Brief", "Move the row", "Alt ↑ ↓"));

    private static final double TEXT_STEP = 0.125;
    /** The group of what is done with the steps of a repair. */
    static final String REPAIR = "Repair";

    private static final double ZOOM_IN = 1.25;
    private static final double ZOOM_OUT = 0.8;

    private final Store store;
    private final List<Action> all = new ArrayList<>();

    Commands(Store store) {
        this.store = store;
    }

    /** An entry of the list of keys for what isn't a command. */
    private static Action told(String group, String name, String keys) {
        return new Action("", group, name, List.of(), keys, () -> {});
    }

    private void add(String group, String id, String name, String shown, Runnable run, String... keys) {
        all.add(new Action(id, group, name, List.of(keys), shown, run));
    }

    /** All commands, those of the table below. */
    List<Action> all() {
        return List.copyOf(all);
    }

    /** All keys, those of single steps too; what belongs to the step shown comes first. */
    List<Action> keys() {
        List<Action> keys = new ArrayList<>(all);
        keys.addAll(OWN_KEYS);
        List<String> first = switch (store.state().step()) {
            case INTAKE -> List.of("Intake", "Lists");
            case BRIEF -> List.of("Brief");
            case TRACE -> List.of("Map", "Route");
            case FINDINGS -> List.of("Finding", "Change");
            case REPAIR -> List.of(REPAIR, "Change");
        };
        keys.sort(Comparator.comparingInt(a -> first.contains(a.group()) ? first.indexOf(a.group()) : first.size()));
        return keys;
    }

    /** Fills the part of the table about cases, surveys and lists. */
    void addCases(FileCommands files, CaseDialogs dialogs, ListFiles lists, Sheets sheets) {
        add("Case", "new", "New case …", "Ctrl N", files::begin, "Shortcut+N");
        add("Case", "open", "Open …", "Ctrl O", files::chooseFile, "Shortcut+O");
        add("Case", "save", "Save", "Ctrl S", files::save, "Shortcut+S");
        add("Case", "save-as", "Save as …", "Ctrl Shift S", files::saveAs, "Shortcut+Shift+S");
        add("Case", "sample", "Open the sample show", "", files::openSample);
        add("Case", "about", "Title and note …", "", dialogs::about);
        add("Case", "limits", "Thresholds …", "", sheets::thresholds);
        add("Survey", "survey-add", "Duplicate survey …", "", dialogs::addSurvey);
        add("Survey", "survey-in", "Import surveys …", "", dialogs::takeSurveys);
        add("Survey", "survey-name", "Edit survey …", "", dialogs::nameSurvey);
        add("Survey", "survey-good", "Mark as known good", "", dialogs::knownGood);
        add("Survey", "survey-delete", "Delete survey", "", dialogs::deleteSurvey);
        add("Lists", "inventory-in", "Import inventory …", "", lists::takeInventory);
        add("Lists", "devices-in", "Import this computer's devices …", "", lists::takeDevices);
        add("Lists", "copy-questions", "Copy questions", "Ctrl Shift C", lists::copyQuestions, "Shortcut+Shift+C");
        add("Lists", "questions-out", "Export question sheet …", "", lists::saveQuestions);
        add("Lists", "questions-text", "Export questions as text …", "", lists::saveQuestionText);
        add("Lists", "answers-in", "Import answered question sheet …", "", lists::takeAnswers);
        add("Lists", "inventory-out", "Export inventory …", "", lists::saveInventory);
    }

    /** Fills the part about the steps of a repair. Their keys count only while the steps are shown: see {@link Frame#stepKey}. */
    void addRepair(RepairCommands repair, CompareSheet compare) {
        add(REPAIR, "step-done", "Done, next step", "Space", repair::done);
        add(REPAIR, "step-out", "Not possible here …", "X", repair::ruleOut);
        add(REPAIR, "step-on-map", "See the step on the map", "T", store.tryout()::step);
        add(REPAIR, "step-earlier", "Move the step up", "Alt ↑", () -> repair.move(-1));
        add(REPAIR, "step-later", "Move the step down", "Alt ↓", () -> repair.move(1));
        add(REPAIR, "safest-order", "Back to the safest order", "O", repair::orderAnew);
        add(REPAIR, "allow-all", "Allow everything again", "Shift X", repair::allowAll);
        add(REPAIR, "copy-steps", "Copy all steps for the creator", "C", repair::copy);
        add(REPAIR, "work-order", "Print or save the work order …", "Ctrl P", repair::handOver, "Shortcut+P");
        add(REPAIR, "compare", "Compare with another survey …", "D", compare::open, "D");
        add(REPAIR, "compare-file", "Compare with another file …", "", compare::fromFile);
    }

    /** Fills the part about how things look, where to go, and what is shown; the frame may be made later. */
    void addViews(Supplier<Frame> frame, Overlay overlay, CaseDialogs dialogs, Sheets sheets) {
        add("Look", "night", "Day or night sheet", "Ctrl Shift N", this::turnNight, "Shortcut+Shift+N");
        add(
                "Look",
                "larger",
                "Larger text",
                "Ctrl +",
                () -> text(TEXT_STEP),
                "Shortcut+PLUS",
                "Shortcut+EQUALS",
                "Shortcut+ADD");
        add("Look", "smaller", "Smaller text", "Ctrl −", () -> text(-TEXT_STEP), "Shortcut+MINUS", "Shortcut+SUBTRACT");
        for (Step step : Step.values()) {
            String key = Integer.toString(step.key());
            String id = step.name().toLowerCase(Locale.ROOT);
            add("Go", id, step.label(), key, () -> frame.get().go(step), key, "Shortcut+" + key);
        }
        add(
                "Go",
                "next-part",
                "Next part of the window",
                "F6",
                () -> frame.get().nextPart(),
                "F6");
        add("Go", "details", "All settings of the row", "F4", () -> frame.get().turnDetails(), "F4");
        add("Go", "next", "Next finding", "N", () -> store.selectFinding(1), "N");
        add("Go", "previous", "Previous finding", "P", () -> store.selectFinding(-1), "Shift+N", "P");
        for (StartingBrief each : StartingBrief.values()) {
            String id = "start-brief-" + each.ordinal();
            add(
                    "Brief",
                    id,
                    "Start the brief: " + each.title(),
                    "",
                    () -> frame.get().start(each));
        }
        add("Brief", "start-brief", "Start the brief from …", "B", () -> chooseBrief(frame, overlay), "B");
        add("Brief", "group-sources", "Group sources by class", "G", this::groupSources, "G");
        add("Finding", "about-finding", "Explain this finding", "H", sheets::about, "H");
        add("Look", "what-if", "What if …", "I", store.tryout()::askMore, "I");
        add("Look", "levels", "Levels and times", "L", sheets::levels, "L");
        add("Map", "rates", "Rates instead of levels", "R", store::turnLens, "R");
        add("Finding", "waive", "Waive with a reason …", "W", dialogs::waive, "W");
        add("Finding", "copy-finding", "Copy for the creator", "C", dialogs::copyFindings, "C");
        add("Go", "on-map", "Show on the map", "T", () -> store.go(Step.TRACE), "T");
        add("Go", "scene-on", "Next scene", "]", () -> scene(1), "Close Bracket");
        add("Go", "scene-back", "Previous scene", "[", () -> scene(-1), "Open Bracket");
        add("Go", "find", "Find anything", "Ctrl K", () -> frame.get().head().find(), "Shortcut+K");
        add("Route", "route-on", "Follow the route forward", "→", () -> store.followRoute(1), "RIGHT");
        add("Route", "route-back", "Follow the route back", "←", () -> store.followRoute(-1), "LEFT");
        add("Route", "nothing", "Clear the selection", "Esc", this::escape, "Esc");
        add(
                "Change",
                "fix",
                "Apply the first fix, or keep what is tried",
                "Ctrl Enter",
                this::firstFix,
                "Shortcut+ENTER");
        add("Change", "undo", "Undo", "Ctrl Z", store::undo, "Shortcut+Z");
        add("Change", "redo", "Redo", "Ctrl Y", store::redo, "Shortcut+Y", "Shortcut+Shift+Z");
        add("Map", "fit", "Fit the map", "0", () -> frame.get().map().fit(), "0", "Shortcut+0");
        add("Map", "closer", "Zoom in", "+", () -> frame.get().map().zoomBy(ZOOM_IN), "PLUS", "EQUALS", "ADD");
        add("Map", "farther", "Zoom out", "−", () -> frame.get().map().zoomBy(ZOOM_OUT), "MINUS", "SUBTRACT");
        add("Help", "keys", "Keys", "F1", () -> overlay.keys(keys()), "F1");
        add("Help", "licences", "Third-party licences", "", sheets::licences);
    }

    /** Offers starting briefs. */
    private void chooseBrief(Supplier<Frame> frame, Overlay overlay) {
        Map<String, Overlay.Choice> choices = new LinkedHashMap<>();
        for (StartingBrief each : StartingBrief.values()) {
            choices.put(
                    each.name().toLowerCase(Locale.ROOT),
                    new Overlay.Choice(
                            each.title(), each.about(), () -> frame.get().start(each)));
        }
        overlay.choose("Start the brief from", choices);
    }

    /** Sorts the sources by class. */
    private void groupSources() {
        List<Change> changes =
                RowOrder.groupedByClass(store.state().surveyShown().rig());
        if (changes.isEmpty()) {
            store.tell(new Message("The sources are grouped by class already.", false));
        } else {
            store.change(changes, "group sources by class");
        }
    }

    private void turnNight() {
        store.look(!store.state().night(), store.state().textScale());
    }

    /** Makes text larger or smaller. */
    private void text(double by) {
        store.look(store.state().night(), store.state().textScale() + by);
    }

    /** Puts the message away, then selects nothing, then ends what is tried or compared. */
    private void escape() {
        store.dismiss();
        Against against = store.state().against();
        if (against != null && against.kind() != Against.Kind.FIX) {
            boolean pair = !(store.state().selection() instanceof Selection.Nothing);
            if (!pair) {
                store.tryout().end();
                return;
            }
        }
        store.select(Selection.NOTHING);
    }

    /** Shows the next scene, or the previous one; all of them count as one more. */
    private void scene(int by) {
        int count = store.state().reading().scenes().size() + 1;
        store.chooseScene(Math.floorMod(store.state().scene() + 1 + by, count) - 1);
    }

    /** Applies the first fix of the selected finding. */
    private void firstFix() {
        Against against = store.state().against();
        if (against != null && against.kind() == Against.Kind.WHAT_IF) {
            store.tryout().keep();
            return;
        }
        FixList known = store.state().fixes();
        if (known != null && !known.fixes().isEmpty()) {
            store.change(known.fixes().getFirst().changes());
        }
    }
}
