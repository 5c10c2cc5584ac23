package jollyroster.answers;

/** Too few are left of an option that was chosen. @param option its label */
public record RanOut(long question, String option) {}
