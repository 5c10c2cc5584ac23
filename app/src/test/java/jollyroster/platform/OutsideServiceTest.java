package jollyroster.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import com.sun.net.httpserver.HttpServer;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import jollyroster.TestClock;
import jollyroster.platform.OutsideService.NoAnswer;
import org.junit.jupiter.api.Test;

/** Services that take their time, and what becomes of those who wait. */
class OutsideServiceTest {

    private final TestClock clock = new TestClock();

    private OutsideService service(int most) {
        return new OutsideService("mail server", Duration.ofMillis(300), most, clock);
    }

    @Test
    void a_server_that_accepts_and_says_nothing_is_waited_for_no_longer_than_the_limit() throws Exception {
        OutsideService service = service(1);
        try (ServerSocket silent = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
            assertThatExceptionOfType(NoAnswer.class)
                    .isThrownBy(() -> service.call(() -> {
                        try (Socket socket = new Socket(silent.getInetAddress(), silent.getLocalPort());
                                InputStream in = socket.getInputStream()) {
                            return in.read();
                        }
                    }))
                    .withMessage("the mail server did not answer");
            assertThat(service.outSince()).contains(TestClock.START);
            assertThat(service.isResting()).isTrue();
        }
    }

    @Test
    void a_body_that_never_ends_is_waited_for_no_longer_either() throws Exception {
        CountDownLatch over = new CountDownLatch(1);
        HttpServer drip = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        drip.createContext("/", exchange -> {
            exchange.sendResponseHeaders(200, 0);
            exchange.getResponseBody().write('B');
            exchange.getResponseBody().flush();
            try {
                over.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            exchange.close();
        });
        drip.setExecutor(java.util.concurrent.Executors.newCachedThreadPool());
        drip.start();
        try {
            var calendars = new jollyroster.exchange.RemoteCalendarsProbe(service(1));
            assertThat(calendars.problemWith(
                            "http://localhost:" + drip.getAddress().getPort() + "/a.ics"))
                    .isEqualTo("The address does not answer in time.");
        } finally {
            over.countDown();
            drip.stop(0);
        }
    }

    @Test
    void rest_grows_with_each_outage_and_ends_with_an_answer() throws Exception {
        OutsideService service = service(1);
        service.failed();
        clock.windOn(Duration.ofSeconds(10));
        assertThat(service.isResting()).isFalse();
        service.failed();
        clock.windOn(Duration.ofSeconds(19));
        assertThat(service.isResting()).isTrue();
        clock.windOn(Duration.ofSeconds(1));
        assertThat(service.isResting()).isFalse();
        for (int i = 0; i < 20; i++) {
            service.failed();
        }
        clock.windOn(Duration.ofMinutes(5));
        assertThat(service.isResting()).isFalse();
        assertThat(service.outSince()).contains(TestClock.START);
        assertThat(service.call(() -> 1)).isEqualTo(1);
        assertThat(service.outSince()).isEmpty();
    }

    @Test
    void what_a_call_throws_is_no_outage_by_itself() {
        OutsideService service = service(1);
        assertThatExceptionOfType(ExecutionException.class)
                .isThrownBy(() -> service.call(() -> {
                    throw new IllegalStateException("refused");
                }));
        assertThat(service.outSince()).isEmpty();
    }

    @Test
    void a_question_without_an_answer_is_an_outage_and_nothing_worse() {
        OutsideService service = service(4);
        assertThat(service.ask(() -> "yes")).contains("yes");
        assertThat(service.outSince()).isEmpty();
        assertThat(service.<String>ask(() -> {
                    throw new IllegalStateException("no connection");
                }))
                .isEmpty();
        assertThat(service.outSince()).contains(clock.instant());
        assertThat(service.isResting()).isTrue();
    }
}
