package org.gullyrun.core.audit;

/** How findings of a rule can be fixed, beyond opening what blocks a route and closing what carries an unwanted one. */
public enum FixKind {
    /** Gates on the routes, and settings in question, are all there is. */
    GATES(true),
    /** A program may play elsewhere, or a default may move. */
    CHOICES(true),
    /** A call cancels its own echo. */
    CANCEL_ECHO(true),
    /** The engine takes the rate of its devices, or they take its rate. */
    ENGINE_RATE(true),
    /** Devices and engines along the route run at one rate. */
    ONE_RATE(false),
    /** The system mixes what passes from one clock to another, and keeps it in step. */
    RECLOCK(true),
    /** One of two choices goes. */
    CLEAR_CHOICE(true),
    /** An input recognises its program by more than a title. */
    RECOGNISE_PROGRAM(true),
    /** The element goes. */
    REMOVE(true),
    /** A call carries more than voice. */
    FULL_SOUND(false),
    /** A program uses another microphone. */
    OTHER_MICROPHONE(true),
    /** An entry of a scene goes. */
    REMOVE_ENTRY(true),
    /** Something that adds to the sum is turned down. */
    LOWER_SUM(false),
    /** The voice is turned up, or what covers it down. */
    BALANCE(false),
    /** A level moves into the window of the brief. */
    INTO_WINDOW(false),
    /** What is early is delayed. */
    DELAY(false),
    /** What follows a default names its device. */
    NAME_DEVICE(true),
    /** A program plays where somebody hears it. */
    OTHER_OUTPUT(true),
    /** Something on the same computer is chosen instead. */
    OWN_COMPUTER(false),
    /** The routes are wanted as they are: none is closed. */
    KEEP_ROUTES(false);

    private final boolean movesGates;

    FixKind(boolean movesGates) {
        this.movesGates = movesGates;
    }

    /** Whether gates on the routes of the evidence come into question; not where the routes are wanted, but sound wrong. */
    public boolean movesGates() {
        return movesGates;
    }
}
