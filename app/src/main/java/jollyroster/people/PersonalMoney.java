package jollyroster.people;

import java.util.Collection;
import java.util.Map;

/** What a person has paid, as whoever takes the money knows. */
public interface PersonalMoney {

    /** By registration, in words; those without any money are left out. */
    Map<Long, String> inWords(Collection<Long> registrations);
}
