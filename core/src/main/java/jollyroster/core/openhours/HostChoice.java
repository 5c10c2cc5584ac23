package jollyroster.core.openhours;

import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToLongFunction;

/** Who leads a time that several hosts could. */
public enum HostChoice {
    /** One of those who are free, so that work is shared fairly. */
    WHOEVER_IS_FREE,
    /** The person who picks the time says who. */
    ATTENDEES_CHOICE,
    /** All of them lead it, and all must be free. */
    ALL_TOGETHER;

    /**
     * Those of the hosts who are free that make a time which may be picked; nobody where all must be free and one is not.
     *
     * @param all how many hosts there are
     */
    public <H> List<H> offers(List<H> free, int all) {
        return this == ALL_TOGETHER && free.size() < all ? List.of() : free;
    }

    /**
     * Those of the free who come into question: the one who was named, or who is held for the person who asks, or all.
     *
     * @param named by the person who picks; counts where it is theirs to say
     * @param held who is held for that person already
     */
    public <H> List<H> able(List<H> free, ToLongFunction<H> id, Optional<Long> named, Collection<Long> held) {
        if (this == ALL_TOGETHER) {
            return free;
        }
        if (this == ATTENDEES_CHOICE && named.isPresent()) {
            return free.stream()
                    .filter(host -> id.applyAsLong(host) == named.get())
                    .toList();
        }
        List<H> those = free.stream()
                .filter(host -> held.contains(id.applyAsLong(host)))
                .toList();
        return those.isEmpty() ? free : those;
    }

    /** Why a host leads a time that was picked. */
    public enum Because {
        CHOSEN,
        AS_THE_LINK_SAYS,
        ONLY_ONE_FREE,
        LEADS_LEAST,
        TOGETHER
    }

    /**
     * Why whoever leads a time does so.
     *
     * @param named whether the person named the host
     * @param free how many hosts could have led it
     */
    public Because because(boolean named, int free) {
        if (this == ALL_TOGETHER) {
            return Because.TOGETHER;
        }
        return this == ATTENDEES_CHOICE && named
                ? Because.CHOSEN
                : free == 1 ? Because.ONLY_ONE_FREE : Because.LEADS_LEAST;
    }

    /**
     * What decides between those who are free.
     *
     * @param led how long the host leads in that calendar week
     * @param lastLed when the host led last before the time, or leads last in that week; {@link Instant#MIN} for never
     */
    public record Candidate(long id, String name, Duration led, Instant lastLed) {}

    /**
     * Who is given a time of those who are free: the one who leads least in that week, then who has been idle longest, then by
     * name and number (common practice).
     */
    public static Optional<Candidate> give(Collection<Candidate> free) {
        return free.stream()
                .min(Comparator.comparing(Candidate::led)
                        .thenComparing(Candidate::lastLed)
                        .thenComparing(Candidate::name)
                        .thenComparing(Candidate::id));
    }
}
