package jollyroster.core.messages;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** How questions are named in the words of messages: {@code Rope to take home?} is {@code rope_to_take_home}. */
public final class AnswerNames {

    private static final int LONGEST = 40;

    private AnswerNames() {}

    /** A name for each of these questions, in their order, no two the same. */
    public static List<String> of(List<String> labels) {
        List<String> names = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (String label : labels) {
            String name = name(label);
            String fresh = name;
            for (int i = 2; !taken.add(fresh); i++) {
                fresh = name + "_" + i;
            }
            names.add(fresh);
        }
        return List.copyOf(names);
    }

    private static String name(String label) {
        String plain = Normalizer.normalize(label, Normalizer.Form.NFKD).replaceAll("\\p{M}+", "");
        String joined = plain.toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N}]+", "_")
                .replaceAll("^_+|_+$", "");
        String name = joined.isEmpty() ? "question" : joined;
        return name.length() > LONGEST ? name.substring(0, LONGEST).replaceAll("_+$", "") : name;
    }
}
