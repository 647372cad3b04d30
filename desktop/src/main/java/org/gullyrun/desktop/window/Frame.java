package org.gullyrun.desktop.window;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.gullyrun.core.brief.StartingBrief;
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
import org.gullyrun.desktop.repair.RepairSide;
import org.gullyrun.desktop.repair.RepairView;
import org.gullyrun.desktop.state.Against;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.steps.StepBar;
import org.gullyrun.desktop.trace.MapView;
import org.jspecify.annotations.Nullable;

/** The parts of the window in their places: head, steps, what the step shows in the middle and beside it, listeners. */
final class Frame extends BorderPane {
    /** What the side of the intake offers, by the ids of commands. */
    private static final List<String> OFFERED = List.of(
            "details",
            "new",
            "copy-questions",
            "questions-out",
            "questions-text",
            "answers-in",
            "inventory-in",
            "inventory-out",
            "devices-in");

    private final Store store;
    private final List<Action> commands;
    private final HeadView head;
    private final MapView map;
    private final RepairView repair;
    private final RepairSide repairSide;
    private final FindingsView findings;
    private final IntakeView intake;
    private final IntakeSide intakeSide;
    private final BriefView brief;
    private final BriefSide briefSide;
    private final EvidenceView evidence;
    private final BasinsView basins;
    private final SheetStack middle;
    private final SheetStack side;
    /** What stays as long as it is so: an answer that is out of date, changes that are not kept safe. */
    private final Label alerts = new Label();
    /** In Intake: all settings of the row, in place of the rig so far. */
    private boolean details;

    /**
     * Makes all parts.
     *
     * @param commands everything that can be done by name
     * @param width the width of the window if it is shown already, else NaN
     */
    Frame(Store store, List<Action> commands, Preferences remembered, FileCommands files, double width) {
        this.store = store;
        this.commands = commands;
        this.map = new MapView(store);
        this.findings = new FindingsView(store);
        this.repair = new RepairView(store);
        this.repairSide = new RepairSide(store, steps(commands));
        this.head = new HeadView(store, () -> commands, remembered::recent, files::open);
        this.intake = new IntakeView(store);
        this.intakeSide = new IntakeSide(store, intake, offers(commands));
        this.brief = new BriefView(store);
        this.briefSide = new BriefSide(store, brief);
        this.evidence = new EvidenceView(store);
        this.middle = new SheetStack(findings, map, brief, intake, repair);
        this.side = new SheetStack(evidence, briefSide, intakeSide, repairSide);
        alerts.setId("alerts");
        alerts.getStyleClass().setAll("alerts");
        alerts.setWrapText(true);
        alerts.setMaxWidth(Double.MAX_VALUE);
        setTop(new VBox(head, alerts));
        setLeft(new StepBar(store));
        DifferenceBand band = new DifferenceBand(store);
        StackPane.setAlignment(band, Pos.TOP_CENTER);
        setCenter(new StackPane(middle, band)); // over it, so that a map needn't be drawn anew for the room
        setRight(side);
        this.basins = new BasinsView(store, width);
        setBottom(basins);
        store.watch(this::update);
    }

    /** The commands that an empty sheet offers, in their order. */
    private static List<IntakeSide.Offer> offers(List<Action> commands) {
        List<IntakeSide.Offer> offers = new ArrayList<>();
        for (String id : OFFERED) {
            commands.stream()
                    .filter(a -> a.id().equals(id))
                    .forEach(a -> offers.add(new IntakeSide.Offer(id, a.name(), a.shown(), a.run())));
        }
        return offers;
    }

    /** What can be done with the steps of a repair. */
    private static List<RepairSide.Offer> steps(List<Action> commands) {
        return commands.stream()
                .filter(a -> a.group().equals(Commands.REPAIR) && !a.id().equals("step-later"))
                .map(a -> new RepairSide.Offer(a.id(), a.name(), a.shown(), a.run()))
                .toList();
    }

    HeadView head() {
        return head;
    }

    MapView map() {
        return map;
    }

    /** In Intake, shows all settings of the row in place of the rig so far, or the other way round. */
    void turnDetails() {
        details = !details;
        show(store.state().step());
    }

    /** Shows the view of the step, and what there is to tell. */
    private void update(State before, State now) {
        show(now.step());
        String told = now.alerts().told();
        alerts.setText(told);
        alerts.setVisible(!told.isEmpty());
        alerts.setManaged(!told.isEmpty());
    }

    /** Shows the view of a step. Views are made when they are first needed. */
    private void show(Step step) {
        middle.show(
                switch (step) {
                    case INTAKE -> intake;
                    case BRIEF -> brief;
                    case FINDINGS -> findings;
                    case TRACE -> map;
                    case REPAIR -> repair;
                });
        Against against = store.state().against();
        boolean compared = against != null && against.kind() != Against.Kind.FIX;
        side.show(
                switch (compared ? Step.TRACE : step) {
                    case INTAKE -> details ? evidence : intakeSide;
                    case BRIEF -> briefSide;
                    case REPAIR -> repairSide;
                    case TRACE, FINDINGS -> evidence;
                });
    }

    /** Goes to a step; where it is the one shown already, back into its sheet. */
    void go(Step step) {
        if (step == Step.REPAIR && store.tryout().plan()) {
            return;
        }
        if (step == store.state().step() && step == Step.INTAKE) {
            intake.resume();
        } else if (step == store.state().step() && step == Step.BRIEF) {
            brief.requestFocus();
        }
        store.go(step);
    }

    /** Takes the focus to the next part of the window: the middle, the side, the listeners, the head. */
    void nextPart() {
        List<Parent> parts = List.of(middle, side, basins, head);
        Node owner = getScene().getFocusOwner();
        int at = 0;
        for (int i = 0; i < parts.size(); i++) {
            at = isIn(owner, parts.get(i)) ? i : at;
        }
        for (int k = 1; k <= parts.size(); k++) {
            Parent next = parts.get((at + k) % parts.size());
            if (next == middle && store.state().step() == Step.INTAKE) {
                intake.resume();
                return;
            }
            Node first = Nodes.firstFocusable(next);
            if (first != null) {
                first.requestFocus();
                return;
            }
        }
    }

    /** Whether a node lies in a part of the window. */
    private static boolean isIn(@Nullable Node node, Parent part) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at == part) {
                return true;
            }
        }
        return false;
    }

    /** Adds a starting brief to the brief. */
    void start(StartingBrief brief) {
        store.go(Step.BRIEF);
        briefSide.start(brief);
    }

    /** Whether letters that set the brief mean something now: not while the focus is beside the grid. */
    private boolean isAtBrief() {
        return store.state().step() == Step.BRIEF && !isIn(getScene().getFocusOwner(), side);
    }

    /** Keys of the steps of a repair: walking along them, and ticking off. */
    private boolean repairKey(KeyEvent e) {
        Node owner = getScene().getFocusOwner();
        boolean moves = e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN;
        if (e.isAltDown() && moves) {
            run(e.getCode() == KeyCode.UP ? "step-earlier" : "step-later");
            return true;
        }
        if (e.isShortcutDown() || e.isAltDown()) {
            return false;
        }
        switch (e.getCode()) {
            case DOWN -> store.planner().walk(1);
            case UP -> store.planner().walk(-1);
            case SPACE -> {
                if (owner instanceof ButtonBase || isIn(owner, side)) {
                    return false; // what has the focus is pressed
                }
                run("step-done");
            }
            case X -> run(e.isShiftDown() ? "allow-all" : "step-out");
            case O -> run("safest-order");
            case C -> run("copy-steps");
            case T -> run("step-on-map");
            default -> {
                return false;
            }
        }
        return true;
    }

    /** Runs a command by its id. */
    private void run(String id) {
        commands.stream().filter(a -> a.id().equals(id)).forEach(a -> a.run().run());
    }

    /** Keys that belong to what is shown rather than to a command; false if this is none. */
    boolean stepKey(KeyEvent e, boolean typing) {
        if (typing) {
            return false;
        }
        if (e.getCode() == KeyCode.B && !e.isShortcutDown() && store.state().against() != null) {
            store.tryout().hold(true);
            return true;
        }
        if (isAtBrief() && brief.key(e)) {
            return true;
        }
        boolean walks = e.getCode() == KeyCode.DOWN || e.getCode() == KeyCode.UP;
        if (store.state().step() == Step.REPAIR) {
            return repairKey(e);
        }
        if (store.state().step() == Step.FINDINGS && walks) {
            store.selectFinding(e.getCode() == KeyCode.DOWN ? 1 : -1);
            return true;
        }
        return false;
    }
}
