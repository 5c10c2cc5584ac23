package jollyroster.exchange;

/** Who holds the sessions of a calendar; a published calendar must name them (RFC 5546, 3.2.1). */
record CalendarOrganiser(String name, String email) {}
