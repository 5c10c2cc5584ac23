package jollyroster.schedule;

import java.time.ZoneOffset;
import java.time.zone.ZoneRules;
import java.time.zone.ZoneRulesProvider;
import java.util.NavigableMap;
import java.util.Set;
import java.util.TreeMap;

/** A zone of the tests' own, {@code Saltmarrow/Quay}, whose government changes the clocks between two starts. */
final class QuayRules extends ZoneRulesProvider {

    static final String QUAY = "Saltmarrow/Quay";
    private static final QuayRules ONLY = new QuayRules();
    private static volatile String release = "2026a";
    private static volatile ZoneRules rules = ZoneRules.of(ZoneOffset.ofHours(-4));

    static {
        ZoneRulesProvider.registerProvider(ONLY);
    }

    /** From now on the clocks there are so many hours from UTC. */
    static void decree(String as, int hours) {
        release = as;
        rules = ZoneRules.of(ZoneOffset.ofHours(hours));
    }

    @Override
    protected Set<String> provideZoneIds() {
        return Set.of(QUAY);
    }

    /** Never kept by those who ask, so that a new release holds at once. */
    @Override
    protected ZoneRules provideRules(String zone, boolean forCaching) {
        return forCaching ? null : rules;
    }

    @Override
    protected NavigableMap<String, ZoneRules> provideVersions(String zone) {
        NavigableMap<String, ZoneRules> versions = new TreeMap<>();
        versions.put(release, rules);
        return versions;
    }
}
