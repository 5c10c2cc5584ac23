package jollyroster.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import jollyroster.exchange.IncomingMail.Bounce;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class IncomingMailTest {

    private static Optional<IncomingMail> read(String source) {
        return IncomingMail.read(source.replace("\n", "\r\n").getBytes(StandardCharsets.UTF_8));
    }

    private static String plain(String headers) {
        return "From: Wren <Wren@Crew.example>\n" + headers
                + "Message-ID: <a@crew.example>\nSubject: Re: =?UTF-8?Q?Caf=C3=A9?=\n"
                + "Content-Type: text/plain; charset=UTF-8\n\nWill there be coffee?\n";
    }

    @Test
    void a_mail_is_read_as_far_as_it_matters() {
        IncomingMail mail = read(plain(
                        "In-Reply-To: <r12-registered-5@here.example>\nReferences: <x@y> <r12-registered-5@here.example>\n"))
                .orElseThrow();
        assertThat(mail.key()).isEqualTo("a@crew.example");
        assertThat(mail.sender()).isEqualTo("wren@crew.example");
        assertThat(mail.subject()).isEqualTo("Re: Café");
        assertThat(mail.answers())
                .containsExactly("r12-registered-5@here.example", "x@y", "r12-registered-5@here.example");
        assertThat(mail.automatic()).isFalse();
        assertThat(mail.bounce()).isEmpty();
        assertThat(mail.text().strip()).isEqualTo("Will there be coffee?");
    }

    /** RFC 3834, 5: any value but {@code no}. The others are what programs set that do not know it. */
    @ParameterizedTest
    @CsvSource({
        "Auto-Submitted: auto-replied, true",
        "Auto-Submitted: auto-generated (rejected), true",
        "Auto-Submitted: AUTO-NOTIFIED, true",
        "Auto-Submitted: no, false",
        "Precedence: bulk, true",
        "Precedence: first-class, false",
        "Return-Path: <>, true",
        "List-Id: <crew.example>, true",
        "X-Mailer: Auto, false"
    })
    void what_a_program_writes_by_itself_is_told_apart(String header, boolean automatic) {
        assertThat(read(plain(header + "\n")).orElseThrow().automatic()).isEqualTo(automatic);
    }

    /** The shape of RFC 3464, appendix E.1, with our own names. */
    private static String bounce(String action, String status) {
        return """
                From: Mail Delivery <postmaster@crew.example>
                Message-ID: <b@crew.example>
                Subject: Returned mail
                Auto-Submitted: auto-replied
                MIME-Version: 1.0
                Content-Type: multipart/report; report-type=delivery-status; boundary="seam"

                --seam

                The original message was received.

                --seam
                Content-Type: message/delivery-status

                Reporting-MTA: dns; mail.crew.example

                Final-Recipient: RFC822; <Sal@Crew.example>
                Action: %s
                Status: %s
                Diagnostic-Code: smtp; 550 nobody here

                --seam
                Content-Type: message/rfc822

                Message-ID: <r7-before_start-1DAYS@here.example>
                Subject: Coming up

                Hello
                --seam--
                """.formatted(action, status);
    }

    @Test
    void what_came_back_says_to_whom_it_was_and_what_it_was() {
        assertThat(read(bounce("failed", "5.1.1")).orElseThrow().bounce())
                .contains(new Bounce("sal@crew.example", "5.1.1", true, "r7-before_start-1DAYS@here.example"));
        assertThat(read(bounce("delayed", "4.4.7"))
                        .orElseThrow()
                        .bounce()
                        .orElseThrow()
                        .lasting())
                .isFalse();
        assertThat(read(bounce("failed", "5.1.1")).orElseThrow().automatic()).isFalse();
    }

    @Test
    void a_calendar_is_found_wherever_it_stands() {
        String mail =
                "From: a@b.example\nContent-Type: multipart/alternative; boundary=x\n\n--x\nContent-Type: text/plain\n\nYes\n--x\n"
                        + "Content-Type: text/calendar; method=REPLY\n\nBEGIN:VCALENDAR\nEND:VCALENDAR\n--x--\n";
        assertThat(read(mail).orElseThrow().calendar()).startsWith("BEGIN:VCALENDAR");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "no mail at all",
                "From: <<<>>>\n\nx",
                "Content-Type: multipart/mixed\n\nno seam",
                "Content-Type: multipart/mixed; boundary=\"\"\n\n--\n",
                "From: a@b.example\nContent-Type: text/plain; charset=nonsense\n\nx",
                "Subject: =?UTF-8?B?////?=\n\n",
                "\u0000\u0001"
            })
    void odd_mails_are_read_or_left(String source) {
        read(source).ifPresent(mail -> assertThat(mail.key()).isNotEmpty());
    }

    @Test
    void a_mail_of_very_many_parts_is_read_as_far_as_is_sensible() {
        String parts = "--x\nContent-Type: text/html\n\n.\n".repeat(40_000);
        IncomingMail mail = read("From: a@b.example\nContent-Type: multipart/mixed; boundary=x\n\n" + parts + "--x--\n")
                .orElseThrow();
        assertThat(mail.text()).isEmpty();
        String deep = "";
        for (int i = 0; i < 500; i++) {
            deep += "Content-Type: multipart/mixed; boundary=b" + i + "\n\n--b" + i + "\n";
        }
        assertThat(read("From: a@b.example\n" + deep)).isPresent();
        assertThat(IncomingMail.read(new byte[IncomingMail.LARGEST + 1])).isEmpty();
        assertThat(IncomingMail.read(new byte[0])).isEmpty();
    }
}
