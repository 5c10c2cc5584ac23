package jollyroster.mailing;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import jollyroster.outbox.LetterCheck;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.SafeFile;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.multipart.MultipartFile;

/** Reads letters to many as they are sent to be counted, tried or sent. */
@Component
class MailingDrafts {

    private final MailingPeople people;
    private final LetterCheck check;
    private final OrganisationQueries organisation;
    private final Clock clock;

    /** As long can it be taken back that leaves at once. */
    private final Duration grace;

    MailingDrafts(
            MailingPeople people,
            LetterCheck check,
            OrganisationQueries organisation,
            Clock clock,
            @Value("${jolly.grace:PT5M}") Duration grace) {
        this.people = people;
        this.check = check;
        this.organisation = organisation;
        this.clock = clock;
        this.grace = grace;
    }

    /** What is to be done with a letter. */
    enum Act {
        COUNT,
        TEST,
        SEND
    }

    /** @param problem why nothing is done, in words; empty where it can be @param due empty for a time that cannot be */
    record Draft(
            List<MailingPeople.Chosen> chosen, Optional<Instant> due, List<SafeFile> files, Optional<String> problem) {

        /** To whom it goes, in words. */
        String counted() {
            String first = chosen.stream()
                    .limit(5)
                    .map(MailingPeople.Chosen::name)
                    .reduce((a, b) -> a + ", " + b)
                    .orElse("");
            return chosen.size() == 1
                    ? "One person: " + first + "."
                    : chosen.size() + " people: " + first
                            + (chosen.size() > 5 ? " and " + (chosen.size() - 5) + " more." : ".");
        }
    }

    Draft read(MailingForm form, List<MultipartFile> uploaded, Act act) throws IOException {
        List<MultipartFile> sent =
                uploaded.stream().filter(one -> !one.isEmpty()).toList();
        List<MailingPeople.Chosen> chosen = people.of(form);
        Optional<Instant> due = due(form);
        List<SafeFile> files = files(sent);
        Optional<String> problem = problem(form, chosen, due, sent, act)
                .or(() -> files.size() < sent.size()
                        ? Optional.of("a file is none of those that can go along, or not what its name says.")
                        : Optional.empty());
        return new Draft(chosen, due, files, problem);
    }

    private Optional<Instant> due(MailingForm form) {
        Instant now = clock.instant();
        if (form.when().isEmpty()) {
            return Optional.of(now.plus(grace));
        }
        try {
            Instant at = LocalDateTime.parse(form.when())
                    .atZone(organisation.organisation().zone())
                    .toInstant();
            boolean sensible = at.isAfter(now) && at.isBefore(now.plus(Duration.ofDays(366)));
            return sensible ? Optional.of(at) : Optional.empty();
        } catch (DateTimeParseException unreadable) {
            return Optional.empty();
        }
    }

    private Optional<String> problem(
            MailingForm form,
            List<MailingPeople.Chosen> chosen,
            Optional<Instant> due,
            List<MultipartFile> files,
            Act act) {
        if (form.sessions().isEmpty()) {
            return Optional.of("choose at least one session.");
        }
        if (chosen.isEmpty()) {
            return Optional.of("nobody is among those.");
        }
        if (act == Act.COUNT) {
            return Optional.empty();
        }
        if (due.isEmpty()) {
            return Optional.of("the time is past, more than a year ahead, or cannot be read.");
        }
        long bytes = files.stream().mapToLong(MultipartFile::getSize).sum();
        if (files.size() > MailingCommands.MOST_FILES || bytes > MailingCommands.LARGEST_FILES) {
            return Optional.of("at most five files, together at most 5 MB.");
        }
        return check.problem(form.line(), form.text());
    }

    private static List<SafeFile> files(List<MultipartFile> sent) throws IOException {
        List<SafeFile> files = new ArrayList<>();
        for (MultipartFile one : sent) {
            String name = one.getOriginalFilename() == null ? "file" : one.getOriginalFilename();
            SafeFile.of(name, one.getBytes()).ifPresent(files::add);
        }
        return files;
    }
}
