package org.gullyrun.core.brief;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.jspecify.annotations.Nullable;

/** Wishes that whole kinds of shows share. One is laid over what was entered; cells that it says nothing of stay. */
public enum StartingBrief {
    /** Everything live; the same archived but for what is licensed; ears get all but their own voice. */
    LIVE_CLEAN_ARCHIVE(
            "Live show, clean archive",
            "everything on air, licensed music never kept; ears hear all but their own voice") {
        @Override
        @Nullable
        Wish wish(Rig rig, Element source, Element outlet, Outlets.Sort sort) {
            if (isPrivate(source)) {
                return sort == Outlets.Sort.EARS && !isOwn(source, outlet) ? Wish.MUST : null;
            }
            return switch (sort) {
                case LIVE -> isShow(source) ? Wish.MUST : null;
                case ARCHIVE -> isShow(source) && !isLicensed(source) ? Wish.MUST : null;
                case RELAY -> isShow(source) && !isLicensed(source) ? Wish.MUST : null;
                case EARS -> isHeard(source) && !isOwn(source, outlet) ? Wish.MUST : null;
                case ROOM, TRACK, FAR_END, MACHINE -> null;
            };
        }
    },
    /** Each recording track gets the one source that its name says, or the sources of the class it names. */
    RECORDING_FOR_EDITING("Recording for editing", "one source per track, matched by name") {
        @Override
        @Nullable
        Wish wish(Rig rig, Element source, Element outlet, Outlets.Sort sort) {
            return sort == Outlets.Sort.TRACK && isMeant(rig, source, outlet) ? Wish.MUST : null;
        }
    },
    /** Private talk goes to ears and to its own call, and nowhere else. */
    PRIVATE_TALK("Private talk stays private", "only to ears; never on air, on tracks or in other calls") {
        @Override
        @Nullable
        Wish wish(Rig rig, Element source, Element outlet, Outlets.Sort sort) {
            if (!isPrivate(source)) {
                return null;
            }
            return switch (sort) {
                case EARS -> isOwn(source, outlet) ? null : Wish.MUST;
                case LIVE, ARCHIVE, RELAY, ROOM, TRACK -> Wish.NEVER;
                case FAR_END -> isOfCall(rig, source, outlet) ? null : Wish.NEVER;
                case MACHINE -> null;
            };
        }
    },
    /** Guests hear the show, but not themselves; private calls hear the voices of the house only. */
    GUESTS_ALL_BUT_THEMSELVES("Guests get all but themselves", "the whole show, never their own voices") {
        @Override
        @Nullable
        Wish wish(Rig rig, Element source, Element outlet, Outlets.Sort sort) {
            if (sort != Outlets.Sort.FAR_END || isPrivate(source)) {
                return null;
            }
            if (isOfCall(rig, source, outlet)) {
                return Wish.NEVER;
            }
            boolean privateCall = rig.of(Kind.SOURCE).stream().anyMatch(s -> isPrivate(s) && isOfCall(rig, s, outlet));
            return privateCall || !isShow(source) || source.get(Sources.CLASS) == SourceClass.ALERT ? null : Wish.MUST;
        }
    },
    /** Relays get what is live but for what is licensed. */
    RELAY_WITHOUT_LICENSED("Relay without licensed music", "a second platform gets everything but licensed music") {
        @Override
        @Nullable
        Wish wish(Rig rig, Element source, Element outlet, Outlets.Sort sort) {
            return sort != Outlets.Sort.RELAY || isPrivate(source)
                    ? null
                    : isLicensed(source) ? Wish.NEVER : isShow(source) ? Wish.MUST : null;
        }
    };

    private final String title;
    private final String about;

    StartingBrief(String title, String about) {
        this.title = title;
        this.about = about;
    }

    /** Its name on screen. */
    public String title() {
        return title;
    }

    /** What it wishes, in short. */
    public String about() {
        return about;
    }

    /** What it says of a cell; null for nothing. */
    @Nullable
    abstract Wish wish(Rig rig, Element source, Element outlet, Outlets.Sort sort);

    /** The changes that lay it over a brief of a rig. */
    public List<BriefChange> over(Rig rig, Brief brief) {
        Map<Brief.Cell, Wish> cells = new TreeMap<>(brief.cells());
        for (Element outlet : rig.of(Kind.OUTLET)) {
            if (outlet.get(Outlets.SORT) instanceof Outlets.Sort sort) {
                for (Element source : rig.of(Kind.SOURCE)) {
                    Wish wish = wish(rig, source, outlet, sort);
                    if (wish != null) {
                        cells.put(new Brief.Cell(source.id(), outlet.id(), ""), wish);
                    }
                }
            }
        }
        return BriefChange.between(brief, new Brief(cells, brief.windows(), brief.voiceOverMusic()));
    }

    private static boolean isPrivate(Element source) {
        return source.is(Sources.PRIVATE, false);
    }

    private static boolean isLicensed(Element source) {
        return source.is(Sources.LICENSED, false);
    }

    /** What belongs into a show: all but sounds of the system and chat. */
    private static boolean isShow(Element source) {
        SourceClass known = source.get(Sources.CLASS);
        return known != SourceClass.CHAT && known != null;
    }

    /** What one needs in one's ears to lead a show: all that one does not make oneself. */
    private static boolean isHeard(Element source) {
        SourceClass known = source.get(Sources.CLASS);
        return known != null && known != SourceClass.SYSTEM && known != SourceClass.EFFECT;
    }

    /** Whether a listener is the person whose voice this is. */
    private static boolean isOwn(Element source, Element outlet) {
        String person = source.or(Sources.PERSON, "");
        return !person.isEmpty() && person.equals(outlet.or(Outlets.PERSON, ""));
    }

    /** Whether a listener is the far end of the call that a source comes from. */
    private static boolean isOfCall(Rig rig, Element source, Element outlet) {
        Element own = Sources.application(rig, source);
        return own != null && own.id().equals(outlet.get(Outlets.APPLICATION));
    }

    /** Whether a track's name has a word of the source's name or class in it. */
    private static boolean isMeant(Rig rig, Element source, Element track) {
        Set<String> words = words(track.name());
        Set<String> own = words(source.name());
        own.retainAll(words);
        if (!own.isEmpty()) {
            return true;
        }
        SourceClass known = source.get(Sources.CLASS);
        // A class counts only where no source has the word for its own name.
        return known != null
                && words.contains(known.word())
                && rig.of(Kind.SOURCE).stream().noneMatch(s -> words(s.name()).contains(known.word()));
    }

    /** The words of a name in small letters, so that "Host track" and "host" meet. */
    private static Set<String> words(String name) {
        Set<String> words = new HashSet<>();
        for (String word : List.of(name.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"))) {
            if (!word.equals("track") && word.length() > 2) {
                words.add(word);
            }
        }
        return words;
    }
}
