package org.gullyrun.core.audit;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.brief.Waiver;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;

/**
 * All that is computed about one version of a rig, in one piece: nothing in it is half old and half new.
 *
 * @param rig the rig
 * @param brief the brief that it is held against
 * @param wishes what counts of the brief
 * @param scenes all scenes, in the order of the axis; never empty
 * @param thresholds the figures that counted
 * @param findings worst first, of equally bad ones in the order of the catalogue
 * @param waived those that somebody lives with, in the same order
 * @param unfinished what was not worked out to the end, since the rig is too large; empty for any ordinary rig
 * @param basis what is kept of it for those that read on from it
 */
public record Reading(
        Rig rig,
        Brief brief,
        Wishes wishes,
        Thresholds thresholds,
        List<SceneReading> scenes,
        List<Finding> findings,
        List<Finding> waived,
        List<Unfinished> unfinished,
        ReadingBasis basis) {
    public Reading {
        waived = List.copyOf(waived);
        unfinished = List.copyOf(unfinished);
        scenes = List.copyOf(scenes);
        findings = List.copyOf(findings);
    }

    /** The rule that found something in this reading, or in one of another rig by the same audit. */
    public Rule rule(Finding finding) {
        return basis.rule(finding.rule());
    }

    /** Whether a finding can be what the creator reports. */
    public boolean fits(Complaint complaint, Finding finding) {
        return Symptoms.fits(complaint, finding, rule(finding));
    }

    /** The findings that are critical or major. */
    public List<Finding> bad() {
        return findings.stream().filter(Finding::isBad).toList();
    }

    /** How many findings have a severity. */
    public long count(Severity severity) {
        return findings.stream().filter(f -> f.severity() == severity).count();
    }

    /** The cell of a pair in the scene where it is worst; the first of equal ones. */
    public CellReading worst(int source, int outlet) {
        return scenes.get(worstScene(source, outlet)).cell(source, outlet);
    }

    /** The place of the scene in which a pair is worst: loud before calm, then by verdict; the first of equal ones. */
    public int worstScene(int source, int outlet) {
        int worst = 0;
        for (int i = 1; i < scenes.size(); i++) {
            CellReading here = scenes.get(i).cell(source, outlet);
            CellReading before = scenes.get(worst).cell(source, outlet);
            if (here == before) {
                continue; // a row that scenes share
            }
            boolean loud = isLoud(i, here);
            boolean loudBefore = isLoud(worst, before);
            if (loud != loudBefore ? loud : here.verdict().compareTo(before.verdict()) < 0) {
                worst = i;
            }
        }
        return worst;
    }

    /**
     * Whether a cell is to be shown as trouble: the worst finding about its pair decides. It is loud where a critical or
     * major one has been found in its scene, and where its verdict is trouble about which more than a note was found. A
     * healthy rig is quiet also where something faint seeps through, and what is waived is quiet.
     *
     * @param scene the place of the scene of the cell
     */
    public boolean isLoud(int scene, CellReading cell) {
        PairFindings.Of pair = basis.pairs().of(cell);
        if (pair.isBadIn(scene)) {
            return true;
        }
        if (!cell.verdict().isTrouble()) {
            return false;
        }
        // What is missing for a reason that is a finding of its own has none about the pair.
        return pair.isFound() || (cell.verdict() == Verdict.MISSING ? !pair.isWaived() : !pair.isKnown());
    }

    /** Whether a rule was asked: what a rule finds that was not asked yet is neither there nor gone. */
    public boolean asks(String rule) {
        return basis.of(rule) != null;
    }

    /** How a cell is in a word: its verdict, or that something else is badly wrong about it. */
    public String word(int scene, CellReading cell) {
        return isLoud(scene, cell) && !cell.verdict().isTrouble()
                ? "arrives, but see the findings"
                : cell.verdict().word();
    }

    /** The waiver of a finding of this reading, for a reason. */
    public Waiver waiver(Finding finding, String reason) {
        return new Waiver(finding.identity(), reason, Fingerprint.of(finding, scenes));
    }

    /**
     * Whether a finding of a later reading about something missing says nothing new: it was missing here already, in the same
     * scenes, and was only told under what was down.
     */
    public boolean lackedUnseen(Reading later, Finding finding) {
        if (later.rule(finding).topic() != Topic.MISSING
                || findings.stream()
                        .anyMatch(f -> f.subject().equals(finding.subject()) && rule(f).topic() == Topic.MISSING)) {
            return false;
        }
        List<Element> sources = rig.of(Kind.SOURCE);
        List<Element> outlets = rig.of(Kind.OUTLET);
        int source = rig.place(Kind.SOURCE, finding.subject().source());
        int outlet = rig.place(Kind.OUTLET, finding.subject().outlet());
        boolean comparable = later.scenes.size() == scenes.size()
                && later.rig.of(Kind.SOURCE).size() == sources.size()
                && later.rig.of(Kind.OUTLET).size() == outlets.size();
        return comparable
                && source >= 0
                && outlet >= 0
                && IntStream.range(0, scenes.size())
                        .noneMatch(i -> later.scenes.get(i).cell(source, outlet).verdict() == Verdict.MISSING
                                && scenes.get(i).cell(source, outlet).verdict() != Verdict.MISSING);
    }

    /** The place of the scene here that is the same as one of another reading; −1 if there is none. */
    public int placeOf(SceneReading other) {
        for (int i = 0; i < scenes.size(); i++) {
            if (scenes.get(i).key().equals(other.key())) {
                return i;
            }
        }
        return -1;
    }

    /** The pairs, as {@code source>outlet}, of which the source is required and doesn't arrive in some scene, told or not. */
    public Set<String> missingPairs() {
        Set<String> all = new HashSet<>();
        for (SceneReading scene : scenes) {
            for (SourceRow row : scene.rows()) {
                for (CellReading cell : row.troubled() ? row.cells() : List.<CellReading>of()) {
                    if (cell.verdict() == Verdict.MISSING) {
                        all.add(cell.source().id() + ">" + cell.outlet().id());
                    }
                }
            }
        }
        return all;
    }
}
