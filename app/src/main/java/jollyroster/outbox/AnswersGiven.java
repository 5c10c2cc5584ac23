package jollyroster.outbox;

import java.util.Map;
import java.util.Set;

/** What the outbox asks about answers to the questions of a form. Answered by whoever keeps them. */
public interface AnswersGiven {

    /** How the questions of an offering are named in the words of messages. */
    Set<String> names(long offering);

    /** The answers of a registration by these names, every one of the offering's; empty where there is none. */
    Map<String, String> of(long registration, long offering);
}
