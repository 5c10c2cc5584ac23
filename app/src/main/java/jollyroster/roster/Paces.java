package jollyroster.roster;

import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import jollyroster.core.foresight.Course;
import jollyroster.core.foresight.FillForecast;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** How far ahead of earlier dates, or behind them, sessions are. */
@Component
public class Paces {

    private final FillQueries fill;

    Paces(FillQueries fill) {
        this.fill = fill;
    }

    /** How many seats more than usual are taken by now; sessions nothing is known about are left out. In three queries. */
    public Map<Long, Double> of(Collection<Session> sessions, Instant now) {
        List<Session> coming = sessions.stream()
                .filter(s -> !s.cancelled() && s.registersFor().isAfter(now))
                .toList();
        Map<Long, List<Long>> earlier = fill.earlier(
                coming.stream().map(s -> s.offering().id()).distinct().toList(), now);
        Set<Long> wanted = new LinkedHashSet<>();
        coming.forEach(s -> wanted.add(s.book()));
        earlier.values().forEach(wanted::addAll);
        Map<Long, Course> courses = fill.courses(wanted);
        Map<Long, Double> paces = new HashMap<>();
        for (Session s : coming) {
            int hours = (int) Duration.between(now, s.registersFor()).toHours();
            List<FillForecast.Run> runs = earlier.getOrDefault(s.offering().id(), List.of()).stream()
                    .map(id -> courses.get(id).run(hours))
                    .toList();
            FillForecast.pace(runs, courses.get(s.book()).at(0)).ifPresent(pace -> paces.put(s.id(), pace));
        }
        return paces;
    }
}
