package jollyroster.sheet;

import java.util.Map;
import jollyroster.programme.Section;

/** A section of the sheet as it was typed: text, until nothing is wrong with it. */
interface PartForm {

    /** What is wrong, by field, each named; empty when it can be kept. A draft may be incomplete, but not nonsense. */
    Map<String, String> problems();

    /** The section as it can be kept. Only when there are no {@link #problems()}. */
    Section section();
}
