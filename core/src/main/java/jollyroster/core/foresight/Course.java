package jollyroster.core.foresight;

import java.util.List;

/**
 * How the seats of one session were taken and given back in the time before its start.
 *
 * @param steps in any order
 */
public record Course(List<Step> steps) {

    /**
     * @param hoursBefore whole hours before the start, rounded down; negative after it
     * @param taken seats taken in that hour
     * @param givenBack seats given back in that hour
     */
    public record Step(int hoursBefore, int taken, int givenBack) {}

    public Course {
        steps = List.copyOf(steps);
    }

    /** Seats taken when there were {@code hours} left to the start. */
    public int at(int hours) {
        int taken = 0;
        for (Step step : steps) {
            if (step.hoursBefore() >= hours) {
                taken += step.taken() - step.givenBack();
            }
        }
        return taken;
    }

    /** Seats taken at the start. */
    public int atStart() {
        return at(0);
    }

    /** Seats given back between {@code hours} before the start and the start. */
    public int givenBackWithin(int hours) {
        return steps.stream()
                .filter(step -> step.hoursBefore() >= 0 && step.hoursBefore() < hours)
                .mapToInt(Step::givenBack)
                .sum();
    }

    /** When the first seat was taken, in hours before the start; 0 when none was. */
    public int begins() {
        return steps.stream()
                .filter(step -> step.taken() > 0)
                .mapToInt(Step::hoursBefore)
                .max()
                .orElse(0);
    }

    public FillForecast.Run run(int hours) {
        return new FillForecast.Run(at(hours), atStart());
    }
}
