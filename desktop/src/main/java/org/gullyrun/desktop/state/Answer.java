package org.gullyrun.desktop.state;

import java.util.List;
import org.gullyrun.core.audit.Judgement;
import org.gullyrun.core.audit.Rates;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.intake.Question;
import org.gullyrun.core.intake.QuestionOrder;

/**
 * What is computed of a rig for all views, in one piece and away from the interface thread.
 *
 * @param reading what is heard and found
 * @param questions what is still to be asked
 * @param rates where rates meet
 * @param judgement whether the rig can be judged, or what is missing
 * @param models what views draw of the reading
 */
public record Answer(
        Reading reading, List<Question> questions, List<Rates.Place> rates, Judgement judgement, ViewModels models) {
    public Answer {
        questions = List.copyOf(questions);
        rates = List.copyOf(rates);
    }

    /** What the window shows of a reading and of what the creator reports, all of it worked out off the interface thread. */
    static Answer of(Reading reading, Complaint reported) {
        List<Question> questions = QuestionOrder.of(reading, reported);
        return new Answer(
                reading,
                questions,
                Rates.of(reading),
                Judgement.of(reading, questions.size()),
                new ViewModels(reading));
    }

    /** Works out all that is on screen now, before the interface thread asks for it. */
    Answer prepared(State shown) {
        models.prepare(shown);
        return this;
    }

    /** The same with findings that took longer: nothing else can differ. */
    Answer deepened(Reading whole, ViewModels wholeModels) {
        return new Answer(whole, questions, rates, judgement, wholeModels);
    }
}
