package jollyroster.platform;

import org.jooq.DSLContext;

/**
 * The store for commands: the one writing connection. Only {@code …Commands} classes take it, inside a transaction that
 * was begun as a write.
 */
public record Writes(DSLContext sql) {}
