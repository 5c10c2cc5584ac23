package jollyroster.platform;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** What would keep the program from starting, said in one line before anything else is tried. */
public final class StartChecks {

    private static final int OLDEST_JAVA = 17;

    private StartChecks() {}

    /** @return what is wrong, in words for the person who started it; empty when nothing is */
    public static Optional<String> complaint(String[] args) {
        return oldJava()
                .or(() -> unwritable(Path.of(option(args, "jolly.data", "data"))))
                .or(() -> takenPort(option(args, "server.port", "8080")));
    }

    private static Optional<String> oldJava() {
        int running = Runtime.version().feature();
        return running < OLDEST_JAVA
                ? Optional.of("this is Java " + running + "; Java " + OLDEST_JAVA + " or later is needed.")
                : Optional.empty();
    }

    private static Optional<String> unwritable(Path folder) {
        try {
            Files.createDirectories(folder);
            keepToOurselves(folder);
            Files.delete(Files.createTempFile(folder, "may-write", null));
            return Optional.empty();
        } catch (IOException e) {
            return Optional.of(
                    "cannot write in the data folder " + folder.toAbsolutePath().normalize() + ".");
        }
    }

    /** People's data are for the account the program runs under, and for nobody else on the machine. */
    private static void keepToOurselves(Path folder) throws IOException {
        if (!folder.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            return;
        }
        Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        Path store = folder.resolve("jolly-roster.db");
        if (Files.notExists(store)) {
            Files.createFile(store);
        }
        for (String part : List.of("", "-wal", "-shm")) {
            Path file = folder.resolve("jolly-roster.db" + part);
            if (Files.exists(file)) {
                Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
            }
        }
    }

    private static Optional<String> takenPort(String port) {
        try {
            int number = Integer.parseInt(port);
            if (number == 0) {
                return Optional.empty();
            }
            return isFree(number)
                    ? Optional.empty()
                    : Optional.of("port " + number + " is taken; choose another with --port N.");
        } catch (IllegalArgumentException notAPort) {
            return Optional.of("'" + port + "' is not a port; use a number from 1 to 65535.");
        }
    }

    private static boolean isFree(int port) {
        try (ServerSocket socket = new ServerSocket()) {
            socket.setReuseAddress(true);
            socket.bind(new InetSocketAddress(port));
            return true;
        } catch (IOException taken) {
            return false;
        }
    }

    private static String option(String[] args, String name, String otherwise) {
        String prefix = "--" + name + "=";
        return Arrays.stream(args)
                .filter(arg -> arg.startsWith(prefix))
                .map(arg -> arg.substring(prefix.length()))
                .reduce((first, last) -> last)
                .orElse(otherwise);
    }
}
