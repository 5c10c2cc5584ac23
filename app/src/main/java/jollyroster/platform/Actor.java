package jollyroster.platform;

import org.springframework.security.access.AccessDeniedException;

/**
 * Who acts. Every command takes one and checks it, whatever page or job called it; the logbook keeps it beside what was
 * decided.
 */
public sealed interface Actor {

    /** As the logbook names whoever acts. */
    String name();

    /** What kind of actor, as the logbook keeps it. */
    Kind kind();

    /** A member of the team, by role. @param id of the account */
    record Team(long id, String name, Role role) implements Actor {
        @Override
        public Kind kind() {
            return Kind.TEAM;
        }
    }

    /**
     * Somebody from outside, by their link.
     *
     * @param name as they gave it
     * @param registration that the link is of; 0 for somebody who has none yet, or is invited
     */
    record Person(String name, long registration) implements Actor {
        @Override
        public Kind kind() {
            return Kind.PERSON;
        }
    }

    /** The program itself, by the name of the job it does. */
    record Program(String job) implements Actor {
        @Override
        public String name() {
            return "Jolly Roster";
        }

        @Override
        public Kind kind() {
            return Kind.PROGRAM;
        }
    }

    enum Kind {
        TEAM,
        PERSON,
        PROGRAM
    }

    /** Somebody from outside who has no registration yet. */
    static Actor visitor(String name) {
        return new Person(name, 0);
    }

    /** Whether everything is allowed: to an organiser, and to the program. */
    default boolean isOrganiser() {
        return this instanceof Program || this instanceof Team member && member.role() == Role.ORGANISER;
    }

    default boolean isTeam() {
        return this instanceof Team;
    }

    /** @throws AccessDeniedException unless an organiser or the program acts */
    default void requireOrganiser() {
        if (!isOrganiser()) {
            throw new AccessDeniedException("Only an organiser may do this");
        }
    }

    /** @throws AccessDeniedException unless a member of the team or the program acts */
    default void requireTeam() {
        if (this instanceof Person) {
            throw new AccessDeniedException("Only the team may do this");
        }
    }

    /** Whether an organiser, the program or this member acts. */
    default boolean isOver(long account) {
        return isOrganiser() || this instanceof Team member && member.id() == account;
    }

    /** @throws AccessDeniedException unless an organiser, the program or this member acts */
    default void requireMember(long account) {
        if (!isOver(account)) {
            throw new AccessDeniedException("Only this member and an organiser may do this");
        }
    }

    /** @throws AccessDeniedException unless an organiser, the program or the person of this registration acts */
    default void requireOver(long registration) {
        boolean own = this instanceof Person person && person.registration() == registration;
        if (!own && !isOrganiser()) {
            throw new AccessDeniedException("Only the person and an organiser may do this");
        }
    }
}
