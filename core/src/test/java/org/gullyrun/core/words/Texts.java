package org.gullyrun.core.words;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Texts that people can read, collected to be read from top to bottom, and held against phrases that nobody would say. */
public final class Texts {
    /** Turns of phrase that read as if translated, and words of which there is a better one. */
    private static final Pattern UNWANTED = Pattern.compile(String.join(
            "|",
            "\\b[Tt]ak(e|es|ing|en) (it|them|this) away\\b",
            "\\b(stands?|stood) behind\\b",
            "\\b[Tt]aken? in\\b(?! place)",
            "\\b[Tt]ake them up\\b",
            "\\b[Dd]rop (it|them)\\b",
            "\\bgets? nothing of it\\b",
            "\\bwhatever gates\\b",
            "\\bin the way when\\b",
            "\\b[Oo]therwise than now\\b",
            "\\bIf one did\\b",
            "\\balters?\\b",
            "\\bmusts\\b",
            "\\bhangs? on\\b",
            "\\b(Finding|Scene|Section) before\\b",
            "\\bcannot stand there\\b",
            "\\bruns? away\\b",
            "\\bHeard as well\\b",
            "\\b[Ww]hoever\\b",
            "\\b[Tt]hat which\\b",
            "\\b[Ss]o long\\b",
            "\\b(is|are) told\\b",
            "\\b[Rr]emed(y|ies)\\b",
            "\\bblocked way\\b",
            "\\bby \\d+ (ways|runs)\\b",
            "\\bnot yet known\\b",
            "\\bRests on\\b",
            "\\bplays aloud\\b",
            "\\b(What is the|Is [^?]*) (what|when|belongs|keeps|stands|must|has to)\\b",
            "\\{\\w+\\}", // nothing was put in
            "REDACTED|\\wException\\b|\\bnull\\b", // words of a library or of the code
            "(?<!(input|strip|bus|track|desk|Input|Strip|Bus|Track) )\\b(Guests|Chimes|Clips|Effects|ears) (is|has|hears|gets|goes|comes|misses)\\b",
            "(?<!--)\\b[Oo]utlets?\\b", // a listener: that is what the files and the code call it
            "\\b[Aa]pplications?\\b", // a program
            "\\b[Mm]achines?\\b", // a computer
            "\\bin the system\\b(?! settings|'s)",
            "\\b(\\w+) \\1\\b(?<!had had|that that)",
            "\\b1 (findings|listeners|routes|changes|notes|questions|sources)\\b",
            "(?<![\\w:/.-])-\\d"));

    private Texts() {}

    /** Writes texts to a file, each once, and fails if one of them has a phrase that is not wanted. */
    public static void check(Collection<String> texts, Path file) throws IOException {
        Set<String> all = new LinkedHashSet<>();
        texts.stream().map(String::strip).filter(t -> !t.isEmpty()).forEach(all::add);
        Files.createDirectories(file.getParent());
        Files.write(file, all);
        List<String> found = new ArrayList<>();
        for (String text : all) {
            Matcher matcher = UNWANTED.matcher(text);
            while (matcher.find()) {
                found.add("“" + matcher.group() + "” in: " + text);
            }
        }
        assertEquals(List.of(), found);
    }
}
