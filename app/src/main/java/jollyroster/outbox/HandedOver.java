package jollyroster.outbox;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Messages that were handed over and are not yet kept as sent in the store. They are noted in a file beside it, one by one, so that a
 * process that dies sends none of them twice, and are kept in the store many at a time.
 */
@Component
class HandedOver implements DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(HandedOver.class);
    private final FileChannel file;
    private final List<Taken> open = new ArrayList<>();

    /** A message that has gone. */
    record Taken(long message, String key, String subject, Instant at) {}

    HandedOver(@Value("${jolly.data}") String folder) throws IOException {
        Path path = Path.of(folder, "handed-over.log");
        Files.createDirectories(path.toAbsolutePath().getParent());
        this.file =
                FileChannel.open(path, StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE);
        open.addAll(read(file));
        file.truncate(length(open));
        file.position(file.size());
    }

    synchronized void note(Taken taken) {
        open.add(taken);
        try {
            ByteBuffer bytes = ByteBuffer.wrap(bytes(taken));
            while (bytes.hasRemaining()) {
                file.write(bytes);
            }
        } catch (IOException full) {
            LOG.warn("Message {} has gone and could not be noted beside the store: {}", taken.key(), full.toString());
        }
    }

    private static byte[] bytes(Taken taken) throws IOException {
        ByteArrayOutputStream line = new ByteArrayOutputStream();
        try (DataOutputStream out = new DataOutputStream(line)) {
            out.writeLong(taken.message());
            out.writeUTF(taken.key());
            out.writeLong(taken.at().toEpochMilli());
            out.writeUTF(taken.subject());
        }
        return line.toByteArray();
    }

    /** How long the whole notes are; a last one that is not whole is cut off. */
    private static long length(List<Taken> notes) throws IOException {
        long length = 0;
        for (Taken taken : notes) {
            length += bytes(taken).length;
        }
        return length;
    }

    /** All that is not yet kept. */
    synchronized List<Taken> open() {
        return List.copyOf(open);
    }

    /** They are kept in the store. */
    synchronized void kept(List<Taken> taken) {
        open.subList(0, taken.size()).clear();
        if (open.isEmpty()) {
            try {
                file.truncate(0);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** What a process that died has left; the last note may not be whole. */
    private static List<Taken> read(FileChannel file) throws IOException {
        ByteBuffer bytes = ByteBuffer.allocate((int) Math.min(file.size(), Integer.MAX_VALUE));
        while (bytes.hasRemaining() && file.read(bytes) >= 0) {
            // until all is read
        }
        List<Taken> found = new ArrayList<>();
        try (DataInputStream in = new DataInputStream(new ByteArrayInputStream(bytes.array()))) {
            while (true) {
                found.add(readOne(in));
            }
        } catch (EOFException end) {
            return found;
        }
    }

    private static Taken readOne(DataInputStream in) throws IOException {
        long message = in.readLong();
        String key = in.readUTF();
        Instant at = Instant.ofEpochMilli(in.readLong());
        return new Taken(message, key, in.readUTF(), at);
    }

    @Override
    public void destroy() throws IOException {
        file.close();
    }
}
