package jollyroster.core.attendance;

/** Whether a person was there. */
public enum Verdict {
    ATTENDED,
    PART,
    ABSENT;

    /**
     * Shares of the session from which presence counts.
     *
     * @param attended from this share on: attended
     * @param part from this share on, below {@code attended}: part
     */
    public record Thresholds(double attended, double part) {

        /** 75 % and 10 % (common practice). */
        public static final Thresholds DEFAULT = new Thresholds(0.75, 0.10);

        /** @throws IllegalArgumentException unless 0 ≤ part ≤ attended ≤ 1 */
        public Thresholds {
            if (!(0 <= part && part <= attended && attended <= 1)) {
                throw new IllegalArgumentException("Thresholds are out of order: " + part + ", " + attended);
            }
        }
    }

    /** The verdict for a share of presence; both thresholds are inclusive. */
    public static Verdict of(double share, Thresholds thresholds) {
        if (share >= thresholds.attended()) {
            return ATTENDED;
        }
        return share >= thresholds.part() && share > 0 ? PART : ABSENT;
    }
}
