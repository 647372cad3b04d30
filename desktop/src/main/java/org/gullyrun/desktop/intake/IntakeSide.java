package org.gullyrun.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.intake.Question;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.SidePane;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** Beside the sheet: the rig so far, what is still to ask, and what else can be done with the list. */
public final class IntakeSide extends SidePane {
    /** The padding at both sides and the scroll bar. */
    private static final double BESIDE_MINIATURE = 44;

    private static final int MOST = 40;

    /** Something that can be done here, with its key. */
    public record Offer(String id, String title, String key, Runnable action) {}

    private final IntakeView sheet;
    private final List<Offer> offers;
    private final Miniature miniature = new Miniature();
    private final ReportedRow reported;

    /** The side of a sheet. */
    public IntakeSide(Store store, IntakeView sheet, List<Offer> offers) {
        super("intake-side");
        this.sheet = sheet;
        this.reported = new ReportedRow(store);
        this.offers = List.copyOf(offers);
        store.watch(this::update);
        prefWidthProperty().addListener(x -> miniature.widen(getPrefWidth() - BESIDE_MINIATURE));
    }

    /** The rig so far, what the row leads to, and the questions that are open. */
    private void update(State before, State now) {
        fit(now.textScale());
        if (now.step() != Step.INTAKE
                || before.reading() == now.reading()
                        && before.step() == now.step()
                        && before.textScale() == now.textScale()
                        && !box.getChildren().isEmpty()) {
            return;
        }
        double u = now.textScale();
        FlowGraph graph = now.reading().scenes().get(Math.max(0, now.scene())).graph();
        miniature.show(graph, getPrefWidth() - BESIDE_MINIATURE, 190 * u);
        var points = Nodes.label(graph.points() + (graph.points() == 1 ? " point" : " points"), "figures", "soft");
        points.setWrapText(false);
        HBox head = new HBox(Nodes.label("The rig so far", "water-title"), Nodes.spacer(), points);
        head.setAlignment(Pos.BASELINE_LEFT);
        List<Node> all = new ArrayList<>(List.of(reported.row(now), Nodes.rule(), head, miniature, Nodes.rule()));
        List<Question> questions = now.answer().questions();
        HBox ask = new HBox(
                Nodes.label("Still to ask", "section-title"),
                Nodes.spacer(),
                Nodes.label(Integer.toString(questions.size()), "soft"));
        all.add(ask);
        if (questions.isEmpty()) {
            all.add(Nodes.label(
                    now.reading().rig().elements().isEmpty()
                            ? "Nothing entered yet. Begin with what makes sound, or use a starting rig."
                            : "Nothing left to ask. Go on to the brief (Ctrl 2).",
                    "soft"));
        }
        for (Question question : questions.subList(0, Math.min(MOST, questions.size()))) {
            all.add(row(question, u));
        }
        if (questions.size() > MOST) {
            all.add(Nodes.label("and " + (questions.size() - MOST) + " more in the question sheet", "caption"));
        }
        all.add(Nodes.rule());
        for (Offer offer : offers) {
            var key = Nodes.label(offer.key, "figures", "soft");
            key.setWrapText(false);
            key.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
            all.add(new ClickRow(
                    "fix",
                    "offer-" + offer.id,
                    offer.title,
                    offer.action,
                    Nodes.label(offer.title),
                    Nodes.spacer(),
                    key));
        }
        show(() -> all);
    }

    /** A question, which leads to its cell when clicked. */
    private ClickRow row(Question question, double u) {
        Circle ring = new Circle(4 * u);
        ring.getStyleClass().add("ask-ring");
        HBox holder = new HBox(ring);
        holder.setPadding(new Insets(4 * u, 0, 0, 0));
        VBox words = new VBox(Nodes.label(question.wording()));
        if (!question.why().isEmpty()) {
            words.getChildren().add(Nodes.label(question.why(), "small", "soft"));
        }
        HBox.setHgrow(words, Priority.ALWAYS);
        ClickRow row = new ClickRow(
                "fix",
                "ask-" + question.at().element(),
                question.wording(),
                () -> sheet.goTo(question.at().element(), question.at().key()),
                holder,
                words);
        row.setAlignment(Pos.TOP_LEFT);
        return row;
    }
}
