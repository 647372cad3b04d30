package org.gullyrun.core.casefile;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.rig.Address;

/**
 * What a case keeps of a work order, so that a repair can go on tomorrow or with somebody else: what was done in a survey, what
 * isn't possible there and why, and what is left to do.
 *
 * @param survey the id of the survey that is being repaired; there is one record for each at most
 * @param found the id of the survey that shows how it was found; the same before the first step is done
 * @param onAir whether the steps are ordered for a show that is on air
 * @param done the steps done, in order
 * @param ruledOut what isn't possible
 * @param planned the steps left to do, in order
 */
public record WorkRecord(
        String survey, String found, boolean onAir, List<Step> done, List<RuledOut> ruledOut, List<Step> planned) {
    /**
     * A step.
     *
     * @param at the setting that it changes; of an element that it adds or removes, its id without a key
     * @param sentence what was said to the creator
     */
    public record Step(Address at, String sentence) {}

    /**
     * Something that isn't possible.
     *
     * @param at the setting, or the element without a key
     * @param reason why, in the words of the technician; may be empty
     */
    public record RuledOut(Address at, String reason) {}

    public WorkRecord {
        done = List.copyOf(done);
        ruledOut = List.copyOf(ruledOut);
        planned = List.copyOf(planned);
    }

    /** The record in the form of the case file. */
    Map<String, Object> plain() {
        Map<String, Object> fields = new LinkedHashMap<>();
        fields.put("survey", survey);
        if (!found.equals(survey)) {
            fields.put("found", found);
        }
        if (!onAir) {
            fields.put("onAir", false);
        }
        put(fields, "done", done.stream().map(WorkRecord::plain).toList());
        put(
                fields,
                "ruledOut",
                ruledOut.stream()
                        .map(r -> Map.<String, Object>of("setting", said(r.at), "reason", r.reason))
                        .toList());
        put(fields, "planned", planned.stream().map(WorkRecord::plain).toList());
        return fields;
    }

    private static void put(Map<String, Object> fields, String key, List<Map<String, Object>> list) {
        if (!list.isEmpty()) {
            fields.put(key, list);
        }
    }

    private static Map<String, Object> plain(Step step) {
        Map<String, Object> fields = new LinkedHashMap<>();
        fields.put("setting", said(step.at));
        fields.put("step", step.sentence);
        return fields;
    }

    private static String said(Address at) {
        return at.key().isEmpty() ? at.element() : at.toString();
    }

    /** A record from the form of the case file. */
    static WorkRecord read(JsonNode node, String place) {
        CaseReader.object(node, place);
        String survey = CaseReader.text(node, "survey", place + ".survey");
        if (survey.isBlank()) {
            throw new CaseReader.Wrong(place + ".survey", "a work order needs the id of its survey");
        }
        String found = CaseReader.text(node, "found", place + ".found");
        List<RuledOut> out = new ArrayList<>();
        list(node, "ruledOut", place)
                .forEach(one -> out.add(new RuledOut(
                        address(one, place + ".ruledOut"),
                        CaseReader.text(one, "reason", place + ".ruledOut.reason"))));
        return new WorkRecord(
                survey,
                found.isEmpty() ? survey : found,
                node.path("onAir").asBoolean(true),
                steps(node, "done", place),
                out,
                steps(node, "planned", place));
    }

    private static JsonNode list(JsonNode node, String key, String place) {
        JsonNode list = node.path(key);
        return list.isMissingNode() ? CaseReader.JSON.createArrayNode() : CaseReader.array(list, place + "." + key);
    }

    private static List<Step> steps(JsonNode node, String key, String place) {
        List<Step> steps = new ArrayList<>();
        for (JsonNode one : list(node, key, place)) {
            String at = place + "." + key;
            steps.add(new Step(address(one, at), CaseReader.text(one, "step", at + ".step")));
        }
        return steps;
    }

    private static Address address(JsonNode node, String place) {
        CaseReader.object(node, place);
        String at = CaseReader.text(node, "setting", place + ".setting");
        int slash = at.indexOf('/');
        if (at.isBlank() || slash == 0) {
            throw new CaseReader.Wrong(place + ".setting", "expected an element and its setting, like in-music/muted");
        }
        return slash < 0 ? new Address(at, "") : new Address(at.substring(0, slash), at.substring(slash + 1));
    }
}
