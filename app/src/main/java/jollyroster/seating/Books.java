package jollyroster.seating;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.PickedCommands;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import org.springframework.stereotype.Component;

/** Which session keeps the seats: itself, or the one that leads its series. */
@Component
class Books {

    private final SessionCommands programme;
    private final PickedCommands picked;
    private final OwnTimeQueries ownTime;

    Books(SessionCommands programme, PickedCommands picked, OwnTimeQueries ownTime) {
        this.ownTime = ownTime;
        this.programme = programme;
        this.picked = picked;
    }

    /** The book of a session; empty when there is no such session. */
    Optional<Session> find(long session) {
        return programme.session(session).map(this::of);
    }

    /** @throws java.util.NoSuchElementException if there is no such session */
    Session get(long session) {
        return find(session).orElseThrow();
    }

    Session of(Session session) {
        return session.book() == session.id()
                ? session
                : programme.session(session.book()).orElseThrow();
    }

    /** A picked time that nobody has any more is given back. */
    void giveBack(Session book) {
        picked.giveBack(book.id());
    }

    /** Whether the last of its dates is over, or it is a time that was given back. */
    boolean isOver(Session book, Instant now) {
        return book.givenBack()
                || !now.isBefore(book.end())
                        && (book.lead() == null
                                || programme.datesOf(book).stream().noneMatch(date -> now.isBefore(date.end())));
    }

    /** How many times to come one person may hold of what this session belongs to; 1 where people pick no time. */
    int each(Session book) {
        return book.offering().style() == SignUpStyle.OWN_TIME
                ? ownTime.of(book.offering().id()).each()
                : 1;
    }

    /** The sessions on which a person may be only once: this one, or all dates or times of which a person holds one. */
    List<Long> exclusive(Session book, Instant now) {
        SignUpStyle style = book.offering().style();
        if (style != SignUpStyle.ONE_DATE && style != SignUpStyle.OWN_TIME) {
            return List.of(book.id());
        }
        return programme.ofOffering(book.offering().id()).stream()
                .filter(date -> date.end().isAfter(now))
                .map(Session::id)
                .toList();
    }
}
