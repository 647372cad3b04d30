package org.gullyrun.desktop.window;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.compare.Comparison;
import org.gullyrun.core.compare.Matching;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** Chooses what to compare the survey shown with, of this case or of another file, and has it compared. */
final class CompareSheet {
    private final Store store;
    private final Overlay overlay;
    private final FilePicker files;
    private final ComparisonPage page;

    CompareSheet(Store store, Overlay overlay, FilePicker files) {
        this.store = store;
        this.overlay = overlay;
        this.files = files;
        this.page = new ComparisonPage(store, overlay, this::compare);
    }

    /**
     * An earlier survey.
     *
     * @param survey the survey
     * @param isOwn whether it belongs to the case shown
     */
    record Earlier(Survey survey, boolean isOwn) {}

    /** Compares the survey shown with the only other one, or asks with which, or with which file. */
    void open() {
        State state = store.state();
        List<Survey> others = state.what().surveys().stream()
                .filter(s -> !s.id().equals(state.survey()))
                .toList();
        if (others.size() == 1) {
            compare(new Earlier(others.getFirst(), true));
            return;
        }
        Map<String, Overlay.Choice> choices = new LinkedHashMap<>();
        for (Survey other : others) {
            boolean good = other.id().equals(state.what().knownGood());
            choices.put(
                    "with-" + other.id(),
                    new Overlay.Choice(
                            other.name(), good ? "known good" : other.date(), () -> compare(new Earlier(other, true))));
        }
        choices.put(
                "with-file",
                new Overlay.Choice("A survey of another file …", "the same rig, or one like it", this::fromFile));
        overlay.choose("Compare " + state.surveyShown().name() + " with", choices);
    }

    /** Asks for a file, and which of its surveys. */
    void fromFile() {
        files.toOpen(FilePicker.Sort.CASE)
                .ifPresent(file -> CompletableFuture.supplyAsync(() -> read(file))
                        .whenComplete((other, fault) -> Platform.runLater(() -> {
                            if (fault != null) {
                                Throwable cause = fault.getCause() == null ? fault : fault.getCause();
                                store.tell(new Message(String.valueOf(cause.getMessage()), true));
                            } else if (other.surveys().size() == 1) {
                                compare(new Earlier(other.surveys().getFirst(), false));
                            } else {
                                Map<String, Overlay.Choice> choices = new LinkedHashMap<>();
                                for (Survey survey : other.surveys()) {
                                    choices.put(
                                            "with-" + survey.id(),
                                            new Overlay.Choice(
                                                    survey.name(),
                                                    survey.date(),
                                                    () -> compare(new Earlier(survey, false))));
                                }
                                overlay.choose("Compare with, of " + other.title(), choices);
                            }
                        })));
    }

    private static Case read(Path file) {
        try {
            return CaseFiles.open(file);
        } catch (CaseProblem e) {
            throw new IllegalStateException(e.getMessage(), e);
        }
    }

    private void compare(Earlier earlier) {
        compare(
                earlier,
                Matching.of(earlier.survey().rig(), store.state().surveyShown().rig()));
    }

    /** Compares away from the interface thread, and shows what came of it unless the rig has changed meanwhile. */
    private void compare(Earlier earlier, Matching matching) {
        Case what = store.state().what();
        Survey later = store.state().surveyShown();
        store.tell(new Message("Comparing with " + earlier.survey().name() + " …", false));
        CompletableFuture.supplyAsync(() -> Comparison.of(
                        RuleCatalogue.on(what.terms(), what.showHours()).quick(),
                        earlier.survey().rig(),
                        later.rig(),
                        what.brief(),
                        matching,
                        () -> false))
                .whenComplete((comparison, fault) -> Platform.runLater(() -> {
                    if (fault != null) {
                        store.tell(new Message("The surveys could not be compared: " + fault.getMessage(), true));
                    } else if (store.state().surveyShown() == later) {
                        store.dismiss();
                        page.show(comparison, earlier);
                    }
                }));
    }
}
