package jollyroster.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/**
 * Takes a measuring stick of the store in a virtual machine of its own, with the options of the server: what is compared
 * runs under the same conditions. Usage: {@code Stick reads|row|registration <file> <session> <times>}; prints times a second.
 */
final class Stick {

    private Stick() {}

    public static void main(String[] args) {
        Path database = Path.of(args[1]);
        int times = Integer.parseInt(args[3]);
        System.out.println(
                switch (args[0]) {
                    case "reads" -> RawReads.perSecond(database, Long.parseLong(args[2]), times);
                    case "row" -> RawCommits.perSecond(database, times);
                    default -> RawCommits.registrationsPerSecond(database, times);
                });
    }

    /** How often a second all rows of a session's roster can be read. */
    static double reads(Path database, long session, int times) throws IOException, InterruptedException {
        return taken("reads", database, session, times);
    }

    /** Transactions a second, each of one short row. */
    static double rows(Path database, int times) throws IOException, InterruptedException {
        return taken("row", database, 0, times);
    }

    /** Transactions a second, each of all rows of a registration. */
    static double registrations(Path database, int times) throws IOException, InterruptedException {
        return taken("registration", database, 0, times);
    }

    private static double taken(String what, Path database, long which, int times)
            throws IOException, InterruptedException {
        Process stick = Server.java(
                        "-cp",
                        System.getProperty("java.class.path"),
                        Stick.class.getName(),
                        what,
                        database.toString(),
                        String.valueOf(which),
                        String.valueOf(times))
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        String said = new String(stick.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        stick.waitFor();
        return Double.parseDouble(said.strip());
    }
}
