package jollyroster.outbox;

import java.util.Locale;

/**
 * Letters to people who are on no session. Each has a template, {@code /messages/letters/…md}, whose first line is its
 * subject. Every template may name the organisation; what else it may name stands here.
 */
public enum LetterKind {
    /** first_name, title, starts, more_dates, place, words, answer_link, answer_by */
    INVITED,
    /** The same once more, in other words. */
    INVITED_AGAIN,
    /** first_name, title */
    NO_ROOM,
    /** To the organiser, of one answer: name, reply, title, starts, answers_link */
    ANSWERED,
    /** To the organiser, how answers stand: title, summary, answers_link */
    ANSWERS,
    /** To the organiser and who leads them, of all times of late: title, summary, answers_link */
    TIMES_PICKED,
    /** To the organiser and who leads it, of a time: name, what, starts, title, hosts, session_link */
    TIME_NEWS,
    /** registrations_link */
    YOUR_REGISTRATIONS,
    /** To an address that is no longer written to: name */
    ADDRESS_CHANGED,
    /** To an address somebody wants to be written to from now on: confirm_link */
    CONFIRM_ADDRESS,
    /** To a member of the team, what happened at a session: what, title, starts, words, session_link, telling_link */
    TEAM_NEWS,
    /** To a member of the team, what happened of late: of what day, each of lines; desk_link, telling_link */
    DAY_NEWS,
    /** To whoever leads sessions, in the morning: day, each of sessions with title, starts, place, bring, nobody, people, session_link; telling_link */
    DAY_SHEET,
    /** A message of a rehearsal, to whoever plays it: subject, text, html; it comes as it was written. */
    REHEARSED,
    /** To somebody who leads a session and opens their link: code, title, minutes */
    HOST_CODE,
    /** To a guest whose link is for certain people only: code, title, minutes */
    GUEST_CODE,
    /** To somebody who was in a standing room, where they find those meetings: title, meetings_link */
    ROOM_MEETINGS,
    /** name, by, team_link */
    JOIN_TEAM;

    /** Whether it tells the team what somebody else did. */
    public boolean isToTeam() {
        return this == ANSWERED
                || this == ANSWERS
                || this == TIMES_PICKED
                || this == TIME_NEWS
                || this == TEAM_NEWS
                || this == DAY_NEWS
                || this == DAY_SHEET
                || this == REHEARSED;
    }

    String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
