package org.gullyrun.desktop.state;

import java.util.List;
import org.gullyrun.core.audit.Judgement;
import org.gullyrun.core.audit.Rates;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.intake.Question;
import org.gullyrun.core.intake.Questions;

/**
 * What is computed of a rig for all views, in one piece and away from the interface thread.
 *
 * @param reading what is heard and found
 * @param questions what is still to be asked
 * @param rates where rates meet
 * @param judgement whether the rig can be judged, or what is missing
 */
public record Answer(Reading reading, List<Question> questions, List<Rates.Place> rates, Judgement judgement) {
    public Answer {
        questions = List.copyOf(questions);
        rates = List.copyOf(rates);
    }

    static Answer of(Reading reading) {
        List<Question> questions = Questions.of(reading.rig());
        return new Answer(reading, questions, Rates.of(reading), Judgement.of(reading, questions.size()));
    }

    /** The same with findings that took longer: nothing else can differ. */
    Answer deepened(Reading whole) {
        return new Answer(whole, questions, rates, judgement);
    }
}
