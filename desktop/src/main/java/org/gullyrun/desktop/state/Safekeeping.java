package org.gullyrun.desktop.state;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.FileStamp;
import org.gullyrun.core.casefile.Journal;
import org.gullyrun.core.casefile.UnsavedChanges;
import org.jspecify.annotations.Nullable;

/**
 * Sees to it that nothing is lost: journals every edit, knows what the file held when it was opened or saved, and
 * notices other windows and other hands on it.
 */
final class Safekeeping {
    private final @Nullable Path journals;
    private final Consumer<String> trouble;
    private @Nullable Journal journal;
    private volatile @Nullable Path file;
    private volatile String stamp = FileStamp.NONE;
    private volatile @Nullable Path own;
    /** What was made since the journal last began; by it the rest is carried over when a save has gone through. */
    private final List<Journal.Entry> since = new ArrayList<>();
    /** The stamp that the file is about to have, or has got: what this window writes is not somebody else's. */
    private volatile String writing = FileStamp.NONE;

    // Of the watchman's thread only.
    private int othersKnown;
    private String stampKnown = FileStamp.NONE;
    private @Nullable Object timeKnown;

    Safekeeping(@Nullable Path journals, Consumer<String> trouble) {
        this.journals = journals;
        this.trouble = trouble;
    }

    /**
     * What is made ready for a case before it is shown.
     *
     * @param stamp of the file as it was when it was read
     * @param leftovers what was left behind of it
     */
    record Opening(
            @Nullable Path at,
            String stamp,
            @Nullable Journal journal,
            List<UnsavedChanges> leftovers,
            List<Path> damaged) {}

    /**
     * Makes ready what a case needs that is to be opened, or was saved to another file. Slow; may be done on any thread.
     *
     * @param stampThen the stamp of the file as it was read or written; null for as it is now
     */
    Opening opening(@Nullable Path at, @Nullable String stampThen) {
        String stampNow = stampThen != null ? stampThen : at == null ? FileStamp.NONE : FileStamp.of(at);
        Path folder = journals;
        if (folder == null) {
            return new Opening(at, stampNow, null, List.of(), List.of());
        }
        Journal opened = Journal.open(at, folder, Clock.systemUTC(), trouble);
        Path path = opened == null ? null : opened.path();
        if (stampThen != null) {
            return new Opening(at, stampNow, opened, List.of(), List.of());
        }
        UnsavedChanges.Found found = UnsavedChanges.find(at, folder, path);
        return new Opening(at, stampNow, opened, found.leftovers(), found.damaged());
    }

    /** Goes over to another case or file. What is given back ends the journal before: slow, to be done elsewhere. */
    Runnable take(Opening opening) {
        Journal before = journal;
        since.clear();
        file = opening.at;
        stamp = opening.stamp;
        journal = opening.journal;
        own = journal == null ? null : journal.path();
        return before == null ? () -> {} : () -> before.close(false);
    }

    /** Makes the journal ready for the first edit; slow, but on the journal's own thread. */
    void prepare(Case what) {
        Journal now = journal;
        if (now != null) {
            now.prepare(what);
        }
    }

    /** Hands an edit to the journal before it is shown. */
    void made(Case before, Edit edit, String name) {
        since.add(new Journal.Entry(edit, name));
        if (journal != null) {
            journal.append(before, stamp, edit, name);
        }
    }

    /** How many edits were made since the journal last began. */
    int made() {
        return since.size();
    }

    /** Calls back once all that is waiting is on disk. */
    void whenWritten(Runnable then) {
        if (journal == null) {
            then.run();
        } else {
            journal.whenWritten(then);
        }
    }

    /** Whether a file holds something else than this window has read from it or written to it. */
    boolean isForeign(Path at) {
        return at.equals(file) && Files.exists(at) && !isOwn(FileStamp.of(at));
    }

    /** Whether a file on the drive is as this program wrote it. */
    private boolean isOwn(String found) {
        return found.equals(stamp) || found.equals(writing);
    }

    /** The file is about to be written with this stamp. */
    void writing(String stampSoon) {
        writing = stampSoon;
    }

    /** Whether no journal can be written, though one is wanted. */
    boolean lacksJournal() {
        return journals != null && journal == null;
    }

    /** Whether this is the file of the case. */
    boolean isAt(Path at) {
        return at.equals(file);
    }

    /**
     * The case was saved as it stood after so many edits; later ones are carried over.
     *
     * @param elsewhere what was made ready for another file than before; null if it is the same
     * @return what is still to be done, on another thread
     */
    Runnable saved(Case what, String stampNow, int edits, @Nullable Opening elsewhere) {
        List<Journal.Entry> rest = new ArrayList<>(since.subList(Math.min(edits, since.size()), since.size()));
        if (elsewhere == null) {
            stamp = stampNow;
            since.clear();
            since.addAll(rest);
            if (journal != null) {
                journal.saved(what, stampNow, rest);
            }
            return () -> {};
        }
        Runnable end = take(elsewhere);
        since.addAll(rest);
        Journal now = journal;
        if (now == null || rest.isEmpty()) {
            return end;
        }
        now.saved(what, stampNow, rest);
        return () -> now.whenWritten(end); // the journal before holds them until then
    }

    /** Looks whether another window has the case open, or somebody else has changed the file; tells each once. */
    void lookAround(Consumer<String> tell) {
        Path at = file;
        Path folder = journals;
        if (at == null || folder == null) {
            return;
        }
        int others = UnsavedChanges.find(at, folder, own).others();
        if (others > othersKnown) {
            tell.accept("This case is open in another window too. Saving asks before it overwrites the other"
                    + " window's changes.");
        }
        othersKnown = others;
        try {
            Object time = Files.exists(at) ? Files.getLastModifiedTime(at) : "gone";
            if (!time.equals(timeKnown)) {
                boolean first = timeKnown == null;
                timeKnown = time;
                String now = FileStamp.of(at);
                if (!first && !isOwn(now) && !now.equals(stampKnown)) {
                    tell.accept(
                            now.equals(FileStamp.NONE)
                                    ? at.getFileName() + " is gone. Saving writes a new file."
                                    : at.getFileName()
                                            + " was changed by another program. Saving asks before it overwrites"
                                            + " that.");
                }
                stampKnown = now;
            }
        } catch (java.io.IOException e) {
            timeKnown = null; // looked at again the next time
        }
    }

    /** Ends the journal, and deletes its file unless it is to be kept. */
    void close(boolean keep) {
        if (journal != null) {
            journal.close(keep);
        }
    }
}
