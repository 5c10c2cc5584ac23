package jollyroster.programme;

/** How people meet. */
public enum Format {
    IN_PERSON,
    ONLINE
}
