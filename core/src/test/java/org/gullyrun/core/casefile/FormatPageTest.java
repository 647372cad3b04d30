package org.gullyrun.core.casefile;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;
import org.gullyrun.core.rig.Worded;
import org.junit.jupiter.api.Test;

/** The page of the case file lists every setting as the catalogue has it; {@code -Dgullyrun.write=true} writes its tables. */
class FormatPageTest {
    private static final Path PAGE = Path.of("..", "docs", "formats", "case.md");
    /** What every element has, said once above the tables. */
    private static final Set<String> EVERY = Set.of("name", "note", "place", "fixed");

    @Test
    void theTablesAreThoseOfTheCatalogue() throws Exception {
        String page = Files.readString(PAGE);
        for (Kind kind : Kind.values()) {
            String head = "### `" + kind.section() + "`\n\n";
            String table = table(kind);
            if (Boolean.getBoolean("gullyrun.write")) {
                int from = page.indexOf(head) + head.length();
                int to = page.indexOf("\n\n", from);
                page = page.substring(0, from) + table.strip() + (to < 0 ? "\n" : page.substring(to));
            }
            assertTrue(page.contains(head + table.strip()), "run with -Dgullyrun.write=true: " + kind);
        }
        if (Boolean.getBoolean("gullyrun.write")) {
            Files.writeString(PAGE, page);
        }
    }

    private static String table(Kind kind) {
        StringBuilder table = new StringBuilder("| field | meaning | values | left out |\n|---|---|---|---|\n");
        for (Setting<?> setting : Catalogue.of(kind)) {
            if (!EVERY.contains(setting.key())) {
                table.append("| `%s` | %s%s | %s | %s |%n"
                        .formatted(
                                setting.key(),
                                setting.label(),
                                setting.isFamily() ? " (a family)" : "",
                                values(setting.type()),
                                leftOut(setting)));
            }
        }
        return table.toString();
    }

    private static String values(ValueType<?> type) {
        return switch (type) {
            case ValueType.Flag flag -> "true, false";
            case ValueType.Number(String unit, double least, double most) -> "number, " + unit;
            case ValueType.Count(int least, int most) -> "whole number, " + least + " to " + most;
            case ValueType.Text text -> "text";
            case ValueType.Texts texts -> "list of texts";
            case ValueType.Ref(Set<Kind> kinds) ->
                "id of "
                        + Arrays.stream(Kind.values())
                                .filter(kinds::contains)
                                .map(kind -> Sentences.a(kind.noun()))
                                .collect(Collectors.joining(", "));
            case ValueType.Pick(List<Choice.Special> specials) ->
                "id of a device; " + specials.stream().map(s -> "`" + s + "`").collect(Collectors.joining(", "));
            case ValueType.Word<?> word ->
                Arrays.stream(word.list().getEnumConstants())
                        .map(w -> "`" + ((Worded) w).word() + "`")
                        .collect(Collectors.joining(", "));
        };
    }

    private static String leftOut(Setting<?> setting) {
        Object usual = setting.usual();
        if (usual == null) {
            return setting.isOptional() ? "optional" : "asked";
        }
        return switch (usual) {
            case String text -> "empty";
            case List<?> list -> "empty";
            case Double number when number == Math.rint(number) -> "`" + number.longValue() + "`";
            case Worded word -> "`" + word.word() + "`";
            default -> "`" + usual + "`";
        };
    }
}
