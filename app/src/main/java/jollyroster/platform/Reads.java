package jollyroster.platform;

import org.jooq.DSLContext;

/** The store for pages: a small pool that cannot write. Only {@code …Queries} classes take it. */
public record Reads(DSLContext sql) {}
