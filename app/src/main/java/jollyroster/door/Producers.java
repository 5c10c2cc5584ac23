package jollyroster.door;

import jollyroster.platform.Actor;

/** Who runs the door of a session without being its host; answered by those who keep the links of the team. */
public interface Producers {

    boolean isProducer(long session, Actor actor);
}
