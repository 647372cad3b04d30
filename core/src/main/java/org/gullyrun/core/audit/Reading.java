package org.gullyrun.core.audit;

import java.util.List;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Waiver;
import org.gullyrun.core.brief.Wishes;
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
        Basis basis) {
    public Reading {
        waived = List.copyOf(waived);
        scenes = List.copyOf(scenes);
        findings = List.copyOf(findings);
    }

    /** How many findings have a severity. */
    public long count(Severity severity) {
        return findings.stream().filter(f -> f.severity() == severity).count();
    }

    /** The cell of a pair in the scene where its verdict is worst; the first of equal ones. */
    public CellReading worst(int source, int outlet) {
        return scenes.get(worstScene(source, outlet)).cell(source, outlet);
    }

    /** The place of the scene in which a pair's verdict is worst; the first of equal ones. */
    public int worstScene(int source, int outlet) {
        int worst = 0;
        for (int i = 1; i < scenes.size(); i++) {
            if (scenes.get(i)
                            .cell(source, outlet)
                            .verdict()
                            .compareTo(scenes.get(worst).cell(source, outlet).verdict())
                    < 0) {
                worst = i;
            }
        }
        return worst;
    }

    /**
     * Whether a cell is to be shown as trouble: its verdict is one, and what was found about the pair is more than a
     * note. A healthy rig is quiet also where something faint seeps through.
     */
    public boolean isLoud(CellReading cell) {
        return cell.verdict().isTrouble()
                && findings.stream().filter(f -> f.isAbout(cell)).noneMatch(f -> f.severity() == Severity.NOTE)
                && waived.stream().noneMatch(f -> f.isAbout(cell));
    }

    /** The waiver of a finding of this reading, for a reason. */
    public Waiver waiver(Finding finding, String reason) {
        return new Waiver(finding.identity(), reason, Fingerprint.of(finding, scenes));
    }
}
