package org.gullyrun.desktop.window;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import javafx.application.Platform;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.fix.CreatorText;
import org.gullyrun.core.intake.StartingRigs;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** What concerns the case as a whole: beginning one, its title and note, and its surveys. */
final class CaseDialogs {
    private final Store store;
    private final Overlay overlay;
    private final FilePicker files;

    CaseDialogs(Store store, Overlay overlay, FilePicker files) {
        this.store = store;
        this.overlay = overlay;
        this.files = files;
    }

    /** Offers to begin a case: with nothing, or with one of the rigs to start from. */
    void begin() {
        Map<String, Overlay.Choice> choices = new LinkedHashMap<>();
        choices.put(
                "empty",
                new Overlay.Choice(
                        "An empty sheet",
                        "You enter everything, in the order of the call. Best when nothing is known yet.",
                        () -> start(StartingRigs.empty("New case"))));
        for (StartingRigs.Starting each : StartingRigs.all()) {
            choices.put(
                    each.key(), new Overlay.Choice(each.title(), each.about(), () -> start(each.begin("New case"))));
        }
        overlay.choose("New case", choices);
    }

    /** Opens a new case at Intake. */
    private void start(Case what) {
        store.replace(what, Step.INTAKE);
    }

    /** Asks for the title and note of the case. */
    void about() {
        Case what = store.state().what();
        overlay.form(
                "The case",
                List.of(
                        new Overlay.Entry("title", "Title", what.title()),
                        new Overlay.Entry("note", "Note", what.note()),
                        new Overlay.Entry("hours", "Length of the show, hours", trimmed(what.showHours()))),
                entered -> {
                    double hours;
                    try {
                        hours = Double.parseDouble(
                                entered.getOrDefault("hours", "").strip().replace(',', '.'));
                    } catch (NumberFormatException e) {
                        hours = -1;
                    }
                    if (hours <= 0 || hours > 1000) {
                        return "Enter a number of hours above 0, up to 1000.";
                    }
                    if (entered.getOrDefault("title", "").isBlank()) {
                        return "Enter a title.";
                    }
                    Edit.About from = Edit.About.of(what);
                    Edit.About to = new Edit.About(
                            entered.getOrDefault("title", "").strip(),
                            entered.getOrDefault("note", ""),
                            hours,
                            from.knownGood(),
                            from.terms());
                    if (!to.equals(from)) {
                        store.edit(new Edit.OfCase(from, to), "edit title and note of the case");
                    }
                    return "";
                });
    }

    /** Lives with the finding selected, for a reason. */
    void waive() {
        Finding finding = store.state().shown().finding();
        if (finding == null) {
            store.tell(new Message("Select the finding you want to waive first.", false));
            return;
        }
        overlay.form(
                "Waive: " + finding.words().title(),
                List.of(new Overlay.Entry("reason", "Why it can stay as it is", "")),
                entered -> {
                    String reason = entered.getOrDefault("reason", "");
                    if (reason.isBlank()) {
                        return "Enter a reason, so that others can follow it later.";
                    }
                    store.edit(
                            store.state().waiving(finding, reason.strip()),
                            "waive: " + finding.words().title());
                    return "";
                });
    }

    /** Copies the finding selected, or else all of them, as a text for the creator. */
    void copyFindings() {
        State state = store.state();
        Finding finding = state.shown().finding();
        var known = state.fixes();
        String text = finding == null
                ? CreatorText.of(state.reading(), state.causes())
                : CreatorText.of(finding, known == null ? List.of() : known.fixes());
        ClipboardContent content = new ClipboardContent();
        content.putString(text);
        Clipboard.getSystemClipboard().setContent(content);
        store.tell(new Message(
                finding == null
                        ? "Copied all findings as a text for the creator."
                        : "Copied the finding as a text for the creator.",
                false));
    }

    /** Hours without needless decimals. */
    private static String trimmed(double hours) {
        return hours == Math.rint(hours) ? Long.toString(Math.round(hours)) : Double.toString(hours);
    }

    /** Adds a survey that begins as a copy of the one shown. */
    void addSurvey() {
        Survey shown = store.state().surveyShown();
        overlay.form(
                "Duplicate survey " + shown.name(),
                List.of(new Overlay.Entry("name", "Name", "after repair"), new Overlay.Entry("date", "Date", "")),
                entered -> {
                    String name = entered.getOrDefault("name", "").strip();
                    if (name.isEmpty()) {
                        return "Enter a name.";
                    }
                    Case what = store.state().what();
                    String id = Ids.from(name, x -> what.survey(x).isPresent());
                    Survey copy = new Survey(
                            id, name, entered.getOrDefault("date", "").strip(), "", shown.rig(), Map.of());
                    store.edit(new Edit.OfSurvey(what.surveys().size(), null, copy), "add survey " + name);
                    store.chooseSurvey(id);
                    return "";
                });
    }

    /** Takes the surveys of another case in as surveys of this one. */
    void takeSurveys() {
        files.toOpen(FilePicker.Sort.CASE)
                .ifPresent(file -> CompletableFuture.supplyAsync(() -> {
                            try {
                                return CaseFiles.open(file);
                            } catch (CaseProblem e) {
                                throw new CompletionException(e);
                            }
                        })
                        .whenComplete((other, fault) -> Platform.runLater(() -> {
                            if (fault == null) {
                                take(other);
                            } else {
                                Throwable cause = fault.getCause() == null ? fault : fault.getCause();
                                store.tell(new Message(String.valueOf(cause.getMessage()), true));
                            }
                        })));
    }

    /** Copies a survey from another case. */
    private void take(Case other) {
        Case what = store.state().what();
        List<Edit> edits = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        what.surveys().forEach(s -> ids.add(s.id()));
        String first = "";
        for (Survey survey : other.surveys()) {
            String id = Ids.from(survey.name(), ids::contains);
            ids.add(id);
            first = first.isEmpty() ? id : first;
            edits.add(new Edit.OfSurvey(
                    what.surveys().size() + edits.size(),
                    null,
                    new Survey(id, survey.name(), survey.date(), survey.note(), survey.rig(), survey.extras())));
        }
        store.edit(new Edit.Several(edits), "import the surveys of " + other.title());
        store.chooseSurvey(first);
    }

    /** Asks for name, date and note of the survey shown. */
    void nameSurvey() {
        Survey shown = store.state().surveyShown();
        overlay.form(
                "The survey",
                List.of(
                        new Overlay.Entry("name", "Name", shown.name()),
                        new Overlay.Entry("date", "Date", shown.date()),
                        new Overlay.Entry("note", "Note", shown.note())),
                entered -> {
                    if (entered.getOrDefault("name", "").isBlank()) {
                        return "Enter a name.";
                    }
                    Survey now = store.state().surveyShown();
                    Survey to = new Survey(
                            now.id(),
                            entered.getOrDefault("name", "").strip(),
                            entered.getOrDefault("date", "").strip(),
                            entered.getOrDefault("note", ""),
                            now.rig(),
                            now.extras());
                    if (!to.equals(now)) {
                        store.edit(new Edit.OfSurvey(place(now), now, to), "edit survey " + to.name());
                    }
                    return "";
                });
    }

    private int place(Survey survey) {
        return store.state().what().surveys().indexOf(survey);
    }

    /** Marks the survey shown as the one in which all was well, or takes the mark away. */
    void knownGood() {
        Case what = store.state().what();
        Survey shown = store.state().surveyShown();
        boolean is = what.knownGood().equals(shown.id());
        Edit.About from = Edit.About.of(what);
        store.edit(
                new Edit.OfCase(
                        from,
                        new Edit.About(
                                from.title(), from.note(), from.showHours(), is ? "" : shown.id(), from.terms())),
                (is ? "unmark " : "mark ") + shown.name() + " as known good");
        store.tell(new Message(
                is ? "No survey is marked as known good now." : shown.name() + " is marked as known good.", false));
    }

    /** Deletes the survey shown, as one step that can be undone. */
    void deleteSurvey() {
        Case what = store.state().what();
        Survey shown = store.state().surveyShown();
        if (what.surveys().size() == 1) {
            store.tell(new Message("A case needs at least one survey.", true));
            return;
        }
        List<Edit> gone = new ArrayList<>();
        if (what.knownGood().equals(shown.id())) {
            Edit.About from = Edit.About.of(what);
            gone.add(new Edit.OfCase(
                    from, new Edit.About(from.title(), from.note(), from.showHours(), "", from.terms())));
        }
        if (what.workOrder(shown.id()) != null) { // another survey may get its id
            gone.add(new Edit.OfWork(shown.id(), what.workOrder(shown.id()), null));
        }
        gone.add(new Edit.OfSurvey(place(shown), shown, null));
        store.edit(new Edit.Several(gone), "delete survey " + shown.name());
        store.tell(new Message("Deleted survey " + shown.name() + "; Ctrl Z brings it back.", false));
    }
}
