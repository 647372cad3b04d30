package org.gullyrun.desktop.look;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * Every text of the style sheet stands out from every ground it is set on by 4.5 : 1, every mark that says something by
 * 3 : 1, on both sheets and where they are dimmed. Formula: relative luminance and contrast ratio of WCAG 2.2.
 */
class ContrastTest {
    private static final double TEXT = 4.5;
    private static final double MARK = 3;

    private static final Set<String> GROUNDS = Set.of("-paper", "-panel", "-sunk", "-water-wash");
    /** Where marks are drawn: the map, the listeners, the ladder. */
    private static final Set<String> MARK_GROUNDS = Set.of("-paper", "-panel");

    /** Rules that draw grounds, lines between things, or what lies back while something else is lit. */
    private static final Set<String> SAYS_NOTHING = Set.of(
            ".contour",
            ".tally", // the bars that are not inked only fill the row
            ".grid-line",
            ".patch",
            ".plaque",
            ".plaque.plain",
            ".hit, .token-hit",
            ".token:hover .token-hit",
            ".token:selected .token-hit",
            ".basin",
            ".good-band", // its edge and its number say it
            ".crossing.gone:lit", // likewise, its edge
            ".basin-cell:hover .basin",
            ".basin-cell:selected .basin",
            ".basin-back",
            ".basin-cell:hover .basin-back",
            ".basin-cell:selected .basin-back",
            ".channel:dimmed",
            ".channel.dry:dimmed",
            ".arrow:dimmed",
            ".rung-dot",
            ".rung-dot.dry",
            ".step-dot",
            ".step-band",
            ".step-ring",
            ".flow-plate.bad",
            ".flow-plate.plain",
            ".flow-tick", // on a channel: see below
            ".level-body.good",
            ".level-body.bad");

    private static final Pattern RULE = Pattern.compile("(?m)^([^@/{}\\n]+?)\\s*\\{([^}]*)}");
    private static final Pattern SET = Pattern.compile("(-[a-z-]+):\\s*([^;]+);");

    private final Map<String, Map<String, String>> rules = new HashMap<>();

    ContrastTest() throws Exception {
        try (var in = Nodes.class.getResourceAsStream("sheet.css")) {
            String css = new String(in.readAllBytes(), StandardCharsets.UTF_8).replaceAll("(?s)/\\*.*?\\*/", "");
            Matcher rule = RULE.matcher(css);
            while (rule.find()) {
                Map<String, String> set = rules.computeIfAbsent(rule.group(1).strip(), x -> new HashMap<>());
                Matcher one = SET.matcher(rule.group(2));
                while (one.find()) {
                    set.put(one.group(1), one.group(2).strip());
                }
            }
        }
    }

    private Map<String, String> sheet(boolean night) {
        Map<String, String> tokens = new HashMap<>(rules.get(".root"));
        if (night) {
            tokens.putAll(rules.get(".root.night"));
        }
        return tokens;
    }

    private static double[] colour(String hex) {
        double[] rgb = new double[3];
        for (int i = 0; i < 3; i++) {
            rgb[i] = Integer.parseInt(hex.substring(1 + 2 * i, 3 + 2 * i), 16) / 255.0;
        }
        return rgb;
    }

    private static double luminance(double[] rgb) {
        double[] linear = new double[3];
        for (int i = 0; i < 3; i++) {
            linear[i] = rgb[i] <= 0.04045 ? rgb[i] / 12.92 : Math.pow((rgb[i] + 0.055) / 1.055, 2.4);
        }
        return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2];
    }

    private static double contrast(double[] one, double[] other) {
        double a = luminance(one);
        double b = luminance(other);
        return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    }

    private static double[] over(double[] above, double[] ground, double opacity) {
        double[] mixed = new double[3];
        for (int i = 0; i < 3; i++) {
            mixed[i] = above[i] * opacity + ground[i] * (1 - opacity);
        }
        return mixed;
    }

    @Test
    void theFormulaGivesWhatItsAuthorsSay() {
        assertEquals(21, contrast(colour("#ffffff"), colour("#000000")), 1e-9);
        assertEquals(4.48, contrast(colour("#777777"), colour("#ffffff")), 0.005);
    }

    @Test
    void everyTextCanBeRead() {
        Set<String> tokens = new TreeSet<>();
        rules.forEach((rule, set) -> {
            for (String property : List.of("-fx-text-fill", "-fx-prompt-text-fill", "-fx-highlight-text-fill")) {
                if (set.containsKey(property) && !rule.equals(".tooltip")) {
                    tokens.add(set.get(property));
                }
            }
            if (rule.startsWith(".drawn")) {
                tokens.add(set.get("-fx-fill"));
            }
        });
        assertTrue(tokens.size() >= 7, "texts of " + tokens);
        List<String> faint = new ArrayList<>();
        for (boolean night : new boolean[] {false, true}) {
            for (String token : tokens) {
                GROUNDS.forEach(ground -> check(night, token, token, ground, 1, TEXT, faint));
            }
            check(night, "notice", "-bad", "-bad-wash", 1, TEXT, faint);
            check(night, "loud cell", "-ink", "-bad-wash", 1, TEXT, faint);
            check(night, "tooltip", "-paper", "-ink", 1, TEXT, faint);
        }
        assertEquals(List.of(), faint);
    }

    @Test
    void everyMarkThatSaysSomethingIsSeenDimmedOnesToo() {
        List<String> faint = new ArrayList<>();
        int checked = 0;
        for (boolean night : new boolean[] {false, true}) {
            for (Map.Entry<String, Map<String, String>> rule : rules.entrySet()) {
                if (rule.getKey().startsWith(".drawn") || SAYS_NOTHING.contains(rule.getKey())) {
                    continue;
                }
                for (String property : List.of("-fx-fill", "-fx-stroke")) {
                    String token = rule.getValue().getOrDefault(property, "");
                    if (token.startsWith("-")) {
                        for (String ground : MARK_GROUNDS) {
                            check(night, rule.getKey(), token, ground, 1, MARK, faint);
                            checked++;
                        }
                    }
                }
            }
            for (String ground : MARK_GROUNDS) {
                check(night, "glyph dimmed", "-ink", ground, opacity(".glyph:dimmed"), MARK, faint);
                check(night, "glyph dimmed", "-bad", ground, opacity(".glyph:dimmed"), MARK, faint);
                check(night, "tick on a channel", "-paper", "-channel", 1, MARK, faint);
                check(night, "loop dimmed", "-bad", ground, opacity(".channel.return.loop:dimmed"), MARK, faint);
                check(
                        night,
                        "edge of a field",
                        rules.get(".number-field").get("-fx-border-color"),
                        ground,
                        1,
                        MARK,
                        faint);
                check(
                        night,
                        "edge of a menu",
                        rules.get(".menu-button.plain").get("-fx-border-color"),
                        ground,
                        1,
                        MARK,
                        faint);
            }
        }
        assertTrue(checked > 150, "marks: " + checked);
        assertEquals(List.of(), faint);
    }

    private double opacity(String rule) {
        return Double.parseDouble(rules.get(rule).get("-fx-opacity"));
    }

    private void check(
            boolean night, String what, String token, String ground, double opacity, double least, List<String> faint) {
        Map<String, String> tokens = sheet(night);
        double[] under = colour(tokens.get(ground));
        double found = contrast(over(colour(tokens.get(token)), under, opacity), under);
        if (found < least) {
            faint.add(String.format(
                    "%s: %s of %s on %s is %.2f : 1", night ? "night" : "day", what, token, ground, found));
        }
    }
}
