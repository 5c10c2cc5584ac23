package jollyroster.desk;

import java.time.Instant;
import java.util.List;

/** Finds things of one kind that need an organiser's hand. */
interface NeedSource {

    List<Needs.Need> at(Instant now);
}
