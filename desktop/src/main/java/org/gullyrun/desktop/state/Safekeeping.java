package org.gullyrun.desktop.state;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.Journal;
import org.gullyrun.core.casefile.Leftover;
import org.gullyrun.core.casefile.Stamp;
import org.jspecify.annotations.Nullable;

/**
 * Sees to it that nothing is lost: journals every edit, knows what the file held when it was opened or saved, and
 * notices other windows and other hands on it.
 */
final class Safekeeping {
    private record Made(Edit edit, String name) {}

    private final @Nullable Path journals;
    private final Consumer<String> trouble;
    private @Nullable Journal journal;
    private volatile @Nullable Path file;
    private volatile String stamp = Stamp.NONE;
    private volatile @Nullable Path own;
    /** What was made since the journal last began; by it the rest is carried over when a save has gone through. */
    private final List<Made> since = new ArrayList<>();

    // Of the watchman's thread only.
    private int othersKnown;
    private String stampKnown = Stamp.NONE;
    private @Nullable Object timeKnown;

    Safekeeping(@Nullable Path journals, Consumer<String> trouble) {
        this.journals = journals;
        this.trouble = trouble;
    }

    /** A case is opened; what was left behind of it is given back. */
    List<Leftover> opened(Case what, @Nullable Path at) {
        begin(at, at == null ? Stamp.NONE : Stamp.of(at));
        Path folder = journals;
        return folder == null ? List.of() : Leftover.find(at, folder, own).leftovers();
    }

    /** A case is opened that was left behind: its file may have changed since, which saving has to notice. */
    void takesUp(Case what, @Nullable Path at, String stampThen) {
        begin(at, stampThen);
    }

    private void begin(@Nullable Path at, String stampNow) {
        Journal before = journal;
        if (before != null) {
            before.close(false);
        }
        since.clear();
        file = at;
        stamp = stampNow;
        Path folder = journals;
        journal = folder == null ? null : Journal.open(at, folder, Clock.systemUTC(), trouble);
        own = journal == null ? null : journal.path();
    }

    void made(Case before, Edit edit, String name) {
        since.add(new Made(edit, name));
        if (journal != null) {
            journal.append(before, file, stamp, edit, name);
        }
    }

    /** How many edits were made since the journal last began. */
    int made() {
        return since.size();
    }

    void whenWritten(Runnable then) {
        if (journal == null) {
            then.run();
        } else {
            journal.whenWritten(then);
        }
    }

    /** Whether a file holds something else than this window has read from it or written to it. */
    boolean isForeign(Path at) {
        return at.equals(file) && Files.exists(at) && !Stamp.of(at).equals(stamp);
    }

    /** The case was saved as it stood after so many edits; later ones are carried over. */
    void saved(Case what, Path at, String stampNow, int edits) {
        List<Made> rest = new ArrayList<>(since.subList(Math.min(edits, since.size()), since.size()));
        if (at.equals(file)) {
            stamp = stampNow;
            since.clear();
            if (journal != null) {
                journal.saved();
            }
        } else {
            begin(at, stampNow);
        }
        Case base = what;
        for (Made made : rest) {
            made(base, made.edit, made.name);
            base = made.edit.apply(base);
        }
    }

    /** Looks whether another window has the case open, or somebody else has changed the file; tells each once. */
    void lookAround(Consumer<String> tell) {
        Path at = file;
        Path folder = journals;
        if (at == null || folder == null) {
            return;
        }
        int others = Leftover.find(at, folder, own).others();
        if (others > othersKnown) {
            tell.accept("This case is open in another window too. Whoever saves last is asked before the other's"
                    + " changes are written over.");
        }
        othersKnown = others;
        try {
            Object time = Files.exists(at) ? Files.getLastModifiedTime(at) : "gone";
            if (!time.equals(timeKnown)) {
                boolean first = timeKnown == null;
                timeKnown = time;
                String now = Stamp.of(at);
                if (!first && !now.equals(stamp) && !now.equals(stampKnown)) {
                    tell.accept(
                            now.equals(Stamp.NONE)
                                    ? at.getFileName() + " is gone. Saving writes it anew."
                                    : at.getFileName() + " was changed by somebody else. Saving asks before it writes"
                                            + " over that.");
                }
                stampKnown = now;
            }
        } catch (java.io.IOException e) {
            timeKnown = null; // looked at again the next time
        }
    }

    void close(boolean keep) {
        if (journal != null) {
            journal.close(keep);
        }
    }
}
