package jollyroster.core.readiness;

import java.util.stream.Stream;
import jollyroster.core.intake.Question;
import jollyroster.core.readiness.Finding.Kind;
import jollyroster.core.readiness.Readiness.Sheet;

/** What is said, asked and written. */
final class TextFindings {

    private TextFindings() {}

    static Stream<Finding> of(Sheet sheet) {
        return Stream.of(texts(sheet), questions(sheet), registration(sheet), messages(sheet))
                .flatMap(findings -> findings);
    }

    private static Stream<Finding> texts(Sheet sheet) {
        return Stream.concat(
                sheet.summary().isBlank() ? Stream.of(Finding.about(Kind.NO_SUMMARY)) : Stream.empty(),
                sheet.description().isBlank() ? Stream.of(Finding.about(Kind.NO_DESCRIPTION)) : Stream.empty());
    }

    private static Stream<Finding> questions(Sheet sheet) {
        return sheet.questions().stream()
                .filter(q -> q.kind() == Question.Kind.CHOOSE_ONE && q.options().size() == 1)
                .map(q -> new Finding(Kind.ONE_OPTION, null, null, 0, q.label()));
    }

    private static Stream<Finding> registration(Sheet sheet) {
        boolean never = sheet.opensAhead()
                .filter(ahead -> ahead.compareTo(sheet.cutOff()) <= 0)
                .isPresent();
        return Stream.concat(
                never ? Stream.of(Finding.about(Kind.CUT_OFF_BEFORE_OPENING)) : Stream.empty(),
                sheet.asksUnpaid() ? Stream.of(Finding.about(Kind.PRICE_NOT_ASKED)) : Stream.empty());
    }

    private static Stream<Finding> messages(Sheet sheet) {
        boolean online = sheet.sessions().stream().anyMatch(Readiness.Date::isOnline);
        return online && !sheet.remindsWithLink() ? Stream.of(Finding.about(Kind.NO_LINK_REMINDER)) : Stream.empty();
    }
}
