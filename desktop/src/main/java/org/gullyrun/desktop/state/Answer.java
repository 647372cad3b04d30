package org.gullyrun.desktop.state;

import java.util.List;
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
 */
public record Answer(Reading reading, List<Question> questions, List<Rates.Place> rates) {
    public Answer {
        questions = List.copyOf(questions);
        rates = List.copyOf(rates);
    }

    static Answer of(Reading reading) {
        return new Answer(reading, Questions.of(reading.rig()), Rates.of(reading));
    }

    /** The same with findings that took longer: nothing else can differ. */
    Answer deepened(Reading whole) {
        return new Answer(whole, questions, rates);
    }
}
