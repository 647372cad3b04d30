package org.gullyrun.core.hostile;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Makes case files of less than a megabyte that ask for as much work as such a file can ask for. */
public final class HostileCases {
    private final Map<String, List<String>> sections = new LinkedHashMap<>();
    private final List<String> brief = new ArrayList<>();

    private HostileCases() {}

    /** Writes all of them into a folder. */
    public static void main(String[] arguments) throws IOException {
        for (Map.Entry<String, String> each : all().entrySet()) {
            Files.writeString(Path.of(arguments[0], each.getKey() + ".json"), each.getValue());
        }
    }

    /** The texts of the case files by a name for each. */
    public static Map<String, String> all() {
        Map<String, String> all = new LinkedHashMap<>();
        all.put("ring of 1000 cables", ring(1_000, 0));
        all.put("ring of 2200 cables, both ways", ring(1_100, 1));
        all.put("all cables joined to all", mesh(24));
        all.put("a tangle whose default can move", tangle(30));
        all.put("60 stages of 20 strips", ladder(60, 20));
        all.put("300 strips on 300 buses, fed back", fedBack(300));
        all.put("strips times buses", crossings(4_000));
        all.put("sources times listeners", pairs(6_000));
        all.put("800 sources missing at 800 listeners", missing(800, 20));
        all.put("sources times scenes", scenes(1_500));
        all.put("nested scenes with many inputs", nested(700, 700));
        all.put("scenes that all bring each other", allBringAll(60));
        all.put("chain of 2000 cables", chain(2_000, 400));
        all.put("closed gates without end", closed(400));
        all.put("applications on the default", followers(3_000));
        all.put("one name for everything", names(9_000));
        all.put("direct pass-throughs", direct(400));
        return all;
    }

    private HostileCases add(String section, int count, IntFunction<String> one) {
        sections.computeIfAbsent(section, x -> new ArrayList<>())
                .addAll(IntStream.range(0, count)
                        .mapToObj(i -> "{" + one.apply(i).replace('\'', '"') + "}")
                        .toList());
        return this;
    }

    private HostileCases must(int outlets, int sources) {
        String all = IntStream.range(0, sources).mapToObj(i -> "\"s" + i + "\"").collect(Collectors.joining(","));
        IntStream.range(0, outlets).forEach(o -> brief.add("\"o" + o + "\":[" + all + "]"));
        return this;
    }

    private String text() {
        return "{\"format\":\"gullyrun case\",\"version\":1,\"title\":\"hostile\",\"brief\":{\"must\":{"
                + String.join(",", brief) + "}},\"surveys\":[{\"id\":\"s\",\"rig\":{"
                + sections.entrySet().stream()
                        .map(e -> "\"" + e.getKey() + "\":[" + String.join(",", e.getValue()) + "]")
                        .collect(Collectors.joining(","))
                + "}}]}";
    }

    private HostileCases cables(int count) {
        return add("devices", count, i -> "'id':'p" + i + "','direction':'playback'")
                .add("devices", count, i -> "'id':'r" + i + "','direction':'recording'")
                .add("cables", count, i -> "'id':'c" + i + "','playback':'p" + i + "','recording':'r" + i + "'");
    }

    private HostileCases listeners(int count, IntFunction<String> device) {
        return add("outlets", count, i -> "'id':'o" + i + "','sort':'ears','device':'" + device.apply(i) + "'");
    }

    private HostileCases voices(int count, IntFunction<String> at) {
        return add("sources", count, i -> "'id':'s" + i + "','class':'voice','startsAt':'" + at.apply(i) + "'");
    }

    private static HostileCases passes(HostileCases rig, String name, int count, IntFunction<String> ends) {
        return rig.add("passThroughs", count, i -> "'id':'" + name + i + "'," + ends.apply(i));
    }

    private static String ring(int size, int back) {
        HostileCases rig = new HostileCases().cables(size);
        passes(rig, "x", size, i -> "'recording':'r" + i + "','playback':'p" + (i + 1) % size + "','gain':-0.001");
        passes(rig, "y", back * size, i -> "'recording':'r" + i + "','playback':'p" + (i + size - 1) % size + "'");
        return rig.voices(3, i -> "r" + i)
                .listeners(3, i -> "p" + i * 7)
                .must(3, 3)
                .text();
    }

    private static String mesh(int size) {
        HostileCases rig = new HostileCases().cables(size);
        passes(
                rig,
                "x",
                size * size,
                i -> "'recording':'r" + i / size + "','playback':'p" + i % size + "','gain':-" + (30 + i % 7));
        return rig.voices(12, i -> "r" + i)
                .listeners(12, i -> "p" + i)
                .must(12, 12)
                .text();
    }

    /** All cables joined to all, and programs on the default, which could be any of them. */
    private static String tangle(int size) {
        HostileCases rig = new HostileCases().add("machines", 1, i -> "'id':'pc','playback':'p0','recording':'r0'");
        rig.add("devices", size, i -> "'id':'p" + i + "','machine':'pc','direction':'playback'")
                .add("devices", size, i -> "'id':'r" + i + "','machine':'pc','direction':'recording'")
                .add("cables", size, i -> "'id':'c" + i + "','playback':'p" + i + "','recording':'r" + i + "'");
        passes(
                rig,
                "x",
                size * size / 2,
                i -> "'recording':'r" + i * 2 / size + "','playback':'p" + i * 7 % size + "','gain':-" + (25 + i % 9));
        return rig.add("applications", 12, i -> "'id':'a" + i + "','machine':'pc','listensTo':'default'")
                .add("applicationOutputs", 12, i -> "'id':'ao" + i + "','application':'a" + i + "','plays':'default'")
                .voices(12, i -> "a" + i)
                .listeners(12, i -> "p" + i * 2)
                .must(12, 12)
                .text();
    }

    /** Stages of strips that each go to all buses of the stage, whose buses feed the strips of the next. */
    private static String ladder(int stages, int width) {
        HostileCases rig = new HostileCases().add("mixers", stages, i -> "'id':'m" + i + "'");
        rig.add("devices", stages * 2, i -> "'id':'d" + i + "','direction':'playback'");
        rig.add(
                "strips",
                stages * width,
                i -> "'id':'t" + i + "','mixer':'m" + i / width + "','feed':'d" + i / width + "','crossings':['b"
                        + i / width + "']");
        rig.add("buses", stages, i -> "'id':'b" + i + "','mixer':'m" + i + "','target':'d" + (i + 1) + "'");
        return rig.add("applications", 10, i -> "'id':'a" + i + "'")
                .add("applicationOutputs", 10, i -> "'id':'ao" + i + "','application':'a" + i + "','plays':'d0'")
                .voices(10, i -> "a" + i)
                .listeners(10, i -> "d" + stages)
                .must(10, 10)
                .text();
    }

    private static String fedBack(int size) {
        HostileCases rig = new HostileCases().cables(size).add("mixers", 1, i -> "'id':'m'");
        String all = IntStream.range(0, 12)
                .mapToObj(i -> "'b" + i * (size / 12) + "'")
                .collect(Collectors.joining(","));
        rig.add(
                "strips",
                size,
                i -> "'id':'t" + i + "','mixer':'m','feed':'r" + i + "','level':-20,'crossings':[" + all + "]");
        rig.add("buses", size, i -> "'id':'b" + i + "','mixer':'m','target':'p" + (i * 7 + 1) % size + "'");
        return rig.voices(20, i -> "r" + i * 12)
                .listeners(20, i -> "p" + i * 12)
                .must(20, 20)
                .text();
    }

    private static String crossings(int size) {
        return new HostileCases()
                .add("mixers", 1, i -> "'id':'m'")
                .add("strips", size, i -> "'id':'t" + i + "','mixer':'m'")
                .add("buses", size, i -> "'id':'b" + i + "','mixer':'m'")
                .voices(1, i -> "t0")
                .listeners(1, i -> "d")
                .text();
    }

    private static String pairs(int size) {
        return new HostileCases()
                .add("devices", 1, i -> "'id':'d','direction':'playback'")
                .voices(size, i -> "d")
                .listeners(size, i -> "d")
                .text();
    }

    private static String missing(int size, int stages) {
        HostileCases rig = new HostileCases().cables(stages);
        passes(rig, "x", stages - 1, i -> "'recording':'r" + i + "','playback':'p" + (i + 1) + "','enabled':false");
        passes(rig, "y", stages - 2, i -> "'recording':'r" + i + "','playback':'p" + (i + 2) + "','enabled':false");
        return rig.voices(size, i -> "r0")
                .listeners(size, i -> "p" + (stages - 1))
                .must(70, size)
                .text();
    }

    private static HostileCases show(int inputs, int scenes) {
        return new HostileCases()
                .add("devices", 1, i -> "'id':'d','direction':'recording'")
                .add("productions", 1, i -> "'id':'pr','trackCount':2")
                .add(
                        "inputs",
                        inputs,
                        i -> "'id':'i" + i + "','production':'pr','takes':'recording device','device':'d','tracks':[1]")
                .add("scenes", scenes, i -> "'id':'sc" + i + "','production':'pr'")
                .add("outputs", 1, i -> "'id':'op','production':'pr','purpose':'live','tracks':[1]")
                .voices(2, i -> "d")
                .add("outlets", 2, i -> "'id':'o" + i + "','sort':'live','output':'op'")
                .must(2, 2);
    }

    private static String scenes(int size) {
        return show(size, size)
                .add("entries", size, i -> "'id':'e" + i + "','scene':'sc" + i + "','brings':'i" + i + "'")
                .text();
    }

    private static String nested(int scenes, int inputs) {
        return show(inputs, scenes)
                .add(
                        "entries",
                        3 * (scenes - 1),
                        i -> "'id':'e" + i + "','scene':'sc" + i / 3 + "','level':-1,'brings':'sc" + (i / 3 + 1) + "'")
                .add("entries", inputs, i -> "'id':'f" + i + "','scene':'sc" + (scenes - 1) + "','brings':'i" + i + "'")
                .text();
    }

    private static String allBringAll(int scenes) {
        return show(3, scenes)
                .add(
                        "entries",
                        scenes * scenes,
                        i -> "'id':'e" + i + "','scene':'sc" + i / scenes + "','brings':'sc" + i % scenes + "','level':"
                                + i % 5)
                .add("entries", 3, i -> "'id':'f" + i + "','scene':'sc" + i * 7 + "','brings':'i" + i + "'")
                .text();
    }

    private static String chain(int cables, int voices) {
        HostileCases rig = new HostileCases().cables(cables);
        passes(rig, "x", cables - 1, i -> "'recording':'r" + i + "','playback':'p" + (i + 1) + "'");
        return rig.voices(voices, i -> "r" + i)
                .listeners(voices, i -> "p" + (cables - 1 - i))
                .must(20, voices)
                .text();
    }

    /** Many routes of the same number of gates, none of them open. */
    private static String closed(int stages) {
        HostileCases rig = new HostileCases().cables(stages);
        for (String name : List.of("x", "y", "z")) {
            passes(
                    rig,
                    name,
                    stages - 1,
                    i -> "'recording':'r" + i + "','playback':'p" + (i + 1) + "','enabled':false");
        }
        return rig.voices(30, i -> "r" + i)
                .listeners(30, i -> "p" + (stages - 1 - i))
                .must(30, 30)
                .text();
    }

    private static String followers(int size) {
        return new HostileCases()
                .add("machines", 1, i -> "'id':'pc','playback':'d0'")
                .add("devices", 300, i -> "'id':'d" + i + "','machine':'pc','direction':'playback'")
                .add("applications", size, i -> "'id':'a" + i + "','machine':'pc'")
                .add("applicationOutputs", size, i -> "'id':'x" + i + "','application':'a" + i + "','plays':'default'")
                .voices(size, i -> "a" + i)
                .listeners(60, i -> "d" + i)
                .must(1, size)
                .text();
    }

    private static String names(int size) {
        return new HostileCases()
                .add("devices", size, i -> "'id':'d" + i + "','name':'x','direction':'playback','body':'b','clock':'c'")
                .listeners(1, i -> "d0")
                .voices(1, i -> "d0")
                .text();
    }

    private static String direct(int size) {
        HostileCases rig = new HostileCases().cables(1);
        passes(rig, "x", size, i -> "'recording':'r0','playback':'p0','direct':true");
        rig.add("wires", size, i -> "'id':'w" + i + "','playback':'p0','recording':'r0'");
        return rig.voices(2, i -> "r0").listeners(2, i -> "p0").must(2, 2).text();
    }
}
