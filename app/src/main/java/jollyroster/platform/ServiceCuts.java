package jollyroster.platform;

import java.time.Instant;
import java.util.Optional;

/** Which outside services are cut off. */
public interface ServiceCuts {

    /** The service that holds online meetings. */
    String MEETINGS = "meetings";

    /** Since when a service is cut, and by whom. */
    record Cut(Instant at, String by) {}

    /** Empty for one that is connected. */
    Optional<Cut> of(String service);

    default boolean isCut(String service) {
        return of(service).isPresent();
    }
}
