package jollyroster.browser;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** A network between a browser and the server that a test can cut: while it is, no connection lives and none is made. */
final class Relay implements AutoCloseable {

    private final int port;
    private final ServerSocket door;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile boolean cut;

    Relay(int port) {
        this.port = port;
        try {
            this.door = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        } catch (IOException noPortFree) {
            throw new UncheckedIOException(noPortFree);
        }
        inBackground(this::accept);
    }

    int port() {
        return door.getLocalPort();
    }

    void cut() {
        cut = true;
        open.forEach(Relay::hangUp);
    }

    void mend() {
        cut = false;
    }

    private void accept() {
        while (!door.isClosed()) {
            try {
                connect(door.accept());
            } catch (IOException closed) {
                // nobody is there, or the test is over
            }
        }
    }

    private void connect(Socket browser) throws IOException {
        if (cut) {
            hangUp(browser);
            return;
        }
        Socket server = new Socket(InetAddress.getLoopbackAddress(), port);
        open.add(browser);
        open.add(server);
        inBackground(() -> pass(browser, server));
        inBackground(() -> pass(server, browser));
    }

    private void pass(Socket from, Socket to) {
        try {
            from.getInputStream().transferTo(to.getOutputStream());
        } catch (IOException hungUp) {
            // so is the other side, below
        } finally {
            hangUp(from);
            hangUp(to);
            open.remove(from);
            open.remove(to);
        }
    }

    private static void hangUp(Socket socket) {
        try {
            socket.close();
        } catch (IOException alreadyClosed) {
            // that is what was wanted
        }
    }

    private static void inBackground(Runnable what) {
        Thread thread = new Thread(what, "relay");
        thread.setDaemon(true);
        thread.start();
    }

    @Override
    public void close() {
        cut();
        try {
            door.close();
        } catch (IOException alreadyClosed) {
            // that is what was wanted
        }
    }
}
