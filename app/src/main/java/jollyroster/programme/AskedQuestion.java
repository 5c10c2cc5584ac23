package jollyroster.programme;

import jollyroster.core.intake.Question;

/** A question of an offering, with the number answers are kept under. */
public record AskedQuestion(long id, Question question) {

    /** An offering asks no more than so many. */
    public static final int MOST = 40;
}
