package org.gullyrun.desktop.window;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.ValueField;
import org.gullyrun.desktop.state.Store;

/** The figures at which findings begin, with their reasons; each can be set otherwise for this case. */
final class ThresholdsSheet {
    private final Store store;

    ThresholdsSheet(Store store) {
        this.store = store;
    }

    /** Lays the sheet over the window. */
    void show(Overlay overlay) {
        GridPane grid = new GridPane(14, 5);
        Threshold[] limits = Threshold.values();
        for (int i = 0; i < limits.length; i++) {
            Threshold limit = limits[i];
            Label meaning = Nodes.label(sentence(limit.meaning()));
            GridPane.setHgrow(meaning, Priority.ALWAYS);
            Label why = Nodes.label(limit.source(), "small", "soft");
            why.setPrefWidth(250);
            grid.addRow(i, meaning, field(limit), usual(limit), why);
        }
        overlay.sheet(
                "Thresholds of this case",
                "Where findings begin or get worse. A figure entered here holds for this case only. An empty field means the"
                        + " usual figure.",
                List.of(grid),
                900);
    }

    private static String id(String what, Threshold limit) {
        return what + "-" + limit.key().replace('.', '-');
    }

    private static String sentence(String meaning) {
        return meaning.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + meaning.substring(1);
    }

    /** A label for the usual value of a threshold, empty while it is the usual one. */
    private Label usual(Threshold limit) {
        Label usual = Nodes.label(usually(limit), "small", "soft");
        usual.setWrapText(false);
        usual.setMinWidth(Region.USE_PREF_SIZE);
        usual.setId(id("usual", limit));
        return usual;
    }

    private String usually(Threshold limit) {
        return terms().limits().containsKey(limit.key()) ? "usually " + limit.say(limit.usual()) : "";
    }

    /** A field for a threshold. */
    private ValueField field(Threshold limit) {
        ValueField field =
                new ValueField(id("limit", limit), sentence(limit.meaning()), shown(limit), text -> enter(limit, text));
        field.telling(why -> {
            if (why.isEmpty()) {
                field.show(shown(limit));
            }
            beside(field, limit, why.isEmpty() ? usually(limit) : why);
        });
        field.setPrefWidth(96 * store.state().textScale());
        field.setMinWidth(Region.USE_PREF_SIZE);
        return field;
    }

    private Terms terms() {
        return store.state().what().terms();
    }

    private String shown(Threshold limit) {
        return limit.say(terms().limits().getOrDefault(limit.key(), limit.usual()));
    }

    /** Takes a threshold. It has to be a number that the threshold can have. */
    private String enter(Threshold limit, String text) {
        Double value = text.isBlank() ? Double.valueOf(limit.usual()) : limit.read(text);
        if (value == null) {
            return "Enter a number " + limit.range();
        }
        Edit.About from = Edit.About.of(store.state().what());
        Terms to = from.terms().with(limit.key(), value == limit.usual() ? null : value);
        if (!to.equals(from.terms())) {
            store.edit(
                    new Edit.OfCase(from, from.with(to)),
                    "set threshold: " + limit.meaning() + " (" + limit.say(value) + ")");
        }
        return "";
    }

    /** Says something beside a field: what is usual, or what is expected there. */
    private static void beside(ValueField field, Threshold limit, String words) {
        if (field.getScene() != null && field.getScene().lookup("#" + id("usual", limit)) instanceof Label label) {
            label.setText(words);
        }
    }
}
