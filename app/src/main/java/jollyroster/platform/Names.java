package jollyroster.platform;

/** What somebody is called. */
public final class Names {

    private Names() {}

    /** By what they are greeted: the first word of the name, without a comma after it. */
    public static String first(String name) {
        String first = name.strip().split("\\s", 2)[0];
        return first.length() > 1 && first.endsWith(",") ? first.substring(0, first.length() - 1) : first;
    }
}
